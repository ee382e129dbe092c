import type { BrowserContext, Page } from '@playwright/test'
import { read } from '../support/jobs'
import { enter, expect, newJob, test } from './bench'
import { SCREENS, seriousOn } from './screens'

/** Other languages: chosen on a device, of a customer's papers, and without anything falling out of its place. */

const speak = (context: BrowserContext, language: string) =>
  context.addCookies([{ name: 'umbrette-language', value: language, url: process.env.UMBRETTE_URL! }])

/** What stands beyond the page's edge: its width, where it can be moved sideways. */
const beyond = (page: Page) =>
  page.evaluate(() => {
    const { scrollWidth, clientWidth } = document.documentElement
    return scrollWidth > clientWidth + 1 ? scrollWidth : 0
  })

test('a language is chosen on a device, and everything on it is said in it from then on', async ({ page, request }) => {
  const id = await newJob(request, [read.lag('cam-in', 2)])
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await page.getByTestId('units').click()
  await page.getByTestId('language').selectOption('de')
  await expect(page.locator('html')).toHaveAttribute('lang', 'de')
  await expect(page.getByRole('heading', { name: 'Führungsschiene' })).toBeVisible()
  await enter(page, 'viel')
  await expect(page.getByText('„viel“ ist keine Zahl')).toBeVisible()
  await enter(page, '0,57')
  await expect(page.getByTestId('save-state')).toHaveText('Alles gespeichert')
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await expect(page.getByText('0,57 mm').first()).toBeVisible()
  await page.goto(`/jobs/${id}/verdict`)
  await expect(page.getByText('Urteile, Teil für Teil')).toBeVisible()
  const refused = await page.request.get('/api/jobs/5a17a000-0000-4000-8000-00000000dead')
  expect(((await refused.json()) as { error: { message: string } }).error.message).toContain('Diesen Auftrag gibt es')
})

test('a customer’s report is in their language, for the workshop in its own, and so is the page behind the link', async ({
  page,
  request
}) => {
  const CUSTOMER = '5a17c000-0000-4000-8000-000000000003'
  const customer = (await (await request.get(`/api/customers/${CUSTOMER}`)).json()) as {
    name: string
    jobs: { id: string }[]
  }
  await page.goto(`/customers/${CUSTOMER}`)
  await page.getByRole('button', { name: 'Change', exact: true }).first().click()
  await page.getByLabel('Reads').selectOption('es')
  await page.getByTestId('customer-form').getByRole('button', { name: 'Save' }).click()
  await expect(page.getByTestId('customer-form')).toHaveCount(0)
  const job = customer.jobs[0]!.id
  await page.goto(`/jobs/${job}/report`)
  await expect(page.getByText('Lo que hallamos').or(page.getByText('Qué pasó')).first()).toBeVisible()
  await page
    .getByRole('radio', { name: 'The workshop' })
    .or(page.getByRole('button', { name: 'The workshop' }))
    .click()
  await expect(page.getByText('What we found').or(page.getByText('What happened')).first()).toBeVisible()
  const share = (await (await request.post(`/api/jobs/${job}/shares`, { data: { by: 'Maren', days: 3 } })).json()) as {
    token: string
  }
  await page.goto(`/share/${share.token}`)
  await expect(page.locator('html')).toHaveAttribute('lang', 'es')
  await expect(page.getByText('Su elección').first()).toBeVisible()
  const pdf = await request.get(`/api/jobs/${job}/estimate.pdf`)
  expect(pdf.status()).toBe(200)
  const { jobs: _jobs, ...facts } = customer
  await request.post(`/api/customers/${CUSTOMER}`, { data: { ...facts, language: '' } })
})

// The longest words on every page, by day and in the dark; the others share the pages among them.
const EVERY = [...SCREENS.workshop, ...SCREENS.bench]
const third = (k: number) => EVERY.filter((_, i) => i % 3 === k)
for (const [language, name, paths] of [
  ['de', 'the workshop’s pages', SCREENS.workshop],
  ['de', 'the bench’s pages', SCREENS.bench],
  ['en', 'a third of the pages', third(0)],
  ['es', 'a third of the pages', third(1)],
  ['id', 'a third of the pages', third(2)]
] as const)
  test(`nothing serious for screen readers, and nothing beyond the edge, ${name}, ${language}`, async ({
    page,
    context,
    request
  }) => {
    test.setTimeout(150_000)
    await speak(context, language)
    const id = await newJob(request, [read.extension(18), read.lag('cam-ex', 26), read.length(160.95)])
    for (const path of paths) {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(path.replace('ID', id))
      await expect(page.getByTestId('who')).toBeVisible()
      expect([path, await seriousOn(page), await beyond(page)]).toEqual([path, [], 0])
      if (language === 'de') {
        await page.emulateMedia({ colorScheme: 'dark' })
        expect([path, 'dark', await seriousOn(page, ['color-contrast'])]).toEqual([path, 'dark', []])
        await page.emulateMedia({ colorScheme: 'light' })
      }
      await page.setViewportSize({ width: 390, height: 844 })
      // What is drawn to measure is drawn anew with the next picture.
      await expect.poll(async () => [path, 'phone', await beyond(page)]).toEqual([path, 'phone', 0])
    }
  })

test('read from right to left nothing falls out of the page', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(18), read.lag('cam-ex', 26)])
  for (const path of ['/', `/jobs/${id}?station=5`, `/jobs/${id}/verdict`, `/jobs/${id}/report`]) {
    await page.goto(path)
    await page.evaluate(() => document.documentElement.setAttribute('dir', 'rtl'))
    expect([path, await beyond(page)]).toEqual([path, 0])
  }
})
