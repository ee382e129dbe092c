import { describe, expect, it } from 'vitest'
import { type SaidSlip, slipOf, WRONG_WAYS } from '../../core/estimate'
import { type Reading, withIds } from '../../core/readings'
import { takenOtherWay } from '../../core/views/bench'
import { sayCorrected, saySlip } from '../../words/en'
import { read } from './../support/jobs'

const known = (reading: Reading) => withIds([reading])[0]!
const said = (wrong: number, as: (typeof WRONG_WAYS)[number], would: number) => ({
  id: 'r',
  predicted: would,
  residual: 9,
  sigma: 1,
  wrong,
  wrongAs: as,
  wouldRead: would,
  atOdds: wrong > 0.5
})

describe('a reading that looks wrong', () => {
  const late = known({ ...read.lag('cam-ex', 20.4), method: 'marks' })

  it('is said with what it looks like and how likely', () => {
    const slip = slipOf(late, said(0.98, 'next-mark', 0.4))!
    expect(saySlip(slip)).toBe("20.4° late fits the next tooth's mark (98 %)")
    expect(sayCorrected(slip)).toBe('0.4° late')
  })

  it('is none where it is likelier right, where nothing is said of it, and where no way has a name', () => {
    expect(slipOf(late, said(0.4, 'next-mark', 0.4))).toBeNull()
    expect(slipOf(late, null)).toBeNull()
    expect(slipOf(late, { ...said(0.9, 'next-mark', 0.4), wrongAs: null })).toBeNull()
    expect(slipOf(known(read.found('guide', 'sound')), said(0.9, 'far-off', 1))).toBeNull()
  })

  it('has words for every way', () => {
    for (const as of WRONG_WAYS) {
      const slip: SaidSlip = { kind: 'extension', value: 8, notches: false, as, would: 18.5, odds: 0.9 }
      expect(saySlip(slip)).toMatch(/^8\.0 mm (fits|looks like) .+ \(90 %\)$/)
    }
  })

  it('is entered the other way as a reading of the same thing, rounded as one reads it', () => {
    const other = takenOtherWay(late, slipOf(late, said(0.98, 'next-mark', 0.4123))!)
    expect(other).toMatchObject({
      kind: 'camLag',
      sprocket: 'cam-ex',
      value: 0.4,
      method: 'marks',
      turnedForward: true
    })
    expect(other).not.toHaveProperty('id')
  })

  it('changes mm for notches and notches for mm', () => {
    const typed = known({ kind: 'extension', tensioner: 'tensioner', notches: 8, turnedForward: true })
    const slip = slipOf(typed, said(0.96, 'mm-as-notches', 8))!
    expect(saySlip(slip)).toBe('8 notches look like 8 mm typed as notches (96 %)')
    expect(takenOtherWay(typed, slip)).toEqual({
      kind: 'extension',
      tensioner: 'tensioner',
      value: 8,
      turnedForward: true
    })
    const figure = known({ ...read.extension(5), method: 'calliper' })
    const asNotches = takenOtherWay(figure, slipOf(figure, said(0.96, 'notches-as-mm', 11.9))!)
    expect(asNotches).toEqual({ kind: 'extension', tensioner: 'tensioner', notches: 5, turnedForward: true })
  })

  it('is only read again where it is far off in no way that has a name', () => {
    const far = slipOf(late, said(0.98, 'far-off', 2))!
    expect(takenOtherWay(late, far)).toBeNull()
    expect(saySlip(far)).toMatch(/fits nothing else that was read/)
  })
})
