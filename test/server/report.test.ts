import { writeAssessment } from '../../words/en'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import Papa from 'papaparse'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { type Act, assessRecord, exportJob, importJob, jobFile } from '../../core/record'
import { CORE_VERSION } from '../../core/paths'
import { svgOf } from '../../draw/shapes'
import { DEMO_JOBS } from '../../demo/workshop'
import { readingsCsv } from '../../server/csv/readingsCsv'
import { reportPdf } from '../../server/pdf/reportPdf'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

const faces = {
  regular: readFileSync('server/assets/fonts/Barlow-Regular.ttf'),
  bold: readFileSync('server/assets/fonts/Barlow-SemiBold.ttf')
}
const VAN = DEMO_JOBS[0]!.id
const HOSTILE = '<script>alert(1)</script> =HYPERLINK("x") \u202Eمرحبا 🚗 ' + 'word '.repeat(300)
const act = (id: string, more: object): Act => ({ id, by: 'Maren', at: '2026-11-24T08:00:00.000Z', ...more }) as Act

const pages = (pdf: Buffer) => execFileSync('pdfinfo', ['-'], { input: pdf, encoding: 'utf8' })
const words = (pdf: Buffer) =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' }).replaceAll(/\s+/g, ' ')

describe('the report as PDF', () => {
  it('says what the screen says, with every figure, pages numbered, fonts embedded', async () => {
    const drawn = await workshop.reports.jobReport(VAN)
    const text = words(await reportPdf(drawn, new Map(), 'a4', faces))
    const { report } = drawn
    for (const said of [
      ...report.happened,
      ...report.paths.map(({ priceWords }) => priceWords),
      ...report.measures.map(({ limit }) => limit.split(',')[0]!),
      ...report.ifLeft
    ])
      expect(text.replaceAll(' ', '')).toContain(said.replaceAll(/\s/g, ''))
    expect(text).toMatch(/Page 1 of \d+/)
    const fonts = execFileSync('pdffonts', ['-'], {
      input: await reportPdf(drawn, new Map(), 'a4', faces),
      encoding: 'utf8'
    })
      .split('\n')
      .slice(2)
      .filter(Boolean)
    expect(fonts.length).toBeGreaterThan(0)
    for (const font of fonts) expect(font).toMatch(/Barlow.*\syes\s+yes/)
  })
  it('comes on A4 and on letter', async () => {
    const drawn = await workshop.reports.jobReport(VAN)
    expect(pages(await reportPdf(drawn, new Map(), 'a4', faces))).toMatch(/Page size:\s+595\.28 x 841\.89/)
    expect(pages(await reportPdf(drawn, new Map(), 'letter', faces))).toMatch(/Page size:\s+612 x 792/)
  })
  it('takes hostile and endless words, letters it has no shape for, and a broken picture list, without harm', async () => {
    const drawn = await workshop.reports.jobReport(VAN)
    const report = {
      ...drawn.report,
      vehicle: HOSTILE.slice(0, 120),
      complaint: HOSTILE,
      photos: [{ id: 'p', caption: HOSTILE }],
      calls: drawn.report.calls.map((call) => ({ ...call, why: HOSTILE }))
    }
    const jpeg = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#888' } })
      .jpeg()
      .toBuffer()
    const text = words(await reportPdf({ report, map: drawn.map }, new Map([['p', jpeg]]), 'letter', faces))
    expect(text).toContain('<script>alert(1)</script>')
    expect(text).not.toMatch(/[\u202E\uFFFD]/)
  })
})

it('readings as CSV come back as they are, and no cell starts a formula', () => {
  const { job } = DEMO_JOBS[0]!
  const csv = readingsCsv(job, [
    act('a', { type: 'read', by: '=cmd|x', reading: { ...read.groove('guide', 0.4), note: HOSTILE } }),
    act('b', { type: 'read', reading: { ...read.lag('cam-in', -2.5), note: '@sum' } })
  ])
  const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
  expect(data.map(({ kind, value }) => [kind, value])).toEqual([
    ['groove', '0.4'],
    ['camLag', '-2.5']
  ])
  expect(data[0]!.by).toBe("'=cmd|x")
  expect(data[1]!.note).toBe("'@sum")
})

it('the map as SVG is well formed and shows hostile words as words', async () => {
  const { map } = await workshop.reports.jobReport(VAN)
  const svg = svgOf(
    map!,
    { ground: '#fff', line: '#000', faint: '#999', lit: '#c80', limit: '#c08' },
    `${HOSTILE}\u0000`
  )
  expect(svg).not.toContain('<script')
  await expect(sharp(Buffer.from(svg)).png().toBuffer()).resolves.toBeInstanceOf(Buffer)
})

describe('a link for the customer', () => {
  it('shows the report as it was shared, whatever is read later', async () => {
    const { token } = await workshop.shares.createShare(VAN, 'Maren', 14)
    const before = (await workshop.shares.openShare(token)).report
    await workshop.acts.addAct(VAN, act('later', { type: 'read', reading: read.groove('guide', 1.1) }))
    expect((await workshop.shares.openShare(token)).report).toEqual(before)
    expect((await workshop.reports.jobReport(VAN)).report).not.toEqual(before)
  })
  it('of which only a hash is kept; unknown, revoked and expired ones refuse', async () => {
    const { token, id } = await workshop.shares.createShare(VAN, 'Maren', 3)
    const [kept] = await workshop.sequelize.query('select token_hash from shares', { plain: false })
    expect(JSON.stringify(kept)).not.toContain(token)
    await expect(workshop.shares.openShare('guess')).rejects.toMatchObject({ code: 'not-found' })
    await workshop.shares.revokeShare(VAN, id)
    await expect(workshop.shares.openShare(token)).rejects.toMatchObject({ code: 'gone' })
    await expect(workshop.shares.choose(token, 0, 'Ada')).rejects.toMatchObject({ code: 'gone' })
    const late = await workshop.shares.createShare(VAN, 'Maren', 1)
    await workshop.sequelize.query("update shares set expires_at = now() - interval '1 minute'")
    await expect(workshop.shares.openShare(late.token)).rejects.toMatchObject({ code: 'gone' })
    expect((await workshop.shares.listShares(VAN)).length).toBeGreaterThan(1)
  })
  it("the customer's choice comes back to the job under the name typed", async () => {
    const { token } = await workshop.shares.createShare(VAN, 'Maren', 3)
    const { report } = await workshop.shares.openShare(token)
    await workshop.shares.choose(token, 1, 'Ada Quay')
    const chosen = (await workshop.jobs.findJob(VAN)).acts.at(-1)!.act
    expect(chosen).toMatchObject({
      type: 'choice',
      by: 'Ada Quay',
      renew: report.paths[1]!.renew,
      price: report.paths[1]!.price
    })
    await expect(workshop.shares.choose(token, 99, 'Ada Quay')).rejects.toMatchObject({ code: 'bad-input' })
  })
  it('a photo that is not part of the report is not shown through it', async () => {
    const { token } = await workshop.shares.createShare(VAN, 'Maren', 3)
    await expect(workshop.shares.sharedPhoto(token, randomUUID(), 'body')).rejects.toMatchObject({ code: 'not-found' })
  })
  it('a photo taken after the report was shared is not shown through it, nor one of another job', async () => {
    const picture = await sharp({ create: { width: 20, height: 20, channels: 3, background: 'red' } })
      .jpeg()
      .toBuffer()
    const put = async (id: string) => {
      const photo = await workshop.photos.addPhoto(VAN, picture)
      await workshop.acts.addAct(VAN, act(id, { type: 'photo', photo: photo.id, part: 'guide' }))
      return photo.id
    }
    const shown = await put('photo-shown')
    const { token } = await workshop.shares.createShare(VAN, 'Maren', 3)
    const later = await put('photo-later')
    expect((await workshop.shares.sharedPhoto(token, shown, 'body')).length).toBeGreaterThan(100)
    await expect(workshop.shares.sharedPhoto(token, later, 'body')).rejects.toMatchObject({ code: 'not-found' })
  })
  it('the same choice again counts once, no link takes more than twenty, and none is entered past a link', async () => {
    const { token } = await workshop.shares.createShare(VAN, 'Maren', 3)
    const choices = async () =>
      (await workshop.jobs.findJob(VAN)).acts.filter((one) => one.act.type === 'choice').length
    const before = await choices()
    await Promise.all([0, 1, 2].map(() => workshop.shares.choose(token, 0, 'Ada Quay')))
    expect(await choices()).toBe(before + 1)
    for (let i = 0; i < 19; i++) await workshop.shares.choose(token, i % 2 ? 0 : 1, 'Ada Quay')
    await expect(workshop.shares.choose(token, 0, 'Ada Quay')).rejects.toMatchObject({ code: 'conflict' })
    expect(await choices()).toBe(before + 20)
    await expect(
      workshop.acts.addAct(VAN, act('forged', { type: 'choice', share: 'x', renew: [], price: 0 }))
    ).rejects.toMatchObject({ code: 'bad-input' })
  })
  it('a link of a job that was deleted is gone, and back when the job is', async () => {
    const id = randomUUID()
    await workshop.jobs.insertJob(id, DEMO_JOBS[0]!.job, DEMO_JOBS[0]!.acts)
    const { token } = await workshop.shares.createShare(id, 'Maren', 3)
    await workshop.acts.addAct(id, act('gone', { type: 'state', state: 'deleted' }))
    await expect(workshop.shares.openShare(token)).rejects.toMatchObject({ code: 'gone' })
    await expect(workshop.shares.choose(token, 0, 'Ada')).rejects.toMatchObject({ code: 'gone' })
    await workshop.acts.addAct(id, act('back', { type: 'undo', act: 'gone' }))
    await expect(workshop.shares.openShare(token)).resolves.toBeTruthy()
  })
})

describe('signing a verdict', () => {
  const ID = DEMO_JOBS[1]!.id
  const signs = async (id: string, more: object = {}) => {
    const { acts } = await workshop.jobs.findJob(ID)
    return act(id, { type: 'signoff', seen: acts.at(-1)!.act.id, ...more } as never)
  }
  it('is refused when the job has changed since it was looked at; else the server makes it from what it holds', async () => {
    const early = await signs('early')
    await workshop.acts.addAct(
      ID,
      act('between', { type: 'read', reading: { kind: 'padWear', tensioner: 'lifter', value: 0.1 } })
    )
    await expect(workshop.acts.addAct(ID, early)).rejects.toMatchObject({ code: 'conflict' })
    const now = await signs('now')
    const { job, acts } = await workshop.jobs.findJob(ID)
    const kept = await workshop.acts.addAct(ID, now)
    const list = acts.map((a) => a.act)
    expect(kept.act).toEqual({
      ...now,
      revision: 1,
      core: CORE_VERSION,
      sheetRevision: 1,
      assessment: assessRecord(job, list),
      acts: list.map(({ id }) => id)
    })
    expect(await workshop.acts.addAct(ID, now)).toEqual(kept)
    await expect(workshop.acts.addAct(ID, { ...now, id: 'again' })).rejects.toMatchObject({ code: 'conflict' })
    expect((await workshop.acts.addAct(ID, await signs('second'))).act).toMatchObject({ revision: 2 })
  })
  it('what a page says the verdict is, is not taken', async () => {
    await expect(
      workshop.acts.addAct(ID, await signs('forged', { assessment: {}, revision: 9 }))
    ).rejects.toMatchObject({
      code: 'bad-input',
      faults: expect.arrayContaining([{ place: 'assessment', code: 'unknown-field', figures: {} }])
    })
  })
  it('one that comes with a file is marked, unless it comes out the same here', async () => {
    const { job, acts } = await workshop.jobs.findJob(ID)
    const file = JSON.parse(
      JSON.stringify(
        exportJob(
          job,
          acts.map((a) => a.act)
        )
      )
    ) as { acts: { type: string; assessment?: { chains: Record<string, { elongation: { mean: number } }> } }[] }
    const taken = () =>
      importJob(file, { by: 'x', at: '2026-11-24T08:00:00.000Z', newId: () => 'n' })
        .acts.filter(({ type }) => type === 'signoff')
        .map((one) => (one as { unchecked?: boolean }).unchecked)
    expect(taken()).toEqual([undefined, undefined])
    Object.values(file.acts.find(({ type }) => type === 'signoff')!.assessment!.chains)[0]!.elongation.mean = 0
    expect(taken()).toEqual([true, undefined])
  })
  it('the assessment is the same byte for byte from the command line', async () => {
    const { job, acts } = await workshop.jobs.findJob(ID)
    const list = acts.map((a) => a.act)
    const file = join(mkdtempSync(join(tmpdir(), 'umbrette-')), 'job.json')
    writeFileSync(file, JSON.stringify(jobFile(job, list)))
    const out = execFileSync('npm', ['run', '--silent', 'assess', '--', file], { encoding: 'utf8' })
    expect(out.trim()).toBe(JSON.stringify(writeAssessment(jobFile(job, list), assessRecord(job, list))))
  })
})
