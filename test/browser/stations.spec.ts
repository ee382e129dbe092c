import { writeFileSync } from 'node:fs'
import sharp from 'sharp'
import type { JobExport } from '../../core/record'
import { DEMO_JOBS, DEMO_SHEETS } from '../../demo/workshop'
import { simulatedScan } from '../../demo/scanSource'
import { read } from '../support/jobs'
import { elongation, enter, expect, newJob, openBench, part, test } from './bench'

const exported = async (request: import('@playwright/test').APIRequestContext, id: string) =>
  (await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport
const saved = (page: import('@playwright/test').Page) =>
  expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

test('1 complaint: suspects are ranked again with every answer, and an answer is taken back with a touch', async ({
  page,
  request
}) => {
  await page.goto(`/jobs/${await newJob(request)}`)
  await expect(page.getByRole('heading', { name: 'What is it brought in for?' })).toBeVisible()
  const first = page.getByTestId('suspect').first()
  await page.getByTestId('finding-noise-warm-idle').click()
  await expect(first).toContainText('Contact of arm and tensioner worn')
  await expect(first).toContainText('like a sewing machine')
  await page.getByTestId('finding-noise-always').click()
  await expect(page.getByTestId('finding-noise-warm-idle')).toHaveAttribute('aria-pressed', 'false')
  await expect(first).not.toContainText('Contact of arm')
  await page.getByTestId('finding-oil-glitter').click()
  await expect(first).toContainText(/Phaser loose|Rail worn/)
  await page.getByTestId('finding-noise-always').click()
  await expect(page.getByTestId('finding-noise-always')).toHaveAttribute('aria-pressed', 'false')
  await expect(page.getByRole('complementary', { name: 'Suspects' })).toContainText('new is not good')
})

test('2 before the covers: advice with odds; the practice source is plugged in and its cams taken as readings', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}?station=2`)
  await expect(page.getByTestId('opening')).toContainText('Measure first')
  await page.getByTestId('plug-in').click()
  await expect(page.getByTestId('scan-log')).toContainText('samples at a warm idle')
  await page.getByTestId('keep-scan').click()
  await expect(page.getByTestId('change')).toBeVisible()
  await saved(page)
  expect((await exported(request, id)).readings.map((r) => [r.kind, r.sprocket, r.method])).toEqual([
    ['camLag', 'cam-ex', 'scan'],
    ['camLag', 'cam-in', 'scan']
  ])
  await page.getByTestId('finding-oil-plastic').click()
  await expect(page.getByTestId('opening')).toContainText('Open it')
})

test('2 a CSV log shows a jumped cam, and one that is no log says which columns it needs', async ({
  page,
  request
}, info) => {
  await page.goto(`/jobs/${await newJob(request)}?station=2`)
  const take = async (name: string, text: string) => {
    writeFileSync(info.outputPath(name), text)
    await page.getByTestId('scan-input').setInputFiles(info.outputPath(name))
  }
  await expect(page.getByTestId('who')).toBeVisible()
  await take('other.csv', 'speed,load\n1,2\n')
  await expect(page.getByTestId('scan-log')).toContainText(
    'its columns must be named time_s, rpm, coolant_c, cam-ex_commanded'
  )
  await take('jumped.csv', simulatedScan(DEMO_SHEETS[0]!, { teeth: { 'cam-in': -1 } }, 3))
  await expect(page.getByTestId('scan-log')).toContainText(/Intake cam sprocket(19|20)\.\d° early/)
  await page.getByTestId('keep-scan').click()
  await expect(page.getByTestId('opening')).toContainText('do not turn it by the starter')
})

test('3 the link counter: touches, keys, halves, one back, start again; runs follow one another and are checked against the sum', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page.getByRole('button', { name: /^Crank sprocket to Exhaust cam sprocket/ }).click()
  const count = page.getByTestId('count')
  await page.getByTestId('count-link').click()
  await page.getByTestId('count-link').click()
  await page.getByTestId('count-half').click()
  await expect(count).toHaveText('2.5')
  await page.getByTestId('count-again').click()
  await expect(count).toHaveText('0')
  await page.getByTestId('count-link').focus()
  for (let i = 0; i < 54; i++) await page.keyboard.press('+')
  await page.keyboard.press('-')
  await expect(count).toHaveText('53')
  await page.getByTestId('save').click()
  await expect(
    page.getByRole('button', { name: /^Exhaust cam sprocket to Intake cam sprocket: 20 links/ })
  ).toHaveAttribute('aria-pressed', 'true')
  await enter(page, '20')
  await expect(page.getByRole('button', { name: /^Intake cam sprocket to Crank sprocket/ })).toHaveAttribute(
    'aria-pressed',
    'true'
  )
  await page.getByTestId('figure').fill('52')
  await expect(page.getByRole('complementary')).toContainText(
    'Together 125, but the chain has 126: 1 too few. Count again.'
  )
  await page.getByTestId('figure').fill('53')
  await expect(page.getByRole('complementary')).toContainText('Together 126: they close the loop.')
})

test('3 a lag from the clock position of the mark or from both flanks of the lift; a skimmed head shifts the answer', async ({
  page,
  request
}) => {
  const id = await newJob(request, [read.extension(12)])
  await openBench(page, id)
  await part(page, 'Exhaust cam sprocket').click()
  await expect(page.getByRole('complementary')).toContainText('Its mark belongs at 11:00, turning clockwise')
  await page.getByRole('radio', { name: 'clock position' }).click()
  await page.getByLabel('Clock position of the mark').fill('10:55')
  await page.getByTestId('take-lag').click()
  await expect(page.getByTestId('figure')).toHaveValue('5')
  await expect(page.getByRole('radio', { name: /^late/ })).toBeChecked()
  await page.getByRole('radio', { name: 'valve lift', exact: true }).click()
  for (const [label, value] of [
    ['Opening, found', '358'],
    ['Opening, should', '355'],
    ['Closing, found', '224'],
    ['Closing, should', '220']
  ] as const)
    await page.getByLabel(label).fill(value)
  await page.getByTestId('take-lag').click()
  await expect(page.getByTestId('figure')).toHaveValue('3.5')
  await page.getByTestId('save').click()

  const before = await elongation(page)
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /Set to the mark/ })
    .click()
  await page.getByRole('button', { name: /Engine$/ }).click()
  await page.getByLabel(/skimmed/).fill('0.3')
  await page.getByRole('complementary').getByRole('button', { name: 'Save' }).click()
  await expect(page.getByTestId('change')).toContainText('What is known of the engine took elongation')
  expect(await elongation(page)).toBeLessThan(before)
  await saved(page)
  // Saved, everything was asked: what was left empty is none.
  expect((await exported(request, id)).corrections).toEqual({ skim: { 1: 0.3 }, offsetKeys: {}, temperature: {} })
})

test('4 tension: notches as they are seen through the plug, and findings beside the figure', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /Tension/ })
    .click()
  await page.getByRole('radio', { name: 'notches showing' }).click()
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'One notch more' }).click()
  await expect(page.getByRole('img', { name: /^5 of at most 10 notches showing, about 11\.9 mm out/ })).toBeVisible()
  await page.getByTestId('save').click()
  await part(page, 'Hydraulic ratchet tensioner').click()
  await page.getByTestId('side-findings').click()
  await page.getByTestId('finding-witness-mark').click()
  await saved(page)
  expect((await exported(request, id)).readings.map((r) => r.notches ?? r.finding)).toEqual([5, 'witness-mark'])
})

test('5 rails: missing pieces hold the engine until found or accepted in writing', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, 'Fixed guide').click()
  await page.getByTestId('side-findings').click()
  await page.getByTestId('finding-piece-missing').click()
  await page.getByRole('button', { name: 'One more' }).click()
  await page.getByRole('complementary').getByRole('button', { name: 'Save', exact: true }).click()
  const ledger = page.getByTestId('fragments')
  await expect(ledger).toContainText('2 of 2 pieces are not accounted for')
  await ledger.getByRole('button', { name: 'Accepted in writing' }).click()
  await expect(ledger.getByRole('alert')).toContainText('Write why it may stay')
  await page.getByLabel('Where found, or why accepted').fill('In the pickup')
  await ledger.getByRole('button', { name: 'One piece more' }).click()
  await ledger.getByRole('button', { name: 'Found', exact: true }).click()
  await expect(ledger).toContainText('All 2 accounted for')
  await ledger.getByRole('button', { name: 'Take back' }).last().click()
  await expect(ledger).toContainText('2 of 2 pieces are not accounted for')
  await saved(page)
  await page.getByRole('link', { name: /Verdict/ }).click()
  await expect(page.getByTestId('call-engine')).toHaveAttribute('data-call', 'stop')
  await expect(page.getByTestId('call-engine')).toContainText('Released by: Every piece found')
})

test('6 phasers: noise only and able to come apart are different calls', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /Phasers/ })
    .click()
  await page.getByTestId('side-findings').click()
  await page.getByTestId('finding-cover-bolts-loose').click()
  await expect(page.getByRole('complementary')).toContainText('Stop')
  await page.getByTestId('finding-cover-bolts-loose').click()
  await page.getByTestId('finding-cold-start-rattle').click()
  await expect(page.getByRole('complementary')).not.toContainText('Stop')
})

test('7 chain on the bench: three places that differ are a finding, paint marks another', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /Chain on the bench/ })
    .click()
  await page.getByRole('radio', { name: 'one', exact: true }).click()
  for (const [place, figure] of [
    ['one', '160.1'],
    ['two', '160.2'],
    ['three', '161.3']
  ] as const) {
    await expect(page.getByRole('radio', { name: place, exact: true })).toBeChecked()
    await enter(page, figure)
  }
  await saved(page)
  await page.getByRole('link', { name: /Verdict/ }).click()
  await expect(page.getByTestId('call-main')).toContainText('Worn unevenly: 3 places differ by 0.75 points')
})

test('photos are turned upright and kept; an odd file is refused clearly; a photo is taken back', async ({
  page,
  request
}, info) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, 'Fixed guide').click()
  await page.getByTestId('side-findings').click()
  await page.getByTestId('finding-cracked').click()
  await page.getByTestId('side-photos').click()
  writeFileSync(info.outputPath('notes.jpg'), 'no picture at all')
  await page.getByTestId('photo-input').setInputFiles(info.outputPath('notes.jpg'))
  await expect(page.getByRole('complementary').getByRole('alert')).toContainText('This is no picture that can be read')
  const noise = Buffer.from(Array.from({ length: 1800 * 1200 * 3 }, (_, i) => (i * 7919 + (i >> 5) * 104729) & 255))
  await sharp(noise, { raw: { width: 1800, height: 1200, channels: 3 } })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 100 })
    .toFile(info.outputPath('rail.jpg'))
  await page.getByLabel('What it shows').fill('Groove at the lower end')
  await page.getByTestId('photo-shows').selectOption({ label: 'cracked' })
  await page.getByTestId('photo-input').setInputFiles(info.outputPath('rail.jpg'))
  const picture = page.getByTestId('photo').getByRole('img', { name: 'Groove at the lower end' })
  await expect(picture).toBeVisible()
  expect(
    await picture.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalHeight > img.naturalWidth))
  ).toBe(true)
  await saved(page)
  await page.reload()
  await part(page, 'Fixed guide').click()
  await page.getByTestId('side-photos').click()
  await expect(page.getByTestId('photo')).toHaveCount(1)
  await expect(page.getByTestId('photo')).toContainText('cracked')
  // It stands with what was found, too.
  await page.getByTestId('side-findings').click()
  await expect(page.getByRole('list', { name: 'Who found it' }).getByRole('link', { name: 'photo' })).toBeVisible()
  await page.getByTestId('side-photos').click()
  await page.getByTestId('photo').getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByTestId('photo')).toHaveCount(0)
})

test('a photo taken while the server is away outlives a reload and is sent once it is back', async ({
  page,
  request,
  context
}, info) => {
  const id = await newJob(request)
  await sharp({ create: { width: 640, height: 480, channels: 3, background: '#456' } })
    .jpeg()
    .toFile(info.outputPath('groove.jpg'))
  await context.route('**/api/jobs/*/photos*', (route) => route.abort('connectionreset'))
  await openBench(page, id)
  await part(page, 'Fixed guide').click()
  await page.getByTestId('side-photos').click()
  await page.getByLabel('What it shows').fill('Groove, kept')
  await page.getByTestId('photo-input').setInputFiles(info.outputPath('groove.jpg'))
  await expect(page.getByTestId('photos-waiting')).toContainText('1 photo waits')
  await expect(page.getByTestId('save-state')).toContainText('1 entry waits on this device')
  await page.reload()
  await expect(page.getByTestId('save-state')).toContainText('1 entry waits on this device')
  await context.unroute('**/api/jobs/*/photos*')
  await page.getByTestId('save-state').getByRole('button', { name: 'Send now' }).click()
  await saved(page)
  await part(page, 'Fixed guide').click()
  await page.getByTestId('side-photos').click()
  await expect(page.getByRole('img', { name: 'Groove, kept' })).toHaveCount(1)
})

test('what is known of a fitted part stands with who said it, and new is not called good', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, 'Hydraulic ratchet tensioner').click()
  await page.getByTestId('side-about').click()
  await expect(page.getByRole('complementary')).toContainText('Superseded: first design')
  await page.getByLabel('Make').fill('unmarked')
  await page.getByLabel(/Fitted at/).fill('900000')
  await page.getByRole('complementary').getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('from 0 to 148200')
  await page.getByLabel(/Fitted at/).fill('120000')
  await page.getByRole('complementary').getByRole('button', { name: 'Save' }).click()
  await saved(page)
  expect((await exported(request, id)).fitted).toEqual({ tensioner: 120_000 })
})

test('a whole job is entered with the keyboard alone', async ({ page, request }) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}`)
  await expect(page.getByTestId('who')).toBeVisible()
  await page.keyboard.press('4')
  await expect(page.getByRole('heading', { level: 2, name: 'Hydraulic ratchet tensioner' })).toBeVisible()
  const figure = page.getByTestId('figure')
  const next = page.getByTestId('next')
  const sheet = page.getByRole('complementary')
  const place = async () =>
    `${await sheet.getByRole('heading', { level: 2 }).textContent()}: ${await sheet.getByRole('group', { name: 'What is read here' }).getByRole('button', { pressed: true }).textContent()}`
  /** Saved, and gone on to another reading, or none is left. */
  const wentOnFrom = (before: string) =>
    expect.poll(async () => (await next.count()) === 0 || (await place()) !== before).toBe(true)
  await figure.focus()
  const first = await place()
  await page.keyboard.type('9.1')
  await page.keyboard.press('Enter')
  await wentOnFrom(first)
  while ((await next.count()) > 0) {
    await expect(figure).toHaveValue('')
    await expect(figure).toBeFocused()
    const here = await place()
    const typed = /Chain length/.test(here)
      ? '160.3'
      : /Longer/.test(here)
        ? '0.3'
        : /Cam lag/.test(here)
          ? '1.5'
          : /Exhaust cam to Intake/.test(here)
            ? '20'
            : / to /.test(here)
              ? '53'
              : '0.3'
    await page.keyboard.type(typed)
    await page.keyboard.press('Enter')
    await wentOnFrom(here)
  }
  await expect(page.getByText('Everything that can be read on this drive was read.')).toBeVisible()
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await page.keyboard.press('Escape')
  await expect(figure).not.toBeFocused()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('go to that station')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.keyboard.press('8')
  await expect(page).toHaveURL(/verdict$/)
  await expect(page.getByTestId('call-main')).toHaveAttribute('data-call', 'back-in')
})

test('inches are shown and taken, metric is kept; the keypad types for gloves', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page.getByTestId('units').click()
  await page.getByRole('radio', { name: 'inches' }).click()
  await page.getByRole('radio', { name: 'miles' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('92 087 miles')
  await part(page, 'Fixed guide').click()
  await expect(page.getByRole('complementary')).toContainText('Limit 0.047 in')
  await page.getByTestId('keypad').click()
  for (const key of ['0', 'Decimal point', '0', '2', '1', 'Delete last digit'])
    await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: key, exact: true }).click()
  await expect(page.getByTestId('figure')).toHaveValue('0.02')
  await page.getByTestId('save').click()
  await saved(page)
  expect((await exported(request, id)).readings[0]!.value).toBeCloseTo(0.508, 9)
  await page.reload()
  await expect(part(page, 'Fixed guide')).toContainText(/0\.0\d\d of 0\.047 in worn/)
})

test('the map has a table of the same figures, and wear can be exaggerated', async ({ page, request }) => {
  await openBench(page, await newJob(request, [read.extension(13), read.length(160.6)]))
  const arm = page.locator('[data-testid=drive-map] path').nth(1)
  const before = await arm.getAttribute('d')
  await page.getByTestId('exaggerate').fill('4')
  await expect(arm).not.toHaveAttribute('d', before!)
  await page.getByTestId('map-table').click()
  const table = page.getByTestId('map-figures')
  await expect(table.getByRole('row', { name: /Hydraulic ratchet tensioner 13\.0 of 13\.5 mm/ })).toBeVisible()
  await expect(table.getByRole('row', { name: /Crank sprocket to Exhaust cam sprocket 53 links/ })).toBeVisible()
  await table.getByRole('button', { name: 'Fixed guide' }).click()
  await expect(page.getByRole('heading', { level: 2, name: 'Fixed guide' })).toBeVisible()
})

test("one part's readings are entered on a telephone", async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const id = await newJob(request)
  await page.goto(`/jobs/${id}?station=5`)
  await expect(page.getByTestId('figure')).toBeVisible()
  await enter(page, '0.4')
  await saved(page)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  expect((await exported(request, id)).readings).toHaveLength(1)
})

test('each demo job shows what it teaches', async ({ request }) => {
  const calls = async (vehicle: string) => {
    const { id } = DEMO_JOBS.find((d) => d.job.vehicle === vehicle)!
    const { assessment } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
      assessment: import('../../core/paths').Assessment
    }
    return { of: (p: string) => assessment.calls.find((c) => c.part === p)?.call, assessment }
  }
  expect((await calls('Pilot van 3')).of('main')).toBe('renew')
  const rail = await calls('Patrol motorcycle 12')
  expect([rail.of('cam-chain'), rail.of('guide')]).toEqual(['back-in', 'renew'])
  expect((await calls('Pilot van 1')).of('cam-in')).toBe('stop')
  const loose = await calls('Harbour launch Tern')
  expect([loose.of('bank-1'), loose.of('phaser-in-1')]).toEqual(['back-in', 'renew'])
  const broken = await calls('Workboat Knot')
  expect([broken.of('main'), broken.of('guide'), broken.of('engine')]).toEqual(['back-in', 'renew', 'stop'])
  expect((await calls('Patrol motorcycle 7')).of('cam-chain')).toBe('renew')
  expect((await calls('Pilot van 5')).assessment.readings.some(({ atOdds }) => atOdds)).toBe(true)
  expect((await calls('Water taxi Dunlin')).of('guide-1')).toBe('stop')
})
