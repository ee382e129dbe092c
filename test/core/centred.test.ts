import { describe, expect, it } from 'vitest'
import { camsOf, chainModel, chainPicture, countedOf, isCharted, sheetFaults, sheetGaps } from '../../core/drive'
import type { Chain, DriveSheet } from '../../core/sheet'
import { assess } from '../../core/paths'
import { gapWords, namesOf, sayFault } from '../../words/en'
import { DEMO_SHEETS } from '../../demo/workshop'

/** A sheet with its sprockets' centres and nothing else of its shape: kept, and used for what they give. */

const charted = DEMO_SHEETS.filter((sheet) => sheet.chains.every((chain) => isCharted(sheet, chain)))
const sheetOf = (id: string) => charted.find((sheet) => sheet.id === id)!
const as = (sheet: DriveSheet, chain: Chain, elongation: number) => {
  const model = chainModel(sheet, chain)
  return model.readout({ elongation, wear: model.rails.map(() => 0), padWear: 0 })
}

/** What somebody has who measured the centres, and looked two extensions up. */
function centresOf(sheet: DriveSheet): DriveSheet {
  return {
    ...sheet,
    rails: sheet.rails.map(({ shoe: _shoe, pivot: _pivot, ...rail }) => rail),
    tensioners: sheet.tensioners.map(({ axis: _axis, seat: _seat, pad: _pad, armRange: _range, ...tensioner }) => {
      const chain = sheet.chains.find(({ id }) => id === tensioner.chain)!
      const extension = (elongation: number) => as(sheet, chain, elongation).extension!
      return {
        ...tensioner,
        newExtension: extension(0),
        gainFrom: { elongation: 0.005, extension: extension(0.005) }
      }
    })
  }
}

const changedChain = (sheet: DriveSheet, change: (chain: Chain) => Partial<Chain>): DriveSheet => ({
  ...sheet,
  chains: sheet.chains.map((chain) => ({ ...chain, ...change(chain) }))
})

const moved = (sheet: DriveSheet, id: string, up: number): DriveSheet => ({
  ...sheet,
  sprockets: sheet.sprockets.map((one) =>
    one.id === id ? { ...one, centre: [one.centre![0], one.centre![1] + up] as const } : one
  )
})

describe.each(charted.map((sheet) => [sheet.id, sheet] as const))('%s by its centres alone', (_, sheet) => {
  const bare = centresOf(sheet)

  it('is sound, and judged', () => {
    expect(sheetFaults(bare)).toEqual([])
    const job = { format: 'umbrette-job', version: 1, drive: bare, usage: { value: 90_000, unit: 'km' } } as const
    const { chains } = assess({ ...job, school: 'on-evidence', readings: [] })
    expect(Object.keys(chains)).toEqual(sheet.chains.map(({ id }) => id))
  })

  it('tells stretch by lag and extension as the whole drawing does, within a twentieth', () => {
    for (const chain of sheet.chains) {
      const [whole, alone] = [as(sheet, chain, 0.004), as(bare, chain, 0.004)]
      whole.lag.forEach((lag, i) => expect(Math.abs(alone.lag[i]! - lag)).toBeLessThanOrEqual(0.05 * lag))
      expect(Math.abs(alone.extension! / whole.extension! - 1)).toBeLessThan(0.05)
    }
  })

  it('is drawn: its sprockets, its chain and its marks, without the rails that nobody described', () => {
    for (const chain of bare.chains) {
      const state = { elongation: 0, wear: chainModel(bare, chain).rails.map(() => 0), padWear: 0 }
      const picture = chainPicture(
        bare,
        chain,
        state,
        camsOf(bare, chain).map(() => 0)
      )!
      expect(picture.sprockets.map(({ id }) => id).sort()).toEqual([chain.driver, ...camsOf(bare, chain)].sort())
      expect(picture.pins).toHaveLength(chain.links)
      expect(picture.rails).toEqual([])
      expect(picture.tensioner).toBeNull()
    }
  })

  it('says what is missing as a mechanic would, and never by a name of the file', () => {
    const said = sheetGaps(bare).map((gap) => Object.values(gapWords(gap, namesOf(bare))).join(': '))
    expect(
      said.filter((words) => /^The curve of .* is not known: Its wear counts by the default/.test(words))
    ).toHaveLength(sheet.rails.filter(({ touches }) => touches !== false).length)
    expect(said.join('\n')).not.toMatch(/\[\d|shoe|armRange|seat/)
  })
})

describe('centres', () => {
  const sheet = sheetOf('ardmere-a18')
  const bare = centresOf(sheet)
  const faultsOf = (changed: DriveSheet) => sheetFaults(changed).map(({ code }) => code)

  it('that the chain cannot go round are named with the links it takes', () => {
    expect(faultsOf(moved(moved(bare, 'cam-ex', 60), 'cam-in', 60))).toEqual(['centres-far'])
    const few = changedChain(bare, ({ links, counts }) => ({
      links: links + 60,
      counts: counts.map((count, i) => (i === 0 ? { ...count, links: count.links + 60 } : count))
    }))
    expect(faultsOf(few)).toEqual(['centres-near'])
  })

  it('that counts contradict are told apart from those that rails explain', () => {
    const shifted = (by: number) =>
      changedChain(bare, ({ counts }) => ({
        counts: counts.map((count, i) => ({ ...count, links: count.links + (i === 0 ? -by : i === 1 ? by : 0) }))
      }))
    expect(faultsOf(shifted(1))).toEqual([])
    expect(faultsOf(shifted(6))).toContain('count-centres')
    expect(sayFault(sheetFaults(shifted(6))[0]!)).toMatch(/as the sprockets stand it can be .* to /)
  })

  it('the wrong way round are a path that does not turn once', () => {
    expect(faultsOf({ ...bare, rotation: 'anticlockwise' })).toEqual(['loop-turning'])
  })

  it('leave open what the drawing would say: the extension of a new drive, or the parts it lacks', () => {
    const open = { ...bare, tensioners: bare.tensioners.map(({ newExtension: _new, ...one }) => one) }
    const [fault] = sheetFaults(open)
    expect(fault).toMatchObject({ code: 'extension-or-drawing' })
    expect(sayFault(fault!)).toMatch(/extension of the new drive/)
  })

  it('do not take the place of counts that the sheet gives', () => {
    const counted = { freeLinks: 90, tight: { 'cam-ex': 50, 'cam-in': 38 } }
    const own = changedChain(bare, () => ({ counted }))
    expect(countedOf(own, own.chains[0]!)).toEqual(counted)
  })
})
