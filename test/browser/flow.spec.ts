import { writeAssessment } from '../../words/en'
import type { Page } from '@playwright/test'
import { execFile } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { promisify } from 'node:util'
import type { Assessment } from '../../core/paths'
import { readJob, type JobExport } from '../../core/record'
import type { BoardPage } from '../../server/store/board'
import { jobOf, read } from '../support/jobs'
import { elongation, enter, expect, newJob, openBench, part, test } from './bench'

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

test('from the board to a first changed estimate in two touches and one figure', async ({ page, request }) => {
  // A job of this test's own, like one of the demo's, the newest on the board.
  const { rows } = (await (await request.get('/api/board?search=pilot%20van%203')).json()) as BoardPage
  const file = (await (await request.get(`/api/jobs/${rows[0]!.id}/export`)).json()) as JobExport
  const { id } = (await (
    await request.post('/api/jobs/import?by=Maren', {
      data: {
        ...file,
        job: { ...file.job, vehicle: `Van ${crypto.randomUUID().slice(0, 8)}`, openedAt: new Date().toISOString() }
      }
    })
  ).json()) as { id: string }
  await page.goto('/')
  // What needs someone now may name it, too.
  await page.locator(`[data-testid=job][href="/jobs/${id}"]`).click()
  await expect(page.getByTestId('drive-map')).toBeVisible()
  const before = await page.getByTestId('stretch').textContent()
  await part(page, 'Exhaust cam sprocket').click()
  await enter(page, '7.5')
  await expect(page.getByTestId('change')).toContainText('The cam lag took elongation from')
  expect(await page.getByTestId('stretch').textContent()).not.toBe(before)
  await page.getByTestId('take-back').click()
  await expect(page.getByTestId('change')).toContainText('Taking that back')
  await expect(page.getByTestId('stretch')).toHaveText(before!)
})

test('the map draws the drive from its sheet, and touching a part opens its reading', async ({ page, request }) => {
  await openBench(page, await newJob(request))
  await expect(page.getByRole('group', { name: /turning clockwise/ })).toBeVisible()
  for (const [name, heading] of [
    ['Fixed guide', 'Limit 1.2 mm'],
    ['Hydraulic ratchet tensioner', 'Tensioner extension'],
    ['Intake cam sprocket', 'Cam lag'],
    ['Timing chain', 'Chain length']
  ] as const) {
    await part(page, name).click()
    await expect(page.getByRole('complementary').getByRole('heading', { level: 2 })).toHaveText(name)
    await expect(page.getByRole('complementary')).toContainText(heading)
  }
  await page.getByRole('button', { name: /^Crank sprocket to Exhaust cam sprocket: 53 links, not counted/ }).click()
  await expect(page.getByRole('complementary')).toContainText(
    '53 links on the sheet. Coloured links stand at the marks again after 14 crank turns'
  )
  await expect(part(page, 'Hydraulic ratchet tensioner')).toContainText('of 13.5 mm')
})

test('every kind of reading is saved with its method, name and time, and moves the estimate', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, 'Hydraulic ratchet tensioner').click()
  await page.getByRole('radio', { name: 'Yes', exact: true }).click()
  await enter(page, '16,5')
  await expect(page.getByTestId('extension')).toHaveText('16.5')
  expect(await elongation(page)).toBeGreaterThan(0.35)

  await part(page, 'Exhaust cam sprocket').click()
  await page.getByRole('radio', { name: /^Degree wheel/ }).click()
  await page.getByRole('radio', { name: 'Yes', exact: true }).first().click()
  await enter(page, '5.2')
  await expect(page.getByRole('button', { name: /^Exhaust cam sprocket: 5\.\d° late/ })).toBeVisible()

  await page.getByRole('button', { name: /^Crank sprocket to Exhaust cam sprocket/ }).click()
  await enter(page, '53')
  await expect(
    page.getByRole('button', { name: /^Crank sprocket to Exhaust cam sprocket: 53 links, counted 53/ })
  ).toBeVisible()

  await part(page, 'Fixed guide').click()
  await enter(page, '0.4')
  await expect(part(page, 'Fixed guide')).toContainText('0.4 of 1.2 mm worn')

  await part(page, 'Timing chain').click()
  await page.getByLabel('Over how many links').fill('30')
  await enter(page, '241.2')
  await expect(page.getByTestId('change')).toContainText('narrowed it')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

  const file = (await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport
  expect(file.readings.map(({ kind, value, method, by, links }) => [kind, value, method, by, links])).toEqual([
    ['extension', 16.5, 'calliper', 'Maren', undefined],
    ['camLag', 5.2, 'wheel', 'Maren', undefined],
    ['linkCount', 53, 'count', 'Maren', undefined],
    ['groove', 0.4, 'gauge', 'Maren', undefined],
    ['chainLength', 241.2, 'calliper', 'Maren', 30]
  ])
  for (const { at } of file.readings) expect(Math.abs(Date.now() - Date.parse(at ?? ''))).toBeLessThan(120_000)
})

test('a correction supersedes, the old reading stays on record, and one touch takes back', async ({
  page,
  request
}) => {
  const id = await newJob(request, [read.groove('guide', 0.4)])
  await openBench(page, id)
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await page.getByRole('button', { name: 'Correct' }).click()
  await expect(page.getByTestId('figure')).toHaveValue('0.4')
  await enter(page, '1.1')
  await part(page, 'Fixed guide').click()
  await expect(page.getByTestId('reading')).toHaveCount(1)
  await expect(page.getByTestId('reading')).toContainText('1.10 mm')
  await page.getByRole('button', { name: 'Show 1 earlier reading' }).click()
  await expect(page.getByTestId('past-reading')).toContainText('0.40 mm, Maren')
  await expect(page.getByTestId('past-reading')).toContainText('Corrected by Maren')

  await page.getByTestId('reading').getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByTestId('reading')).toContainText('0.40 mm')
  await page.getByTestId('past-reading').getByRole('button', { name: 'Put back' }).click()
  await expect(page.getByTestId('reading')).toContainText('1.10 mm')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await page.reload()
  await expect(page.getByTestId('reading')).toContainText('1.10 mm')
})

test('a jump shows with its odds on map, ledger and verdict; readings at odds are named', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(9), read.lag('cam-in', 2)])
  await openBench(page, id)
  await part(page, 'Exhaust cam sprocket').click()
  await page.getByRole('radio', { name: /^early/ }).click()
  await page.getByRole('radio', { name: 'Yes', exact: true }).first().click()
  await enter(page, '17.5')
  await expect(page.getByRole('region', { name: 'Stretch ledger' })).toContainText(/1 tooth early, [6-9]\d %/)
  await expect(page.getByTestId('change')).toContainText('Exhaust cam sprocket now reads 1 tooth early')

  await page.getByRole('link', { name: /Verdict/ }).click()
  await expect(page.getByTestId('plain').last()).toContainText('Exhaust cam sprocket has jumped 1 tooth early')
  await expect(page.getByTestId('call-cam-ex')).toHaveAttribute('data-call', 'stop')
  await expect(page.getByTestId('call-cam-ex')).toContainText('Count the links from mark to mark before the starter')

  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByRole('button', { name: /^Crank sprocket to Exhaust cam sprocket/ }).click()
  await enter(page, '53')
  await expect(page.getByTestId('at-odds').first()).toContainText("17.5° early fits the next tooth's mark")
})

const closing = [
  read.count('crank', 'cam-ex', 53),
  read.count('cam-ex', 'cam-in', 20),
  read.count('cam-in', 'crank', 53)
]

test('a reading that is probably wrong is marked with what it looks like, and one touch enters it the other way', async ({
  page,
  request
}) => {
  const id = await newJob(request, [read.extension(5), read.lag('cam-in', 0.8), read.lag('cam-ex', 20.4), ...closing])
  await page.goto(`/jobs/${id}?read=camLag:cam-ex`)
  await expect(page.getByTestId('looks-wrong')).toContainText("20.4° late fits the next tooth's mark")
  await expect(page.getByTestId('slip')).toHaveCount(1)
  await page.getByTestId('slip').getByTestId('other-way').click()
  await expect(page.getByTestId('reading')).toContainText('0.4° late')
  await expect(page.getByTestId('slip')).toHaveCount(0)
  // What was entered before stays where it was, corrected by whoever touched it.
  await page.getByRole('button', { name: 'Show 1 earlier reading' }).click()
  await expect(page.getByTestId('past-reading')).toContainText('20.4° late')
  await saved(page)
})

test('what nobody told is asked once at the first figure it shifts, and is part of the doubt until it is answered', async ({
  page,
  request
}) => {
  const answer = await request.post('/api/jobs/import?by=Maren', {
    data: { ...jobOf([read.extension(9), read.lag('cam-in', 2)]), corrections: undefined }
  })
  const { id } = (await answer.json()) as { id: string }
  await page.goto(`/jobs/${id}?read=camLag:cam-ex`)
  const untold = page.getByTestId('untold')
  await expect(untold.getByTestId('question')).toHaveCount(2)
  await expect(page.getByTestId('untold-doubt')).toContainText(
    'because nobody said whether the head or block was machined'
  )
  const before = await page.getByTestId('stretch').textContent()
  await untold.getByTestId('none-skim').click()
  await expect(untold.getByTestId('question')).toHaveCount(1)
  await expect(page.getByTestId('stretch')).not.toHaveText(before!)
  await untold.getByTestId('none-temperature').click()
  await expect(untold).toHaveCount(0)
  await saved(page)
  await page.reload()
  await expect(page.getByTestId('untold')).toHaveCount(0)
})

test('a doubt says what it is made of, and what would shrink it', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(9), read.lag('cam-in', 2)])
  await page.goto(`/jobs/${id}?station=4`)
  await page.getByTestId('doubt').first().click()
  const pane = page.getByTestId('doubt-pane')
  await expect(pane).toContainText('because the wear of tensioner arm is not known better')
  await expect(pane).toContainText(/: ±0\.\d\d to ±0\.\d\d, \d+ min/)
  await page.keyboard.press('Escape')
  await expect(pane).toHaveCount(0)
})

test('what to read next says its minutes and its worth, and when enough is known', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(9)])
  await page.goto(`/jobs/${id}?station=4`)
  await expect(page.getByTestId('next')).toContainText(/\d+ min, worth about \d+/)
  const all = await newJob(request, [
    read.extension(3),
    read.lag('cam-ex', 0.3),
    read.lag('cam-in', 0.3),
    ...closing,
    read.length(160.02),
    { ...read.groove('guide', 0.05), method: 'gauge' },
    { ...read.groove('arm', 0.05), method: 'gauge' },
    { ...read.pad(0.1), method: 'gauge' },
    { ...read.play('phaser-in', 0.1), method: 'dial' },
    { ...read.play('phaser-ex', 0.1), method: 'dial' }
  ])
  await page.goto(`/jobs/${all}?station=4`)
  await expect(page.getByTestId('enough')).toContainText('Nothing that is left to read is worth its minutes.')
})

test('the verdict calls each part under the chosen school, with readings, limits and couplings', async ({
  page,
  request
}) => {
  const id = await newJob(request, [
    read.extension(18),
    read.lag('cam-ex', 6.5),
    read.length(160.95),
    read.groove('guide', 0.3)
  ])
  await page.goto(`/jobs/${id}/verdict`)
  const chain = page.getByTestId('call-main')
  await expect(chain).toHaveAttribute('data-call', 'renew')
  await expect(chain).toContainText('Chain length 160.95 mm over 20 links, calliper, Maren')
  await expect(chain).toContainText('Limit 0.5 %, from sample sheet')
  for (const id of ['guide', 'arm', 'tensioner'])
    await expect(page.getByTestId(`call-${id}`)).toContainText('a new chain gets new rails and tensioner')

  const other = await newJob(request, [
    read.extension(5),
    read.length(160.1),
    read.groove('guide', 0.2),
    read.groove('arm', 0.2)
  ])
  await page.goto(`/jobs/${other}/verdict`)
  await expect(page.getByTestId('call-guide')).toHaveAttribute('data-call', 'back-in')
  await page.getByRole('radio', { name: 'Whole set' }).click()
  await expect(page.getByTestId('call-guide')).toHaveAttribute('data-call', 'renew')
  await expect(page.getByTestId('call-guide')).toContainText('access costs more than the part')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await page.reload()
  await expect(page.getByRole('radio', { name: 'Whole set' })).toBeChecked()
})

test('a job exported from the page is assessed by the command and comes back on another machine, losing nothing', async ({
  page,
  request
}, info) => {
  const id = await newJob(request, [read.extension(13), read.groove('guide', 0.4), read.length(160.6)])
  await openBench(page, id)
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await page.getByTestId('reading').getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export' }).click()
  ])
  const path = info.outputPath('job.json')
  await download.saveAs(path)
  expect(download.suggestedFilename()).toBe('ardmere-a18-1-8-l-four.umbrette-job.json')

  const { assessment } = (await (await request.get(`/api/jobs/${id}`)).json()) as { assessment: Assessment }
  const { stdout } = await promisify(execFile)('npm', ['run', '--silent', 'assess', '--', path])
  const assessed = JSON.parse(stdout) as Assessment
  expect(assessed).toEqual(
    JSON.parse(JSON.stringify(writeAssessment(readJob(JSON.parse(readFileSync(path, 'utf8'))).job!, assessment)))
  )
  await expect(page.getByTestId('elongation')).toHaveText((100 * assessed.chains.main!.elongation.mean).toFixed(2))

  await page.goto('/')
  await page.getByLabel('Job file to import').setInputFiles(path)
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+$/)
  await expect(page.getByTestId('drive-map')).toBeVisible()
  const copy = new URL(page.url()).pathname.split('/')[2]
  expect(copy).not.toBe(id)
  expect(await (await request.get(`/api/jobs/${copy}/export`)).json()).toEqual(JSON.parse(readFileSync(path, 'utf8')))
})

test('a broken or foreign file is refused line by line and nothing of it is kept', async ({ page, request }, info) => {
  const jobs = async () => ((await (await request.get('/api/board')).json()) as { total: number }).total
  await page.goto('/')
  await expect(page.getByTestId('who')).toBeVisible()
  const take = async (content: string) => {
    const path = info.outputPath('broken.json')
    writeFileSync(path, content)
    await page.getByLabel('Job file to import').setInputFiles(path)
  }
  await take('{ "format": "umbr')
  await expect(page.getByTestId('import-problem')).toContainText('broken.json: That is not JSON')
  await take(JSON.stringify({ format: 'umbrette-drive', version: 1 }))
  await expect(page.getByTestId('import-problem')).toContainText('what kind of file it is expected umbrette-job')
  await take(
    JSON.stringify({
      format: 'umbrette-job',
      version: 1,
      drive: { format: 'umbrette-drive' },
      usage: { value: 1, unit: 'km' },
      school: 'on-evidence',
      readings: []
    })
  )
  await expect(page.getByTestId('import-problem')).toContainText('the drive sheet: sprockets is missing')
  expect(await jobs()).toBeGreaterThan(0)
  await expect(page).toHaveURL(/\/$/)
})

test('a new job is opened from the board', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('dialog')).toContainText('Name the vehicle.')
  await page.getByLabel('Vehicle or boat').fill('Workboat Curlew')
  await page.getByLabel('Stand').fill('Bay 4')
  await page.getByRole('combobox', { name: 'Engine' }).selectOption({ label: 'Vellora V28, 2.8 l V6' })
  await page.getByRole('textbox', { name: 'Usage' }).fill('3100')
  await page.getByRole('radio', { name: 'hours' }).click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Workboat Curlew Bay 4, 3 100 hours')
  await expect(page.getByTestId('elongation')).toHaveCount(2)
})
