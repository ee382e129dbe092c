import type { APIRequestContext, Page } from '@playwright/test'
import type { JobExport } from '../../core/record'
import type { Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'
import { expect, newJob, test } from './bench'

const exported = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport
const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
const jobOn = async (request: APIRequestContext, drive: Parameters<typeof sheet>[0], readings: Reading[] = []) => {
  const data = jobOf(readings, { drive: sheet(drive) })
  return ((await (await request.post('/api/jobs/import?by=Maren', { data })).json()) as { id: string }).id
}

test('cylinders are entered one by one, each with its figure, and what they say together is judged', async ({
  page,
  request
}) => {
  const id = await jobOn(request, 'gannet-g90')
  await page.goto(`/jobs/${id}?station=2`)
  for (const [cylinder, figure] of [
    ['1', '11,8'],
    ['2', '5.4']
  ] as const) {
    await page.getByTestId('finding-compression-figure').click()
    const form = page.getByTestId('finding-form')
    await form.getByRole('button', { name: 'Save' }).click()
    await expect(form).toContainText('Write a figure from 0 to 60 bar')
    await form.getByTestId('finding-figure').fill(figure)
    await form.getByRole('button', { name: 'Save' }).click()
    await expect(form).toContainText('Choose the cylinder')
    await form.getByRole('radio', { name: cylinder, exact: true }).click()
    await form.getByRole('button', { name: 'Save' }).click()
    await expect(form).toHaveCount(0)
  }
  await saved(page)
  expect((await exported(request, id)).readings.map(({ cylinder, value }) => [cylinder, value])).toEqual([
    [1, 11.8],
    [2, 5.4]
  ])
  await page.getByRole('link', { name: /Verdict/ }).click()
  await expect(page.getByTestId('call-engine')).toContainText('One cylinder is low (2): a valve or a ring')
})

test('a code is noted with a touch; whose it is, and at which speed, is said after', async ({ page, request }) => {
  const id = await jobOn(request, 'vellora-v28')
  await page.goto(`/jobs/${id}?station=1`)
  await page.getByTestId('finding-code-slow').click()
  await page.getByRole('button', { name: 'say more' }).click()
  const form = page.getByTestId('finding-form')
  await form.getByRole('radio', { name: '2', exact: true }).click()
  await form.getByRole('radio', { name: 'exhaust' }).click()
  await form.getByLabel(/Engine speed/).fill('820')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('list', { name: 'Who found it' })).toContainText('bank 2, exhaust, at 820 rpm')
  await expect(page.getByTestId('suspect').first()).toContainText('Oil side of a phaser')
  await expect(page.getByTestId('suspect').first()).toContainText(/bank 2 (exhaust|intake) phaser/)
  await saved(page)
  expect((await exported(request, id)).readings).toMatchObject([{ bank: 2, sensor: 'exhaust', speed: 820 }])
})

test('the gap that a removed lifter leaves is a reading of its drive', async ({ page, request }) => {
  const id = await jobOn(request, 'quillon-q40')
  await page.goto(`/jobs/${id}?station=4`)
  await page.getByRole('complementary').getByRole('button', { name: 'Tensioner extension' }).click()
  await page.getByRole('radio', { name: 'gap left at its hole' }).click()
  await expect(page.getByRole('complementary')).toContainText('It stands out 22.0 mm by itself')
  await page.getByTestId('figure').fill('9.5')
  await page.getByTestId('save').click()
  await expect(page.getByTestId('change')).toContainText('elongation')
  await saved(page)
  expect((await exported(request, id)).readings).toMatchObject([{ kind: 'extension', gap: 9.5 }])
})

test('a part number that is a superseded design says so, and is noted as found', async ({ page, request }) => {
  const id = await jobOn(request, 'gannet-g90')
  await page.goto(`/jobs/${id}?station=4`)
  await page.getByTestId('side-about').click()
  await page.getByLabel(/Design or part/).fill('gan 2207')
  await expect(page.getByTestId('superseded-number')).toContainText('tensioner without check ball')
  await page.getByRole('complementary').getByRole('button', { name: 'Save' }).click()
  await saved(page)
  expect((await exported(request, id)).readings).toMatchObject([{ finding: 'superseded', target: 'tensioner' }])
})

test('how near it is to jumping stands in the verdict, and is no claim before anything was read', async ({
  page,
  request
}) => {
  await page.goto(`/jobs/${await newJob(request)}/verdict`)
  await expect(page.getByTestId('near-jump')).toContainText('no claim')
  const slips = [read.extension(16), read.found('tensioner', 'plunger-slips-back')]
  await page.goto(`/jobs/${await newJob(request, slips)}/verdict`)
  const near = page.getByTestId('near-jump')
  await expect(near).toContainText('bled down all the way, as nothing holds it')
  await expect(near.getByRole('img', { name: /^Intake cam sprocket: \d+ %/ })).toBeVisible()
  await expect(near).toContainText('It passes no part')
})

test('a stop-gap is chosen by name, stands as one, and other work shares the access', async ({ page, request }) => {
  const lifter: Reading = { kind: 'extension', tensioner: 'lifter', value: 9, turnedForward: true }
  const id = await jobOn(request, 'quillon-q40', [lifter])
  await page.goto(`/jobs/${id}/paths`)
  const ways = page.getByTestId('partial-ways')
  await expect(ways.getByTestId('partial-rolled-in-cam-chain')).toContainText('nobody has looked')
  const adjuster = ways.getByTestId('partial-manual-adjuster')
  await adjuster.getByRole('button', { name: 'Choose this knowingly' }).click()
  await adjuster.getByRole('button', { name: 'Keep as stop-gap' }).click()
  await expect(adjuster).toContainText('Write who accepts')
  await adjuster.getByLabel(/Accepted by/).fill('Anne Harbour')
  await adjuster.getByRole('button', { name: 'Keep as stop-gap' }).click()
  await expect(adjuster).toContainText('accepted by Anne Harbour')
  const other = page.getByTestId('other-work')
  await other.getByLabel('Work', { exact: true }).fill('Valve clearance')
  await other.getByLabel('Hours of its own').fill('0.8')
  await other.getByLabel('Rocker cover off').check()
  await other.getByRole('button', { name: 'Add' }).click()
  await expect(other).toContainText('1.6 h')
  await saved(page)
  const { acts } = await exported(request, id)
  expect(acts.find(({ type }) => type === 'path')).toMatchObject({ partial: { id: 'manual-adjuster' }, renew: [] })
  expect(acts.find(({ type }) => type === 'check')).toMatchObject({ stopGap: true, usage: 152_200 })
  await page.goto(`/jobs/${id}/estimate`)
  await expect(page.getByText('Manual adjuster in place of the lifter').first()).toBeVisible()
  await page.goto(`/jobs/${id}/report`)
  await expect(page.getByText(/stop-gap, not a repair; Anne Harbour accepted/)).toBeVisible()
})

test('the table of suspects is the workshop’s own to change, and to put back', async ({ page, request }) => {
  await page.goto('/suspects')
  await page.getByRole('button', { name: /Sensor or wiring/ }).click()
  const ours = page.getByLabel('Ours: Fault code: cam or crank signal missing')
  await ours.fill('lots')
  await ours.blur()
  await expect(page.getByTestId('bearings')).toContainText('Write a factor')
  await ours.fill('40')
  await ours.blur()
  await expect(page.getByTestId('bearings')).toContainText('Saved')
  expect((await (await request.get('/api/suspects')).json()) as object).toEqual({
    priors: [],
    bearings: [{ finding: 'code-sensor', suspect: 'sensor', factor: 40 }]
  })
  // Somebody else has changed it since this page was opened: neither change is lost.
  const theirs = {
    priors: [{ suspect: 'sensor', prior: 0.2 }],
    bearings: [{ finding: 'code-sensor', suspect: 'sensor', factor: 40 }]
  }
  const seen = (await (await request.get('/api/suspects')).json()) as object
  expect((await request.post('/api/suspects', { data: { own: theirs, seen } })).status()).toBe(200)
  expect((await request.post('/api/suspects', { data: { own: seen, seen } })).status()).toBe(409)
  await ours.fill('30')
  await ours.blur()
  await expect(page.getByText('Somebody else has changed the table meanwhile')).toBeVisible()
  await expect(ours).toHaveValue('40')
  expect((await (await request.get('/api/suspects')).json()) as object).toEqual(theirs)
  await page.getByRole('button', { name: 'Everything as it ships' }).click()
  await expect(ours).toHaveValue('')
  expect((await (await request.get('/api/suspects')).json()) as object).toEqual({ priors: [], bearings: [] })
})

test('a cam driven by gears is drawn, read, and set a tooth off says so', async ({ page, request }) => {
  const late = (value: number): Reading => ({
    kind: 'camLag',
    sprocket: 'cam-ex',
    value,
    method: 'wheel',
    turnedForward: true
  })
  const id = await jobOn(request, 'gannet-g90', [late(20.4), late(20.1)])
  await page.goto(`/jobs/${id}?station=3`)
  await expect(page.getByRole('button', { name: /^Exhaust cam gear: .*1 tooth late/ })).toBeVisible()
  await page.getByRole('link', { name: /Verdict/ }).click()
  await expect(page.getByTestId('call-cam-ex')).toContainText('Gears do not jump')
})
