import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { strFromU8, unzipSync } from 'fflate'
import { DEMO_CUSTOMERS } from '../../demo/books'
import { DEMO_JOBS } from '../../demo/workshop'
import { expect, test } from './bench'
import { ownWorkshop, signInOn } from './ownWorkshop'

/** The whole workshop out and in again, a customer erased for good, and a link by e-mail, as its owner does it. */

const NAME = 'Saltmarsh Harbour Pilots'
const CUSTOMER = DEMO_CUSTOMERS[0]!.id

test.use({ serviceWorkers: 'allow' })

/** What a device kept of answers that names somebody. */
const keptOf = (page: Page, name: string) =>
  page.evaluate(async (words) => {
    const found: string[] = []
    for (const cache of await caches.keys())
      for (const request of await (await caches.open(cache)).keys()) {
        const answer = await (await caches.open(cache)).match(request)
        if (answer && (await answer.text()).includes(words)) found.push(request.url)
      }
    return found
  }, name)

test('an empty workshop takes all of another in, sends a link, and erases a customer from everything', async ({
  page
}, info) => {
  test.slow()
  await page.goto('/settings')
  const download = page.waitForEvent('download')
  await page.getByTestId('everything-out').click()
  const archive = info.outputPath('all.zip')
  await (await download).saveAs(archive)
  expect(strFromU8(unzipSync(readFileSync(archive))['customers.json']!)).toContain(NAME)

  const own = await ownWorkshop('test-leaving', 4740)
  try {
    await signInOn(page, own.address, 'Ada', '/settings')
    await page.getByTestId('everything-in').setInputFiles(archive)
    await expect(page.getByTestId('whole-said')).toContainText('Taken in:', { timeout: 60_000 })
    // Once more it is not empty, and says so.
    await page.getByTestId('everything-in').setInputFiles(archive)
    await expect(page.getByTestId('whole-workshop')).toContainText('taken in by an empty one alone')

    await page.goto(`${own.address}customers/${CUSTOMER}`)
    await expect(page.getByRole('link', { name: /Pilot van 3/ }).first()).toBeVisible()
    const job = `${own.address}jobs/${DEMO_JOBS[0]!.id}`
    await page.goto(`${job}/report`)
    await page.getByRole('button', { name: 'Make a link' }).click()
    await expect(page.getByText('No e-mail is set up')).toBeVisible()
    await expect(page.getByTestId('qr')).toBeVisible()
    await page.goto(`${own.address}settings`)
    await page.getByRole('radio', { name: 'to the stand-in' }).click()
    await page.getByRole('button', { name: 'Save e-mail' }).click()
    await expect(page.getByTestId('mail').getByTestId('mail-said')).toHaveText('Saved.')
    await page.goto(`${job}/report`)
    await page.getByRole('button', { name: 'Make a link' }).click()
    const link = await page.getByTestId('link').getByRole('link').getAttribute('href')
    await expect(page.getByLabel('Their e-mail')).toHaveValue('office@pilots.example')
    await page.getByLabel('Their e-mail').fill('a@b.example, c@d.example')
    await page.getByRole('button', { name: 'Send it' }).click()
    await expect(page.getByTestId('fault')).toContainText('expected an e-mail address')
    await page.getByLabel('Their e-mail').fill('office@pilots.example')
    await page.getByRole('button', { name: 'Send it' }).click()
    await expect(page.getByTestId('mail-said')).toHaveText('Sent to office@pilots.example.')
    await page.goto(`${own.address}settings`)
    await page.getByTestId('letters').getByText('Pilot van 3: report from').click()
    await expect(page.getByTestId('letters')).toContainText(link!)

    // A deleted job of somebody else's goes for good, alone.
    await page.goto(own.address)
    const dunlin = page.getByTestId('job').filter({ hasText: 'Dunlin' })
    const menu = page.getByRole('button', { name: /What to do with .*Dunlin/ })
    await menu.click()
    await page.getByRole('menuitem', { name: 'Delete' }).click()
    await expect(dunlin).toHaveCount(0)
    await page.getByRole('button', { name: /Deleted/ }).click()
    await menu.click()
    await page.getByRole('menuitem', { name: 'Erase for good' }).click()
    await page.getByTestId('erase-job').getByRole('button', { name: 'Erase for good' }).click()
    await expect(page.getByTestId('erase-job')).toHaveCount(0)
    await expect(dunlin).toHaveCount(0)

    // What was looked for is kept on the device, for when the server is away.
    await page.goto(`${own.address}customers`)
    await page.getByTestId('search').fill('harbour pilots')
    await expect.poll(() => keptOf(page, NAME)).not.toEqual([])
    await page.goto(`${own.address}customers/${CUSTOMER}`)
    await page.getByRole('button', { name: 'Erase for good' }).click()
    const sheet = page.getByTestId('erase-customer')
    await expect(sheet.getByTestId('goes')).toContainText('8 jobs with')
    await expect(sheet.getByRole('button', { name: 'Erase for good' })).toBeDisabled()
    await sheet.getByLabel(/Type .* to erase/).fill(NAME)
    await sheet.getByRole('button', { name: 'Erase for good' }).click()
    await page.waitForURL(`${own.address}customers`)
    await expect(page.getByRole('link', { name: NAME })).toHaveCount(0)
    expect(await keptOf(page, NAME)).toEqual([])
    await page.goto(`${own.address}settings`)
    await expect(page.getByTestId('erasures')).toContainText('A customer, 5 vehicles, 8 jobs')
    await expect(page.getByTestId('letters')).toBeEmpty()
    await page.goto(link!)
    await expect(page.getByText('Pilot van 3')).toHaveCount(0)
  } finally {
    await own.drop()
  }
})
