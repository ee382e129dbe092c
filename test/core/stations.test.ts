import { sayScan } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { type Act, foldActs, jobFile } from '../../core/record'
import {
  ENGINE_GROUPS,
  findingGroups,
  partsAt,
  readsSlot,
  slotsOf,
  type Station,
  stationOfFinding,
  STATIONS,
  stationStates
} from '../../core/views/bench'
import { FINDINGS } from '../../core/readings'
import { type PartKind, partKindOf } from '../../core/sheet'
import { readScan, scanColumns } from '../../core/views/scan'
import { estimate } from '../../core/estimate'
import { DEMO_JOBS } from '../../demo/workshop'
import { simulatedScan } from '../../demo/scanSource'
import { standTrue } from '../../core/views/practice'
import { jobOf, read } from '../support/jobs'
import { sheet, SHEETS } from '../support/sheets'

const ardmere = sheet('ardmere-a18')

describe('the stations', () => {
  it.each(SHEETS)('of %s offer every figure and every part once they are walked', (id) => {
    const drive = sheet(id)
    const parts = new Set(
      (Object.keys(STATIONS).map(Number) as Station[]).flatMap((station) => partsAt(drive, station))
    )
    for (const { part } of slotsOf(drive)) expect(parts).toContain(part)
    for (const list of [drive.rails, drive.tensioners, drive.phasers, drive.sprockets, drive.chains])
      for (const part of list) expect(parts).toContain(part.id)
  })

  it('ask for every finding of the closed list somewhere', () => {
    const asked = new Set(Object.values(ENGINE_GROUPS).flatMap((groups) => groups!.flatMap((g) => g.findings)))
    const elsewhere = ['pieces-found', 'pieces-accepted']
    for (const finding of FINDINGS.engine)
      expect([finding, asked.has(finding) || elsewhere.includes(finding)]).toEqual([finding, true])
    for (const kind of Object.keys(FINDINGS) as PartKind[]) {
      if (kind === 'engine') continue
      const offered = findingGroups(kind).flatMap((g) => g.findings)
      for (const finding of FINDINGS[kind]) if (!/lifter|slack/.test(finding)) expect(offered).toContain(finding)
    }
  })

  it('count what is read and found at each', () => {
    const states = stationStates(ardmere, [
      read.extension(9),
      read.lag('cam-in', 2),
      read.found('guide', 'cracked'),
      read.found('engine', 'noise-always'),
      read.found('main', 'slack-stays'),
      read.found('main', 'stiff-links')
    ])
    expect(states.map(({ station, read: done, findings }) => [station, done, findings])).toEqual([
      [1, 0, 1],
      [2, 0, 0],
      [3, 1, 1],
      [4, 1, 0],
      [5, 0, 1],
      [6, 0, 0],
      [7, 0, 1]
    ])
  })

  it('know where each finding is made', () => {
    for (const [target, finding, station] of [
      ['engine', 'vacuum-low', 2],
      ['tensioner', 'lifter-gap', 2],
      ['tensioner', 'witness-mark', 4],
      ['oil', 'screen-torn', 6],
      ['fasteners', 'bolt-missing', 5],
      ['engine', 'pieces-found', 5]
    ] as const) {
      expect([finding, stationOfFinding(ardmere, read.found(target, finding))]).toEqual([finding, station])
    }
  })

  it('a next reading leads to its slot, a count to its run', () => {
    const slots = slotsOf(ardmere)
    for (const next of estimate(jobOf([])).next) expect(slots.filter((slot) => readsSlot(next, slot))).toHaveLength(1)
  })
})

describe('what acts come to', () => {
  const by = { by: 'Maren', at: '2026-11-24T08:00:00.000Z' }
  const { job } = DEMO_JOBS[0]!

  it('the last word on the engine holds, and taking it back brings the one before', () => {
    const acts: Act[] = [
      { ...by, id: 'a', type: 'corrections', corrections: { skim: { 1: 0.2 } } },
      { ...by, id: 'b', type: 'corrections', corrections: { skim: { 1: 0.3 } } }
    ]
    expect(jobFile(job, acts).corrections).toEqual({ skim: { 1: 0.3 } })
    expect(jobFile(job, [...acts, { ...by, id: 'c', type: 'undo', act: 'b' }]).corrections).toEqual({
      skim: { 1: 0.2 }
    })
    expect(jobFile(job, []).corrections).toBeUndefined()
  })

  it('what is known of parts gives their age, photos stand by part', () => {
    const acts: Act[] = [
      { ...by, id: 'a', type: 'part', part: 'guide', known: { make: 'unmarked', fittedAt: 90_000 } },
      { ...by, id: 'b', type: 'photo', photo: '5a17a000-0000-4000-8000-0000000000aa', part: 'guide' }
    ]
    expect(jobFile(job, acts).fitted).toEqual({ guide: 90_000 })
    expect(foldActs(acts, 'on-evidence').photos.map((p) => p.part)).toEqual(['guide'])
  })
})

describe('a scan log', () => {
  const rows = (csv: string) => {
    const [head, ...lines] = csv
      .trim()
      .split('\n')
      .map((line) => line.split(','))
    return lines.map((cells) => Object.fromEntries(head!.map((name, i) => [name, cells[i]!])))
  }

  it.each(DEMO_JOBS.map((d) => [d.job.vehicle, d] as const))(
    'of %s gives the lags that are true of it, from its warm idle',
    (_name, { job, truth }) => {
      const { deviations, used, all, fault } = readScan(job.sheet, rows(simulatedScan(job.sheet, truth, 5)))
      expect(fault).toBeNull()
      expect(used).toBeLessThan(all)
      const { lag } = standTrue(job.sheet, truth)
      for (const { sprocket, lag: read } of deviations) expect(Math.abs(read - lag[sprocket]!)).toBeLessThan(1)
    }
  )

  it('tells a loose phaser by its scatter', () => {
    const { job, truth } = DEMO_JOBS[4]!
    const { deviations } = readScan(job.sheet, rows(simulatedScan(job.sheet, truth, 5)))
    const scatter = (id: string) => deviations.find((d) => d.sprocket === id)!.scatter
    expect(scatter('in-1')).toBeGreaterThan(3 * scatter('ex-1'))
  })

  it('says what is wrong with it', () => {
    const faultOf = (log: Parameters<typeof readScan>[1]) => sayScan(readScan(ardmere, log).fault!)
    expect(faultOf([])).toMatch(/empty/)
    expect(faultOf([{ rpm: '800' }])).toMatch(/lacks coolant_c and the cams.*cam-in_actual/)
    const cold = Object.fromEntries(scanColumns(ardmere).map((name) => [name, '20']))
    expect(faultOf(Array.from({ length: 50 }, () => cold))).toMatch(/Only 0 samples at a warm idle/)
    expect(
      faultOf(
        Array.from({ length: 50 }, () => ({
          ...cold,
          rpm: '800',
          coolant_c: '85',
          'cam-in_actual': 'x',
          'cam-in_commanded': '',
          'cam-ex_actual': ''
        }))
      )
    ).toMatch(/No cam has figures/)
  })

  it('takes decimal commas', () => {
    const row = {
      ...Object.fromEntries(scanColumns(ardmere).map((name) => [name, '4,5'])),
      rpm: '800',
      coolant_c: '85,5',
      'cam-in_actual': '1,5'
    }
    expect(
      readScan(
        ardmere,
        Array.from({ length: 9 }, () => row)
      ).deviations.find((d) => d.sprocket === 'cam-in')!.lag
    ).toBe(3)
  })
})

it('demo jobs are over all engines, and each has its own truth', () => {
  expect(DEMO_JOBS.length).toBeGreaterThanOrEqual(8)
  expect(new Set(DEMO_JOBS.map((d) => d.job.sheet.id)).size).toBe(7)
  expect(new Set(DEMO_JOBS.map((d) => JSON.stringify(d.truth))).size).toBe(DEMO_JOBS.length)
  for (const { job, acts } of DEMO_JOBS)
    for (const act of acts)
      if (act.type === 'read' && act.reading.kind === 'condition')
        expect(partKindOf(job.sheet, act.reading.target!)).not.toBeNull()
})
