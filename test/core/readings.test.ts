import { sayLeftOut } from '../../words/en'
import { describe, expect, it } from 'vitest'
import {
  extensionToNotches,
  impossibleReading,
  notchesToExtension,
  readingSigma,
  readingStructureFaults,
  sheetCount,
  type Reading
} from '../../core/readings'
import { read } from '../support/jobs'
import { sheet } from '../support/sheets'

const ardmere = sheet('ardmere-a18')

const untrueWords = (reading: Reading) => {
  const why = impossibleReading(ardmere, reading)
  return why ? sayLeftOut(why) : ''
}

describe('what makes a reading none of this drive', () => {
  it.each<[unknown, string]>([
    [{ kind: 'colour', value: 1 }, 'kind'],
    [{ kind: 'groove', rail: 'guide', value: 'deep' }, 'value'],
    [{ kind: 'groove', rail: 'guide' }, 'value'],
    [{ kind: 'groove', value: 0.3 }, 'rail'],
    [{ kind: 'groove', rail: 'ghost', value: 0.3 }, 'rail'],
    [{ kind: 'groove', rail: 'guide', value: 0.3, sigma: 0 }, 'sigma'],
    [{ kind: 'camLag', sprocket: 'crank', value: 2 }, 'sprocket'],
    [{ kind: 'linkCount', chain: 'main', from: 'crank', to: 'crank', value: 126 }, 'to'],
    [{ kind: 'chainLength', chain: 'main', value: 160 }, 'links'],
    [{ kind: 'extension', tensioner: 'tensioner', notches: 2.5 }, 'notches'],
    [null, ''],
    ['groove', '']
  ])('%j', (value, place) => {
    expect(readingStructureFaults(ardmere, value)[0]?.place).toBe(place)
  })
})

describe('what cannot be true of this drive, with what to do', () => {
  it.each<[Reading, RegExp]>([
    [read.groove('guide', -0.2), /below 0 mm: check the sign/],
    [read.extension(30), /beyond the stroke of 22 mm/],
    [read.extension(-1), /fully retracted/],
    [{ kind: 'extension', tensioner: 'tensioner', notches: 11 }, /at most 10 notches/],
    [read.count('crank', 'cam-ex', 52.3), /whole links, or halves/],
    [read.count('crank', 'cam-ex', 35), /18 fewer than the sheet's 53/],
    [read.length(180), /does not fit 20 links \(new: 160\.00 mm\)/],
    [read.length(160, 200), /has 126 links/],
    [{ ...read.groove('guide', 0.3), method: 'tongue' }, /gauge, feeler, thumbnail/]
  ])('%j', (reading, message) => expect(untrueWords(reading)).toMatch(message))

  it.each<Reading>([
    read.extension(22.4),
    read.groove('guide', 0),
    read.count('crank', 'cam-ex', 52.5),
    read.lag('cam-in', -18),
    { ...read.groove('guide', 0.3), method: 'tongue', sigma: 0.2 }
  ])('%j can', (reading) => {
    expect(impossibleReading(ardmere, reading)).toBeNull()
  })
})

describe('uncertainty', () => {
  it("is the method's unless the reading gives its own", () => {
    expect(readingSigma(ardmere, read.groove('guide', 0.4))).toBe(0.1)
    expect(readingSigma(ardmere, { ...read.groove('guide', 0.4), method: 'thumbnail' })).toBe(0.4)
    expect(readingSigma(ardmere, { ...read.groove('guide', 0.4), sigma: 0.07 })).toBe(0.07)
  })

  it('grows in quadrature with what is not settled: not turned forward, a loose or unlocked phaser', () => {
    const lag = read.lag('cam-in', 3)
    expect(readingSigma(ardmere, lag)).toBe(1.5)
    expect(readingSigma(ardmere, { ...lag, turnedForward: false })).toBeCloseTo(Math.hypot(1.5, 1.5))
    expect(readingSigma(ardmere, { ...lag, turnedForward: undefined })).toBeCloseTo(Math.hypot(1.5, 1.5))
    expect(readingSigma(ardmere, { ...lag, phaserLocked: false })).toBeCloseTo(Math.hypot(1.5, 25))
    expect(readingSigma(ardmere, lag, 4)).toBeCloseTo(Math.hypot(1.5, 2))
    expect(readingSigma(ardmere, { ...read.extension(12), turnedForward: false })).toBeCloseTo(
      Math.hypot(0.5, 2.2 / Math.sqrt(12))
    )
  })

  it('notches read as the middle between two, none as half the first', () => {
    const ratchet = { first: 2, pitch: 2.2 }
    expect(notchesToExtension(ratchet, 3)).toBeCloseTo(7.5)
    expect(notchesToExtension(ratchet, 0)).toBe(1)
    expect([1.9, 2, 4.1, 4.2].map((e) => extensionToNotches(ratchet, e))).toEqual([0, 1, 1, 2])
  })
})

describe('link counts', () => {
  const chain = ardmere.chains[0]!

  it('run over several runs and the way round', () => {
    expect(sheetCount(chain, 'cam-ex', 'crank')).toBe(73)
    expect(sheetCount(chain, 'cam-in', 'cam-ex')).toBe(106)
    expect(sheetCount(chain, 'crank', 'ghost')).toBeNull()
  })
})
