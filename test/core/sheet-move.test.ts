import { sayFault } from '../../words/en'
import { describe, expect, it } from 'vitest'
import {
  type Act,
  assessRecord,
  entryFaults,
  exportJob,
  foldActs,
  importJob,
  type KeptJob,
  sheetOf
} from '../../core/record'
import { summarise } from '../../core/views/summary'
import type { Reading } from '../../core/readings'
import { before, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const at = '2026-11-24T08:00:00.000Z'
const old = sheet('ardmere-a18')
const stricter = changed(old, (d) => (d.limits.find((l: { kind: string }) => l.kind === 'elongation').value = 0.3))
const took = (id: string, reading: Reading): Act => ({ id, type: 'read', by: 'Maren', at, reading })
const moves: Act = { id: 'm', type: 'sheet', by: 'Tove', at, sheet: stricter, revision: 2 }
const back: Act = { id: 'u', type: 'undo', by: 'Tove', at, act: 'm' }
const job: KeptJob = {
  vehicle: 'Pilot van 3',
  stand: '',
  complaint: '',
  openedBy: 'Maren',
  openedAt: at,
  sheet: old,
  usage: { value: 1000, unit: 'km' },
  school: 'on-evidence',
  corrections: null
}
const readings = [took('a', read.extension(15)), took('b', read.length(160.6))]

describe('a job moved to another revision of its sheet', () => {
  it('is judged by that one, and by the old one again when that is taken back', () => {
    const over = (acts: Act[]) => assessRecord(job, acts).chains.main!.elongation.overLimit!
    expect(over([...readings, moves])).toBeGreaterThan(over(readings) + 0.3)
    expect(over([...readings, moves, back])).toBe(over(readings))
    expect(sheetOf(old, foldActs([moves, back], 'weighed'))).toBe(old)
  })
  it('travels as one file, with both sheets, and comes back the same', () => {
    const acts = [...readings, moves]
    const file = JSON.parse(JSON.stringify(exportJob(job, acts))) as Record<string, unknown>
    const taken = importJob(file, { by: 'x', at, newId: () => 'n' })
    expect(taken.faults).toEqual([])
    expect(taken.job!.sheet).toEqual(old)
    expect(assessRecord(taken.job!, taken.acts)).toEqual(assessRecord(job, acts))
    expect(importJob({ ...file, drive: old }, { by: 'x', at, newId: () => 'n' }).faults[0]!.place).toBe('drive')
  })

  const without = changed(old, (d) => {
    d.rails = d.rails.filter((r: { id: string }) => r.id !== 'guide')
    d.chains[0].path = d.chains[0].path.filter((id: string) => id !== 'guide')
    d.limits = d.limits.filter((l: { rail?: string }) => l.rail !== 'guide')
  })
  it('cannot go where a reading has no place', () => {
    const faults = entryFaults(before(old, [took('g', read.groove('guide', 0.4))]), { ...moves, sheet: without })
    expect(faults.length).toBeGreaterThan(0)
    expect(faults[0]!.place).toMatch(/^sheet/)
  })
  it('cannot be taken back under readings that only the newer sheet has a place for', () => {
    const counted = sheet('quillon-q40-counted')
    const renamed = changed(counted, (d) => {
      d.rails[0].id = 'front'
      d.chains[0].path = d.chains[0].path.map((id: string) => (id === 'guide' ? 'front' : id))
      d.limits.forEach((l: { rail?: string }) => {
        if (l.rail === 'guide') l.rail = 'front'
      })
      delete d.operations
      delete d.parts
      delete d.alwaysRenewed
      delete d.waysIn
      delete d.stopGaps
      delete d.torques
      delete d.cautions
      delete d.superseded
    })
    const acts: Act[] = [{ ...moves, sheet: renamed }, took('g', read.groove('front', 0.4))]
    expect(entryFaults(before(counted), acts[0])).toEqual([])
    expect(sayFault(entryFaults(before(renamed, acts, counted), back)[0]!)).toMatch(/no place for the groove depth/)
    expect(entryFaults(before(renamed, [acts[0]!], counted), back)).toEqual([])
  })
  it('a broken sheet is named at its place', () =>
    expect(entryFaults(before(old), { ...moves, sheet: { ...old, sprockets: [] } })[0]!.place).toMatch(
      /^sheet\.sprockets/
    ))
})

describe('what a job waits for', () => {
  const waits = (id: string, what: 'part' | 'customer' | 'nothing', note?: string): Act => ({
    id,
    type: 'waits',
    by: 'Tove',
    at,
    for: what,
    ...(note ? { note } : {})
  })
  it('the last word holds, and nothing means nothing', () => {
    expect(foldActs([waits('1', 'part', 'rail'), waits('2', 'customer')], 'weighed').waits).toMatchObject({
      for: 'customer'
    })
    expect(foldActs([waits('1', 'part'), waits('2', 'nothing')], 'weighed').waits).toBeNull()
  })
  it('stands in the summary with its note', () =>
    expect(summarise(job, [waits('1', 'part', 'Guide set, Friday')]).waits).toEqual({
      for: 'part',
      note: 'Guide set, Friday',
      since: at
    }))
})

describe("a job's summary", () => {
  it('holds only what was measured', () => {
    expect(summarise(job, []).measures).toEqual([])
    const { measures } = summarise(job, [took('e', read.extension(12)), took('g', read.groove('guide', 0.5))])
    expect(measures.map(({ kind, part }) => `${kind} ${part}`)).toEqual([
      'elongation main',
      'extension tensioner',
      'groove guide'
    ])
    for (const { low, value, high, limit } of measures) {
      expect(low).toBeLessThan(value)
      expect(high).toBeGreaterThan(value)
      expect(limit?.source).toBeTruthy()
    }
  })
})
