import { faultWords } from '../support/told'
import { namesOf, sayChange } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { assess } from '../../core/paths'
import {
  type Act,
  assessRecord,
  entryFaults,
  exportJob,
  foldActs,
  importJob,
  jobFile,
  type KeptJob,
  readJob
} from '../../core/record'
import { fills, slotsOf } from '../../core/views/bench'
import { explainChange } from '../../core/views/verdict'
import type { Reading } from '../../core/readings'
import { before, jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const at = '2026-11-24T08:00:00.000Z'
const took = (id: string, reading: Reading, supersedes?: string): Act => ({
  id,
  type: 'read',
  by: 'Maren',
  at,
  reading,
  ...(supersedes ? { supersedes } : {})
})
const undid = (id: string, act: string): Act => ({ id, type: 'undo', by: 'Idris', at, act })
const ids = (acts: Act[]) => foldActs(acts, 'on-evidence').readings.map((r) => r.id)

describe('what the acts of a job come to', () => {
  const first = took('a', read.groove('guide', 0.4))
  const corrected = took('b', read.groove('guide', 0.6), 'a')

  it('a correction supersedes, and the old reading is still on record', () => {
    expect(ids([first, corrected])).toEqual(['b'])
    expect(foldActs([first, corrected], 'on-evidence').superseded.get('a')).toBe('b')
  })
  it('a correction taken back brings the old reading back', () =>
    expect(ids([first, corrected, undid('c', 'b')])).toEqual(['a']))
  it('taking back the taking back puts the reading back', () => {
    expect(ids([first, undid('c', 'a')])).toEqual([])
    expect(ids([first, undid('c', 'a'), undid('d', 'c')])).toEqual(['a'])
  })
  it('the last school that stands holds', () => {
    const whole: Act = { id: 's', type: 'school', by: 'Tove', at, school: 'whole-set' }
    expect(foldActs([whole], 'weighed').school).toBe('whole-set')
    expect(foldActs([whole, undid('u', 's')], 'weighed').school).toBe('weighed')
  })
  it('two corrections of one reading both stand: neither is overwritten', () => {
    expect(ids([first, corrected, took('c', read.groove('guide', 0.5), 'a')])).toEqual(['b', 'c'])
  })
})

describe('an act from outside', () => {
  const drive = sheet('ardmere-a18')
  const job = before(drive, [took('a', read.groove('guide', 0.4))])
  const faults = (act: unknown) => entryFaults(job, act)

  it('that fits has no fault', () => expect(faults(took('b', read.groove('guide', 0.5), 'a'))).toEqual([]))
  it.each<[string, unknown, string]>([
    ['of no known type', { id: 'x', type: 'erase', by: 'Maren', at }, 'type'],
    ['without a name', { ...took('x', read.groove('guide', 0.5)), by: ' ' }, 'by'],
    ['without a time', { ...took('x', read.groove('guide', 0.5)), at: 'yesterday' }, 'at'],
    ['with a reading of another drive', took('x', read.groove('ghost', 0.5)), 'reading.rail'],
    ['with an impossible figure', took('x', read.groove('guide', -0.5)), 'reading.value'],
    ['correcting what is not there', took('x', read.groove('guide', 0.5), 'z'), 'supersedes'],
    ['correcting another part', took('x', read.groove('arm', 0.5), 'a'), 'supersedes'],
    ['taking back what is not there', undid('x', 'z'), 'act'],
    ['that is nothing', null, '']
  ])('%s', (_name, act, place) => expect(faults(act)[0]?.place).toBe(place))
})

const kept: KeptJob = {
  vehicle: 'Pilot van 3',
  stand: 'Bay 2',
  complaint: 'Noise',
  openedBy: 'Maren',
  openedAt: at,
  sheet: sheet('ardmere-a18'),
  usage: { value: 148_200, unit: 'km' },
  school: 'on-evidence',
  corrections: { skim: { 1: 0.1 } }
}
const acts = [
  took('a', { ...read.extension(14), note: 'found “as is” <b>' }),
  took('b', read.groove('guide', 0.4)),
  took('c', read.groove('guide', 0.6), 'b'),
  undid('d', 'a'),
  undid('e', 'd'),
  { id: 'f', type: 'school', by: 'Tove', at, school: 'whole-set' } satisfies Act
]
const importer = () => {
  let n = 0
  return { by: 'Bela', at, newId: () => `new-${++n}` }
}

describe('a job as a file', () => {
  const file = JSON.parse(JSON.stringify(exportJob(kept, acts))) as unknown

  it('comes back as it was, nothing lost', () => {
    const back = importJob(file, importer())
    expect(back.job).toEqual(kept)
    expect(back.acts).toEqual(acts)
    expect(exportJob(back.job!, back.acts)).toEqual(file)
  })
  it('means the same to the assess command as on the page', () => {
    expect(assess(readJob(file).job!)).toEqual(assessRecord(kept, acts))
  })
  it('written by hand with readings alone becomes acts of whoever imports it', () => {
    const { job, acts: made } = importJob(
      jobOf([read.extension(14), { ...read.groove('guide', -1), by: 'Tove' }]),
      importer()
    )
    expect(made.map(({ id, by }) => [id, by])).toEqual([
      [expect.stringMatching(/^r-/), 'Bela'],
      [expect.stringMatching(/^r-/), 'Tove']
    ])
    expect(jobFile(job!, made).readings).toHaveLength(2)
  })
  it('edited so that its readings are not what its acts come to is refused with what to do', () => {
    const edited = structuredClone(file) as { readings: unknown[] }
    edited.readings.pop()
    expect(faultWords(importJob(edited, importer()))[0]).toMatchObject({
      place: 'readings',
      message: expect.stringMatching(/Remove "acts"/)
    })
  })
  it.each<[string, unknown, string]>([
    ['another format', { format: 'umbrette-drive' }, 'format'],
    ['a later version', { ...jobOf([]), version: 2 }, 'version'],
    ['no usage', { ...jobOf([]), usage: undefined }, 'usage'],
    ['a drive that is unsound', { ...jobOf([]), drive: {} }, 'drive.format'],
    ['a reading of an unknown kind', jobOf([read.extension(9), { kind: 'smell' } as never]), 'readings[1].kind'],
    ['an act with a ghost', { ...jobOf([]), acts: [undid('x', 'nothing')] }, 'acts[0].act'],
    [
      'an act twice',
      { ...jobOf([read.extension(9)]), acts: [took('a', read.extension(9)), took('a', read.extension(9))] },
      'acts[1].id'
    ],
    ['a list', [], ''],
    ['nothing', null, '']
  ])('%s is refused at its place', (_name, value, place) =>
    expect(importJob(value, importer()).faults[0]?.place).toBe(place)
  )
})

describe('everything that can be read on a drive', () => {
  it('has a slot at its station', () => {
    const slots = slotsOf(sheet('ardmere-a18'))
    expect(slots.map(({ key }) => key)).toEqual(
      expect.arrayContaining([
        'camLag:cam-in',
        'linkCount:main:crank:cam-ex',
        'extension:tensioner',
        'groove:arm',
        'phaserPlay:phaser-in',
        'chainLength:main:20'
      ])
    )
    expect(slots.every((slot) => !slot.key.includes('bridge'))).toBe(true)
  })
  it('is filled by a length over another number of links too', () => {
    const slot = slotsOf(sheet('ardmere-a18')).find(({ kind }) => kind === 'chainLength')!
    expect(fills(slot, read.length(80.3, 10))).toBe(true)
    expect(fills(slot, read.extension(9))).toBe(false)
  })
})

describe('what changed, in words', () => {
  const drive = sheet('ardmere-a18')
  const said = (before: Reading[], act: Act, after: Reading[]) =>
    sayChange(explainChange(drive, [act], assess(jobOf(before)), assess(jobOf(after)))!, namesOf(drive), false)
  it('names the reading and the narrowing', () =>
    expect(said([], took('a', read.length(160.8)), [read.length(160.8)])).toMatch(
      /^The chain length took elongation from 0\.\d\d to 0\.\d\d % and narrowed it from ±0\.\d\d to ±0\.\d\d\.$/
    ))
  it('says when a jump shows or goes', () => {
    expect(said([], took('a', read.lag('cam-in', -18)), [read.lag('cam-in', -18)])).toMatch(
      /Intake cam sprocket now reads 1 tooth early/
    )
    expect(said([read.lag('cam-in', -18)], undid('b', 'a'), [])).toMatch(/^Taking that back .*has not jumped after all/)
  })
  it('says when nothing did', () =>
    expect(said([], took('a', read.play('phaser-in', 1)), [read.play('phaser-in', 1)])).toBe(
      'The phaser play left the elongation as it was.'
    ))
})
