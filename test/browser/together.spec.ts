import { read } from '../support/jobs'
import { enter, expect, newJob, part, test, wakeful } from './bench'

test("two people on one job see each other's entries, and a clash is shown with both kept", async ({
  page,
  browser,
  request,
  baseURL
}) => {
  const id = await newJob(request, [read.groove('guide', 0.4)])
  const other = wakeful(
    await (await browser.newContext({ baseURL: baseURL!, viewport: { width: 1280, height: 800 } })).newPage()
  )
  await other.addInitScript(() => localStorage.setItem('umbrette.by', 'Bela'))
  for (const p of [page, other]) {
    await p.goto(`/jobs/${id}?read=groove:guide`)
    await expect(p.getByTestId('reading')).toContainText('0.40 mm')
  }
  await part(other, 'Tensioner arm').click()
  await enter(other, '0.9')
  await expect(part(page, 'Tensioner arm')).toContainText('0.9 of 1.2 mm worn')
  await expect(page.getByTestId('change')).toContainText('Bela: The groove depth')

  // Both correct the same reading before either sees the other's.
  await part(other, 'Fixed guide').click()
  await other.getByRole('button', { name: 'Correct' }).click()
  await page.getByRole('button', { name: 'Correct' }).click()
  await other.context().setOffline(true)
  await enter(other, '1.0')
  await enter(page, '0.6')
  await other.context().setOffline(false)
  await part(page, 'Fixed guide').click()
  await expect(page.getByTestId('clash').first()).toContainText('both are kept until one is taken back', {
    timeout: 15_000
  })
  await expect(page.getByTestId('reading')).toHaveCount(2)
  await page
    .getByTestId('reading')
    .filter({ hasText: 'Depth gauge, Bela' })
    .getByRole('button', { name: 'Take back' })
    .click()
  await expect(page.getByTestId('clash')).toHaveCount(0)
  await other.context().close()
})

test('what was missed while away is caught up with', async ({ page, request }) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}?station=5`)
  await expect(page.getByTestId('drive-map')).toBeVisible()
  await page.context().setOffline(true)
  const act = {
    id: 'elsewhere',
    type: 'read',
    by: 'Tove',
    at: '2026-11-24T08:00:00.000Z',
    reading: read.groove('arm', 1.1)
  }
  expect((await request.post(`/api/jobs/${id}/acts`, { data: act })).ok()).toBe(true)
  await page.context().setOffline(false)
  await expect(part(page, 'Tensioner arm')).toContainText('1.1 of 1.2 mm worn', { timeout: 15_000 })
})

test('a long job opens with the figures found last, says so, and works them out anew', async ({
  page,
  browser,
  request,
  baseURL
}) => {
  const id = await newJob(
    request,
    Array.from({ length: 151 }, () => read.groove('guide', 0.4))
  )
  // Judged once, for who opens it first.
  expect((await request.get(`/api/jobs/${id}`)).ok()).toBe(true)
  const act = { id: 'since', type: 'read', by: 'Tove', at: '2026-11-24T08:00:00.000Z' }
  const reading = read.groove('arm', 1.1)
  expect((await request.post(`/api/jobs/${id}/acts`, { data: { ...act, reading } })).ok()).toBe(true)
  // As the server sends it, before the page's own reckoning.
  const sent = await browser.newContext({ baseURL: baseURL!, javaScriptEnabled: false })
  const still = await sent.newPage()
  await still.goto(`/jobs/${id}?station=5`)
  const note = 'One entry came since these figures.'
  await expect(still.getByRole('status').filter({ hasText: note })).toBeVisible()
  await sent.close()

  await page.goto(`/jobs/${id}?station=5`)
  await expect(part(page, 'Tensioner arm')).toContainText('1.1 of 1.2 mm worn')
  await expect(page.getByText(note)).toHaveCount(0)
})
