import { sayFault, tellFaults } from '../../words/en'
import { describe, expect, it } from 'vitest'
import {
  asNew,
  chainModel,
  colouredLinksReturn,
  degreesPerTooth,
  sheetFaults,
  speedOf,
  stageOf,
  trainsOf,
  travelOf
} from '../../core/drive'
import { estimate } from '../../core/estimate'
import type { Reading } from '../../core/readings'
import type { DriveSheet } from '../../core/sheet'
import { stagedEngine } from '../support/engines'
import { jobOf } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const staged = stagedEngine(3)
const [first, second] = ['first-main', 'main'].map((id) => staged.chains.find((c) => c.id === id)!)
const lagOf = (sprocket: string, value: number): Reading => ({
  kind: 'camLag',
  sprocket,
  value,
  sigma: 0.4,
  turnedForward: true
})
const lengthOf = (drive: DriveSheet, chain: string, elongation: number): Reading => ({
  kind: 'chainLength',
  chain,
  links: 20,
  value: 20 * drive.chains.find((c) => c.id === chain)!.pitch * (1 + elongation),
  sigma: 0.05
})

describe('a drive in two stages', () => {
  it('is sound, its second chain driven by the first at half crank speed', () => {
    expect(sheetFaults(staged)).toEqual([])
    expect(stageOf(staged, second!)).toEqual({ speed: 0.5, upstream: { chain: 'first-main', sprocket: 'idler' } })
    expect(speedOf(staged, second!, 'cam-1')).toBe(0.5)
    expect(trainsOf(staged).map((chains) => chains.map((c) => c.id))).toEqual([['first-main', 'main']])
  })

  it("one tooth of the second chain is worth twice the driver's own degrees", () => {
    expect(degreesPerTooth(staged, second!)).toBeCloseTo((2 * 360) / 32, 9)
    expect(degreesPerTooth(staged, first!)).toBeCloseTo(360 / staged.sprockets[0]!.teeth, 9)
  })

  it('stretch of the first chain makes the cams of the second late by as much', () => {
    const model = chainModel(staged, first!)
    const [late] = model.readout({ ...asNew(model), elongation: 0.004 }).lag
    const { cams } = estimate(
      jobOf(
        [
          lengthOf(staged, 'first-main', 0.004),
          lengthOf(staged, 'main', 0),
          { kind: 'groove', rail: 'guide', value: 0 },
          { kind: 'groove', rail: 'first-guide', value: 0 }
        ],
        { drive: staged }
      )
    )
    for (const cam of ['idler', 'cam-1', 'cam-2']) expect(cams[cam]!.lag.mean).toBeGreaterThan(0.85 * late!)
    expect(cams['cam-2']!.wearLag).toBeGreaterThan(cams.idler!.wearLag)
  })

  it('a tooth jumped in the first stage moves everything behind it, and is told from one in the second', () => {
    const tooth = degreesPerTooth(staged, first!)
    const upstream = estimate(
      jobOf([lagOf('idler', -tooth + 1), lagOf('cam-1', -tooth + 1), lagOf('cam-2', -tooth + 1)], { drive: staged })
    ).cams
    expect([upstream.idler!.jump.teeth, upstream['cam-1']!.jump.teeth, upstream['cam-2']!.jump.teeth]).toEqual([
      -1, 0, 0
    ])
    expect(upstream['cam-1']!.lag.mean).toBeCloseTo(-tooth + 1, 0)
    const downstream = estimate(
      jobOf([lagOf('idler', 0.5), lagOf('cam-1', degreesPerTooth(staged, second!) + 1), lagOf('cam-2', 1)], {
        drive: staged
      })
    ).cams
    expect([downstream.idler!.jump.teeth, downstream['cam-1']!.jump.teeth]).toEqual([0, 1])
  })

  it('coloured links return when both chain and sprockets have gone whole turns', () => {
    const turns = colouredLinksReturn(staged, second!)
    const advance = turns * 0.5 * 32
    expect([advance % second!.links, advance % 32]).toEqual([0, 0])
  })
})

describe('a chain driven by a pair of gears', () => {
  const geared = stagedEngine(5, 'gears')
  const chain = geared.chains[0]!

  it('travels against the crank and is sound', () => {
    expect(sheetFaults(geared)).toEqual([])
    expect(stageOf(geared, chain)).toEqual({ speed: -0.5, upstream: null })
    expect(travelOf(geared, chain)).toBe(1)
  })

  it('retards its cams as it stretches', () => {
    const model = chainModel(geared, chain)
    for (const lag of model.readout({ ...asNew(model), elongation: 0.004 }).lag) expect(lag).toBeGreaterThan(0.5)
  })
})

describe('what cannot be a stage is named with its place', () => {
  it.each([
    [
      'a circle',
      (d: any) => (
        (d.sprockets.find((s: any) => s.id === 'crank').shaft = 'round'),
        (d.sprockets.find((s: any) => s.id === 'cam-1').shaft = 'round')
      ),
      /\.driver$/,
      /in a circle/
    ],
    [
      'cams at crank speed',
      (d: any) => (d.sprockets.find((s: any) => s.id === 'idler').teeth = d.sprockets[0].teeth),
      /\.path$/,
      /half crank speed/
    ]
  ])('%s', (_name, change, place, message) => {
    const [fault] = sheetFaults(changed(staged, change))
    expect(fault!.place).toMatch(place)
    expect(sayFault(fault!)).toMatch(message)
  })

  it('a gear that drives nothing', () => {
    const faults = sheetFaults(
      changed(
        sheet('ardmere-a18'),
        (d) => (d.gears = [{ id: 'g', name: 'Gear', driver: 'crank', driven: 'cam-in', teeth: [20, 40] }])
      )
    )
    expect(tellFaults(faults)[0]).toEqual({ place: 'gears[0].driven', message: '"cam-in" drives no chain' })
  })
})

describe('chains side by side', () => {
  it('are estimated each by its own readings', () => {
    const drive = sheet('vellora-v28')
    const one = estimate(jobOf([lengthOf(drive, 'bank-1', 0.004)], { drive }))
    const both = estimate(jobOf([lengthOf(drive, 'bank-1', 0.004), lengthOf(drive, 'bank-2', 0.001)], { drive }))
    expect(both.chains['bank-1']!.elongation).toEqual(one.chains['bank-1']!.elongation)
    expect(both.chains['bank-2']!.elongation.mean).toBeCloseTo(0.001, 4)
  })
})
