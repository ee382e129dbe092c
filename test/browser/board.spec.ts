import { expect, newJob, test } from './bench'
import { read } from '../support/jobs'

const named = (request: import('@playwright/test').APIRequestContext, vehicle: string) =>
  request.post('/api/jobs', {
    data: {
      vehicle,
      stand: 'Quay',
      complaint: 'made for the board',
      openedBy: 'Maren',
      sheet: 'ardmere-a18',
      usage: { value: 1000, unit: 'km' },
      school: 'on-evidence'
    }
  })

test('holds come first, and jobs are found by vehicle, engine or complaint', async ({ page, request }) => {
  await newJob(request, [read.lag('cam-in', -18)])
  await page.goto('/')
  await expect(page.getByTestId('job').first()).toContainText('Stop')
  await page.getByTestId('search').fill('tern knock')
  await expect(page.getByTestId('job')).toHaveCount(1)
  await expect(page.getByTestId('job')).toContainText('Harbour launch Tern')
  await page.getByTestId('search').fill('torvane')
  await expect(page.getByTestId('job').first()).toContainText('Torvane')
  await page.getByTestId('search').fill('50%_\\')
  await expect(page.getByText('No job here is known by these words.')).toBeVisible()
})

test('a job is closed, found among the closed, and opened again; deleting can be undone', async ({ page, request }) => {
  const vehicle = `Skiff ${crypto.randomUUID().slice(0, 8)}`
  expect((await named(request, vehicle)).ok()).toBe(true)
  await page.goto('/')
  await page.getByTestId('search').fill(vehicle)
  const row = page.getByTestId('job').filter({ hasText: vehicle })
  const act = async (name: string) => {
    await page.getByRole('button', { name: `What to do with ${vehicle}` }).click()
    await page.getByRole('menuitem', { name }).click()
  }
  await act('Delete')
  await expect(row).toHaveCount(0)
  await page.getByTestId('moved').getByRole('button', { name: 'Take back' }).click()
  await expect(row).toHaveCount(1)
  // What holds it is named, as at its proof; it stays open, or each hold is released by reason.
  await act('Close')
  const held = page.getByTestId('close-held')
  await expect(held).toContainText('steps are open')
  await held.getByRole('button', { name: 'Release and close' }).click()
  await expect(held.getByRole('alert')).toContainText('Say why')
  await held.getByRole('button', { name: 'Leave it open' }).click()
  await expect(row).toHaveCount(1)
  await act('Close')
  await held.getByLabel('Why it is closed all the same').fill('The owner sold the boat')
  await held.getByRole('button', { name: 'Release and close' }).click()
  await expect(row).toHaveCount(0)
  await page.getByRole('button', { name: 'Closed' }).click()
  await expect(row).toHaveCount(1)
  await act('Open again')
  await page.getByRole('button', { name: 'On the stands' }).click()
  await expect(row).toHaveCount(1)
})

test('drives to be looked at again that cannot be read are said so, and looked for again', async ({ page }) => {
  // They can be read from the touch on, not before it: other people's jobs make the board look by itself.
  await page.route('**/api/checks', async (route) =>
    (await page.evaluate(() => document.body.dataset.touched === 'yes')) ? route.continue() : route.abort()
  )
  await page.goto('/')
  await expect(page.getByRole('alert')).toContainText('Which drives are to be looked at again could not be read.')
  await page.evaluate(() => document.addEventListener('pointerdown', () => (document.body.dataset.touched = 'yes')))
  await page.getByRole('button', { name: 'Look again' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('a board that is asked for nonsense says so', async ({ request }) => {
  for (const query of ['state=lost', 'page=-1', 'page=x'])
    expect((await request.get(`/api/board?${query}`)).status()).toBe(422)
})
