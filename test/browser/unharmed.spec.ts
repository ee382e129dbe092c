import type { JobExport } from '../../core/record'
import { randomUUID } from 'node:crypto'
import { read } from '../support/jobs'
import { enter, expect, newJob, openBench, part, test, wakeful } from './bench'

const act = (what: object) => ({ id: randomUUID(), by: 'Tove', at: '2026-11-24T08:00:00.000Z', ...what })

test("a full disk is said in the server's words, and what was entered is sent when there is room", async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  const words = "The disk of the workshop's machine is full."
  await page.route(`**/api/jobs/${id}/acts`, (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status: 507, json: { error: { code: 'no-room', message: words, faults: [] } } })
      : route.continue()
  )
  await part(page, 'Fixed guide').click()
  await enter(page, '0.5')
  await expect(page.getByTestId('why-waiting')).toContainText(words)
  await expect(page.getByTestId('save-state')).toContainText('1 entry waits on this device')
  await page.unroute(`**/api/jobs/${id}/acts`)
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  expect(((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).acts).toHaveLength(1)
})

test('a device that has no room left says so, and what is entered is sent all the same', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await page.context().setOffline(true)
  await part(page, 'Fixed guide').click()
  await enter(page, '0.5')
  await expect(page.getByTestId('save-state')).toContainText('This device has no room left: keep this page open')
  await page.context().setOffline(false)
  await expect(async () =>
    expect(((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).acts).toHaveLength(1)
  ).toPass({ timeout: 20_000 })
})

test('nine tabs of one browser all load, with one live stream between them, and all see what comes', async ({
  page,
  context,
  request
}) => {
  const id = await newJob(request)
  let streams = 0
  context.on('request', (asked) => void (streams += asked.url().includes('/api/live') ? 1 : 0))
  const tabs = [page]
  for (let i = 0; i < 8; i++) tabs.push(wakeful(await context.newPage()))
  for (const tab of tabs) await openBench(tab, id)
  expect(
    (await request.post(`/api/jobs/${id}/acts`, { data: act({ type: 'read', reading: read.groove('arm', 0.9) }) })).ok()
  ).toBe(true)
  for (const tab of tabs) await expect(part(tab, 'Tensioner arm')).toContainText('0.9 of 1.2 mm worn')
  expect(streams).toBe(1)
  // The tab that held it is hidden, and closes it; another takes it over, and again when that one goes.
  await tabs[0]!.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'hidden' })
    document.dispatchEvent(new Event('visibilitychange'))
  })
  await expect.poll(() => streams).toBe(2)
  await tabs[1]!.close()
  await expect.poll(() => streams).toBe(3)
  expect(
    (
      await request.post(`/api/jobs/${id}/acts`, { data: act({ type: 'read', reading: read.groove('guide', 0.7) }) })
    ).ok()
  ).toBe(true)
  await expect(part(tabs[5]!, 'Fixed guide')).toContainText('0.7 of 1.2 mm worn')
})

test('the board changes by itself when something happens elsewhere', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(14)])
  const note = `Asked ${randomUUID().slice(0, 6)}`
  await page.goto('/')
  const row = page.locator(`[data-testid=job][href="/jobs/${id}"]`)
  await page.getByTestId('search').fill('ardmere')
  await expect(row).toBeVisible()
  expect(
    (await request.post(`/api/jobs/${id}/acts`, { data: act({ type: 'waits', for: 'customer', note }) })).ok()
  ).toBe(true)
  await expect(row).toContainText(note, { timeout: 4_000 })
})

test("taking back takes one's own last entry, and pressed again the one before; nobody else's", async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, 'Fixed guide').click()
  await enter(page, '0.5')
  await part(page, 'Tensioner arm').click()
  await enter(page, '0.6')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await request.post(`/api/jobs/${id}/acts`, { data: act({ type: 'read', reading: read.lag('cam-in', 2) }) })
  await expect(part(page, 'Intake cam sprocket')).toContainText('2.0° late')
  const standing = async () =>
    ((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).readings.map(
      ({ kind, rail }) => rail ?? kind
    )
  const back = page.getByTestId('take-back')
  await back.click()
  await expect.poll(standing).toEqual(['guide', 'camLag'])
  await back.click()
  await expect.poll(standing).toEqual(['camLag'])
  await expect(back).toHaveCount(0)
})

test('who is at the bench: the list closes on Escape and after a choice, and a name in other capitals is the same person', async ({
  page
}) => {
  await page.goto('/')
  const list = page.getByTestId('people')
  await page.getByTestId('who').click()
  await list.getByRole('textbox').fill('x')
  await page.keyboard.press('Escape')
  await expect(list).toBeHidden()
  await page.getByTestId('who').click()
  await list.getByRole('textbox').fill('bELA')
  await list.getByRole('button', { name: 'Add' }).click()
  await expect(list).toBeHidden()
  await expect(page.getByTestId('who')).toContainText('Bela')
  await page.getByTestId('who').click()
  await expect(list.getByRole('button', { name: /^bela$/i })).toHaveCount(1)
  await page.mouse.click(300, 500)
  await expect(list).toBeHidden()
})

test('thousands are read as people write them', async ({ page, request }) => {
  for (const [typed, usage] of [
    ['148.200', 148_200],
    ['92 400', 92_400],
    ['1,250,000', 1_250_000]
  ] as const) {
    const vehicle = `Usage ${randomUUID().slice(0, 6)}`
    await page.goto('/')
    await page.getByRole('button', { name: 'New job' }).click()
    await page.getByLabel('Vehicle or boat').fill(vehicle)
    await page.getByLabel('Stand').fill('Quay')
    await page.getByRole('combobox', { name: 'Engine' }).selectOption('ardmere-a18')
    await page.getByRole('textbox', { name: 'Usage' }).fill(typed)
    await page.getByRole('button', { name: 'Open the job' }).click()
    await page.waitForURL(/\/jobs\//)
    const id = page.url().split('/').at(-1)!.split('?')[0]
    expect(((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).usage.value).toBe(usage)
  }
})
