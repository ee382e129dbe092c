import { read } from '../support/jobs'
import { enter, expect, newJob, openBench, test, wakeful } from './bench'

test('a vehicle shows its measurements over usage, with the same figures as a table', async ({ page }) => {
  await page.goto('/vehicles')
  await page.getByTestId('vehicle').filter({ hasText: 'Pilot van 3' }).click()
  await expect(page.getByTestId('usage-chart')).toBeVisible()
  await expect(page.getByRole('table')).toContainText('62 000 km')
  await expect(page.getByTestId('vehicle-job')).toHaveCount(4)
  await page.getByRole('button', { name: 'Fixed guide: groove' }).click()
  await expect(page.getByRole('columnheader', { name: 'Groove depth' })).toBeVisible()
  await page.getByTestId('units').click()
  await page.getByRole('radio', { name: 'miles' }).click()
  await expect(page.getByRole('table')).toContainText('38 525 miles')
})

test('from the board to a first reading on a known vehicle in a handful of touches', async ({ page, request }) => {
  const name = `Patrol motorcycle ${crypto.randomUUID().slice(0, 8)}`
  const before = await request.post('/api/jobs', {
    data: {
      vehicle: name,
      stand: '',
      complaint: '',
      openedBy: 'Maren',
      sheet: 'quillon-q40',
      usage: { value: 58_900, unit: 'km' },
      school: 'on-evidence'
    }
  })
  expect(before.ok()).toBe(true)
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByLabel('Vehicle or boat').fill(name.toLowerCase())
  await page.getByRole('option', { name: new RegExp(name) }).click()
  await expect(page.getByLabel('Engine')).toHaveValue('quillon-q40')
  await expect(page.getByRole('dialog')).toContainText('Last seen at 58 900 km')
  await page.getByLabel('Usage', { exact: true }).fill('60100')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/jobs\//)
  await page.goto(`${page.url()}?read=extension:lifter`)
  await enter(page, '16')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
})

test('a name that only begins like a known one stays what was typed', async ({ page, request }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByLabel('Vehicle or boat').fill('Pilot van')
  await expect(page.getByRole('option', { name: /Pilot van 3/ })).toBeVisible()
  await page.keyboard.press('Tab')
  await page.getByLabel('Engine').selectOption({ label: 'Ardmere A18, 1.8 l four' })
  await page.getByLabel('Usage', { exact: true }).fill('10')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/jobs\//)
  const { rows } = (await (await request.get('/api/vehicles?search=pilot%20van')).json()) as {
    rows: { name: string }[]
  }
  expect(rows.map(({ name }) => name)).toContain('Pilot van')
})

test('search finds jobs, vehicles and engines at once', async ({ page }) => {
  await page.goto('/')
  await page.getByTestId('search').fill('vellora')
  await expect(page.getByTestId('other-finds')).toContainText('Vellora V28')
  await expect(page.getByTestId('job').filter({ hasText: 'Harbour launch Tern' })).toBeVisible()
  await page.getByTestId('search').fill('dunlin')
  await page.getByTestId('other-finds').getByRole('link', { name: 'Water taxi Dunlin' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Water taxi Dunlin' })).toBeVisible()
})

test('what a job waits for stands on the board, and is taken back', async ({ page, request }) => {
  await newJob(request, [read.groove('guide', 0.3)])
  await page.goto('/')
  await page.getByTestId('search').fill('Pilot van 5')
  await expect(page.getByTestId('job')).toHaveCount(1)
  const strip = page
    .locator('div.relative')
    .filter({ has: page.getByTestId('job').filter({ hasText: 'Pilot van 5' }) })
    .last()
  await strip.getByRole('button', { name: /What to do/ }).click()
  await page.getByRole('menuitem', { name: 'Waits for a part' }).click()
  await page.getByLabel('Which, and until when').fill('Chain from the depot, Monday')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(strip.getByTestId('waits')).toContainText('Chain from the depot, Monday')
  await page.getByTestId('moved').getByRole('button', { name: 'Take back' }).click()
  await expect(strip.getByTestId('waits')).toHaveCount(0)
})

test('entered without a connection, kept through a reload, sent once when it returns', async ({
  page,
  request,
  context
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await context.route('**/api/jobs/*/acts', (route) => route.abort())
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await enter(page, '0.4')
  await expect(page.getByTestId('save-state')).toContainText('1')
  await page.close()
  const again = wakeful(await context.newPage())
  await again.goto(`/jobs/${id}?read=groove:guide`)
  await expect(again.getByTestId('reading')).toHaveCount(1)
  await context.unroute('**/api/jobs/*/acts')
  await again.reload()
  await expect(again.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  const { acts } = (await (await request.get(`/api/jobs/${id}`)).json()) as { acts: unknown[] }
  expect(acts).toHaveLength(1)
})
