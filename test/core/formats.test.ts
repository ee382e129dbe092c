import { FORMAT_TITLES, writeAssessment } from '../../words/en'
import { faultWords } from '../support/told'
import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import { describe, expect, it } from 'vitest'
import { assess } from '../../core/paths'
import { formats } from '../../core/views/formats'
import { exportJob, importJob, readJob } from '../../core/record'
import { NUMERIC_KINDS, READING_KINDS, type JobFile, type Reading } from '../../core/readings'
import { schemaFaults } from '../../core/check'
import { driveSchema } from '../../core/sheet'
import { DEMO_JOBS } from '../../demo/workshop'
import { jobOf, read } from '../support/jobs'
import { changed, sheet, SHEETS } from '../support/sheets'

const ajv = new Ajv({ strict: true, strictTypes: false, strictRequired: false, allErrors: true })
const schemas = formats()
const fits = {
  drive: ajv.compile(schemas['umbrette-drive']),
  job: ajv.compile(schemas['umbrette-job']),
  assessment: ajv.compile(schemas['umbrette-assessment'])
}

const full = jobOf(
  [
    read.extension(12),
    { kind: 'extension', tensioner: 'tensioner', notches: 4 },
    read.lag('cam-in', 3),
    read.count('crank', 'cam-ex', 52.5),
    { ...read.length(160.5), place: 1 },
    { ...read.length(160.9), place: 2 },
    read.pad(0.2),
    read.play('phaser-in', 0.8),
    read.found('guide', 'piece-missing', { count: 2 }),
    read.found('engine', 'loudest-bank', { bank: 1 }),
    read.groove('guide', -1)
  ],
  {
    corrections: { skim: { 1: 0.2 }, temperature: { celsius: 80, block: 'aluminium' }, offsetKeys: { 'cam-in': 2 } },
    fitted: { main: 20_000 },
    horizon: 40_000,
    history: { main: [{ usage: 90_000, mean: 0.002, sd: 0.0004 }] }
  }
)

const written = (job: JobFile) => JSON.parse(JSON.stringify(writeAssessment(job, assess(job)))) as object

describe('the published schemas', () => {
  it.each(Object.keys(schemas))("docs/formats/%s.schema.json is the code's own (npm run formats writes it)", (name) => {
    expect(JSON.parse(readFileSync(`docs/formats/${name}.schema.json`, 'utf8'))).toEqual({
      title: FORMAT_TITLES[name as keyof typeof schemas],
      ...JSON.parse(JSON.stringify(schemas[name as keyof typeof schemas]))
    })
  })

  it('the samples are what they say: the sample job reads as the sample assessment', () => {
    const sample = (name: string) => JSON.parse(readFileSync(`docs/formats/sample.${name}.json`, 'utf8')) as unknown
    expect(fits.job(sample('umbrette-job')) && fits.assessment(sample('umbrette-assessment'))).toBe(true)
    const job = readJob(sample('umbrette-job')).job!
    expect(JSON.parse(JSON.stringify(writeAssessment(job, assess(job))))).toEqual(sample('umbrette-assessment'))
  })

  it.each(SHEETS)("%s fits the sheet's schema", (id) =>
    expect(fits.drive(sheet(id)) ? [] : fits.drive.errors).toEqual([])
  )
  it("a job with every kind of reading fits the job's schema, and so does an export", () => {
    expect(fits.job(full) ? [] : fits.job.errors).toEqual([])
    const { job, acts } = DEMO_JOBS[0]!
    expect(fits.job(exportJob(job, acts)) ? [] : fits.job.errors).toEqual([])
  })

  it.each(SHEETS)('every assessment on %s fits its schema exactly', (id) => {
    const drive = sheet(id)
    const tensioner = drive.tensioners[0]!.id
    for (const readings of [
      [],
      [
        { kind: 'extension' as const, tensioner, value: 5 },
        { kind: 'condition' as const, target: tensioner, finding: 'oil-feed-blocked' }
      ]
    ]) {
      expect(fits.assessment(written(jobOf(readings, { drive }))) ? [] : fits.assessment.errors).toEqual([])
    }
    expect(fits.assessment({ ...written(full), more: 1 })).toBe(false)
  })

  it.each([
    ['teeth as text', (d: any) => (d.sprockets[0].teeth = '18')],
    ['zero teeth', (d: any) => (d.sprockets[0].teeth = 0)],
    ['half a link', (d: any) => (d.chains[0].links = 126.5)],
    ['a clock that is none', (d: any) => (d.marks[0].at = '13:00')],
    ['an empty name', (d: any) => (d.name = '')],
    ['no chains', (d: any) => (d.chains = [])],
    ['an id with spaces', (d: any) => (d.rails[0].id = 'a b')],
    ['another rotation', (d: any) => (d.rotation = 'left')],
    ['a point of three', (d: any) => (d.sprockets[0].centre = [0, 0, 0])],
    ['a version to come', (d: any) => (d.version = 2)],
    ['a negative price', (d: any) => (d.parts[0].price = -1)],
    ['tight links as text', (d: any) => (d.chains[0].counted = { freeLinks: 60, tight: { 'cam-in': '12' } })],
    ['needs that are no list', (d: any) => (d.waysIn = [{ id: 'w', name: 'W', needs: { p: 'x' } }])]
  ] as [string, (d: any) => void][])('schema and code refuse alike: %s', (_name, change) => {
    const broken = changed(sheet('ardmere-a18'), change)
    expect(schemaFaults(driveSchema, broken).length).toBeGreaterThan(0)
    expect(fits.drive(broken)).toBe(false)
  })

  it.each(NUMERIC_KINDS)('schema and code refuse a %s without its target alike', (kind) => {
    const bare = jobOf([{ kind, value: 1 } as Reading])
    expect(READING_KINDS[kind].target.length).toBeGreaterThan(0)
    expect([fits.job(bare), readJob(bare).job]).toEqual([false, null])
  })
})

describe('going round', () => {
  it('a job keeps everything it came with through import and export', () => {
    let n = 0
    const { job, acts } = importJob(full, { by: 'Maren', at: '2026-11-24T08:00:00.000Z', newId: () => `act-${n++}` })
    const out = exportJob(job!, acts)
    const bare = (readings: readonly object[]) =>
      readings.map((reading) =>
        Object.fromEntries(Object.entries(reading).filter(([key]) => !['id', 'by', 'at'].includes(key)))
      )
    expect({ ...out, readings: bare(out.readings) }).toMatchObject(
      JSON.parse(JSON.stringify({ ...full, readings: bare(full.readings) })) as object
    )
    expect(exportJob(importJob(out, { by: 'x', at: '', newId: () => '' }).job!, acts)).toEqual(out)
  })

  it('a file of a version to come is refused in plain words', () => {
    expect(faultWords(readJob({ ...full, version: 3 }))).toEqual([
      {
        place: 'version',
        message: 'is 3, newer than this program reads: expected 1. Update Umbrette, or export the file as version 1'
      }
    ])
    expect(faultWords(readJob({ ...full, version: 'one' }))[0]!.message).toBe('expected 1')
  })
})
