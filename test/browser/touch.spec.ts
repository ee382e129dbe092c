import type { Page } from '@playwright/test'
import { buildUp } from './buildUp'
import { expect, part, test } from './bench'

test.use({ hasTouch: true })

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

/** A figure put in with the keypad, as with gloves on. */
async function press(page: Page, figure: string): Promise<void> {
  const pad = page.getByRole('group', { name: 'Keypad' })
  if ((await pad.count()) === 0) await page.getByTestId('keypad').tap()
  for (const key of figure)
    await pad.getByRole('button', { name: key === '.' ? 'Decimal point' : key, exact: true }).tap()
  await page.getByTestId('save').tap()
}

test('a whole job is done by touch alone, from opening it to its closed proof', async ({ page, request }) => {
  test.setTimeout(120_000)
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).tap()
  await page.getByLabel('Vehicle or boat').fill('Touched van')
  await page.getByLabel('Engine').selectOption({ label: 'Ardmere A18, 1.8 l four' })
  await page.getByLabel('Usage', { exact: true }).fill('150000')
  await page.getByLabel('Complaint').fill('Noise at warm idle')
  await page.getByRole('button', { name: 'Open the job' }).tap()
  await page.waitForURL(/\/jobs\//)
  const id = page.url().split('/').at(-1)!
  await page.getByTestId('finding-noise-warm-idle').tap()
  await page.getByRole('button', { name: /^4 Tension/ }).tap()
  await expect(page.getByRole('heading', { level: 2, name: 'Hydraulic ratchet tensioner' })).toBeVisible()
  await press(page, '17')
  await page.getByRole('button', { name: /^5 Rails/ }).tap()
  await part(page, 'Fixed guide').tap()
  await press(page, '0.4')
  await part(page, 'Fixed guide').tap()
  await page.getByTestId('side-findings').tap()
  await page.getByTestId('finding-cracked').tap()
  await page.getByRole('button', { name: /^7 Chain on the/ }).tap()
  await press(page, '160.95')
  await saved(page)
  await page.getByRole('link', { name: /Verdict/ }).tap()
  await expect(page.getByTestId('call-main')).toHaveAttribute('data-call', 'renew')
  await page.getByTestId('sign').tap()
  await saved(page)
  await page.getByRole('link', { name: 'Paths' }).tap()
  await page.getByTestId('advise').tap()
  await saved(page)
  await buildUp(request, id, { but: ['fluid:level'] })
  await page.getByRole('link', { name: 'Build-up' }).tap()
  await expect(page.getByTestId('holds')).toBeVisible()
  await page.reload()
  await page.getByTestId('task-fluid:level').getByRole('checkbox').tap()
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
  await saved(page)
  await page.getByRole('link', { name: 'Proof' }).tap()
  await page.getByTestId('plug-in').tap()
  await page.getByTestId('keep-scan').tap()
  for (const task of ['first-start', 'noise', 'codes', 'relearn', 'leaks', 'oil-level'])
    await page.getByTestId(`task-proof:${task}`).getByRole('checkbox').tap()
  await saved(page)
  await page.getByTestId('close-job').tap()
  await expect(page.getByTestId('close-job')).toHaveText('Closed')
})

/** What is touched and is too small for a glove: all of it is 44 px high at least, but links within a text. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('button, [role=button], select, input, a, summary')]
      .filter((one) => one.checkVisibility() && getComputedStyle(one).display !== 'inline')
      .map((one) => one.closest('label') ?? one)
      .filter((one) => one.getBoundingClientRect().width > 1 && one.getBoundingClientRect().height < 43.5)
      .map((one) => one.outerHTML.slice(0, 120))
  )

test('what is touched is large enough for a glove on every screen of a job', async ({ page }) => {
  const at = (job: number) => `/jobs/5a17a000-0000-4000-8000-0000000000${String(job).padStart(2, '0')}`
  for (const path of [
    '/',
    ...[1, 2, 3, 5, 7].map((station) => `${at(5)}?station=${station}`),
    `${at(1)}/verdict`,
    `${at(1)}/paths`,
    `${at(1)}/estimate`,
    `${at(13)}/build`,
    `${at(14)}/proof`,
    `${at(1)}/trace`,
    '/settings'
  ]) {
    await page.goto(path)
    expect(await tooSmall(page), path).toEqual([])
  }
})
