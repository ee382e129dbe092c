import { resolve } from 'node:path'
import { request as requests } from '@playwright/test'
import { mkdirSync } from 'node:fs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import type { JobExport } from '../../core/record'
import { read } from '../support/jobs'
import { enter, expect, newJob, openBench, part, test } from './bench'

test('what cannot be is told at its field, nothing is saved, nothing typed is lost', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  const fault = page.getByRole('complementary').getByRole('alert')
  await part(page, 'Fixed guide').click()
  for (const [typed, message] of [
    ['deep', 'is no number: write digits'],
    ['', 'Enter the figure'],
    ['-0.3', 'cannot be below 0 mm'],
    ['99', 'expected 0 to 15 mm']
  ] as const) {
    await enter(page, typed)
    await expect(fault).toContainText(message, { ignoreCase: true })
    await expect(page.getByTestId('figure')).toHaveValue(typed)
  }
  await part(page, 'Hydraulic ratchet tensioner').click()
  await enter(page, '31')
  await expect(fault).toContainText('beyond the stroke of 22 mm')
  await part(page, 'Timing chain').click()
  await enter(page, '195')
  await expect(fault).toContainText('does not fit 20 links')

  await part(page, 'Fixed guide').click()
  await expect(page.getByTestId('figure')).toHaveValue('99')
  await page.reload()
  await part(page, 'Fixed guide').click()
  await expect(page.getByTestId('figure')).toHaveValue('99')
  expect(((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).acts).toEqual([])
})

test('of counts that do not sum the one that looks miscounted is named; no jump is inferred', async ({
  page,
  request
}) => {
  await openBench(page, await newJob(request, [read.count('crank', 'cam-ex', 52), read.count('cam-ex', 'cam-in', 20)]))
  await page.getByRole('button', { name: /^Intake cam sprocket to Crank sprocket/ }).click()
  await enter(page, '53')
  const ledger = page.getByRole('region', { name: 'Stretch ledger' })
  await expect(page.getByTestId('slip')).toHaveCount(1)
  await expect(page.getByTestId('slip')).toContainText('52 links look like one link missed')
  await expect(ledger).not.toContainText(/tooth (early|late)|teeth (early|late)/)
})

test('an unknown job says so and leads back to the board', async ({ page }) => {
  await page.goto('/jobs/00000000-0000-4000-8000-000000000000')
  await expect(page.getByRole('alert')).toContainText('There is no such job in this workshop')
  await page.getByRole('link', { name: 'Back to the board' }).click()
  await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
})

test('the server stopped while a reading is sent: the page keeps it and sends it once when the server is back', async ({
  page
}) => {
  const folder = resolve('.data/test-stopping')
  mkdirSync(folder, { recursive: true })
  const database = process.env.UMBRETTE_DATABASE!
  const server = await startServer(folder, database, { first: 4680 })
  try {
    const id = await newJob(await requests.newContext({ baseURL: server.address }))
    await page.goto(`${server.address}jobs/${id}?station=3`)
    await expect(page.getByTestId('drive-map')).toBeVisible()
    // Touched once, the page has all that it needs without the server.
    await part(page, 'Fixed guide').click()
    await expect.poll(() => page.workers().length).toBe(1)
    await stopServer(folder)
    await enter(page, '0.7')
    await expect(page.getByTestId('save-state')).toContainText('1 entry waits on this device')
    await expect(part(page, 'Fixed guide')).toContainText('0.7 of 1.2 mm worn')
    await part(page, 'Tensioner arm').click()
    await enter(page, '0.2')
    await expect(page.getByTestId('save-state')).toContainText('2 entries wait on this device')

    await startServer(folder, database, { first: server.port })
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved', { timeout: 20_000 })
    const { acts } = (await (await page.request.get(`${server.address}api/jobs/${id}/export`)).json()) as JobExport
    expect(acts.map((act) => act.type === 'read' && act.reading.value)).toEqual([0.7, 0.2])
    await page.reload()
    await expect(part(page, 'Fixed guide')).toContainText('0.7 of 1.2 mm worn')
  } finally {
    await stopServer(folder)
  }
})

test('an answer lost on the way does not keep a reading twice', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  let lost = 0
  await page.route('**/acts', async (route) => {
    await route.fetch()
    if (lost++ === 0) return route.abort('connectionreset')
    return route.continue()
  })
  await part(page, 'Fixed guide').click()
  await enter(page, '0.5')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved', { timeout: 15_000 })
  expect(lost).toBeGreaterThan(1)
  expect(((await (await request.get(`/api/jobs/${id}/export`)).json()) as JobExport).acts).toHaveLength(1)
})
