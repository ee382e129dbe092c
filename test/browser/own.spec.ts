import { mkdirSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import type { Page } from '@playwright/test'
import { workshopDatabase } from '../../scripts/database.mjs'
import { stopPostgres } from '../../scripts/postgres.mjs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { setUp } from '../../scripts/setup.mjs'
import { enter, expect, test } from './bench'

/** A workshop of one's own: set up empty, its name on pages and papers, and the way to its first job. */

async function fill(page: Page, fields: Record<string, string>): Promise<void> {
  for (const [label, value] of Object.entries(fields)) await page.getByLabel(label, { exact: true }).fill(value)
}

test('from setup to the first own job, with its name and address on the report', async ({ page }) => {
  test.setTimeout(150_000)
  const folder = resolve('.data/test-own')
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  await setUp(
    folder,
    {
      name: 'Harbour Repairs',
      units: 'imperial',
      'time-zone': 'Europe/Lisbon',
      person: 'Ada',
      passphrase: 'quay one quay two'
    },
    { fast: true }
  )
  const database = await workshopDatabase(folder, { kind: 'own', fast: true })
  const { address } = await startServer(folder, database, { kind: 'own', first: 4640 })
  try {
    await page.goto(address)
    await expect(page).toHaveURL(/\/sign-in/)
    await expect(page.getByText('Harbour Repairs')).toBeVisible()
    await fill(page, { 'Your name': 'Ada', Passphrase: 'quay one quay' })
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page.getByRole('alert')).toContainText('No such name with this passphrase')
    await fill(page, { Passphrase: 'quay one quay two' })
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.waitForURL(address)
    await expect(page.locator('#__nuxt [inert]')).toHaveCount(0)
    await expect(page.getByRole('banner')).toContainText('Harbour Repairs')
    await expect(page.getByTestId('job')).toHaveCount(0)
    // The workshop's units, until this device chooses its own.
    await expect(page.getByTestId('units')).toHaveText('in, mi')

    await page.getByRole('link', { name: 'Settings' }).click()
    await fill(page, { 'Name of the workshop': ' ', Address: 'Quay 1\nHarbour', 'Tax number': 'X 12' })
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByTestId('fault')).toContainText("write the workshop's name")
    await fill(page, { 'Name of the workshop': 'Harbour Repairs & Sons', 'Foot of each report': 'Open from eight.' })
    await page.getByRole('radiogroup', { name: 'Lengths in' }).getByRole('radio', { name: 'millimetres' }).click()
    await page.getByTestId('logo-input').setInputFiles('public/icon-192.png')
    await expect(page.getByTestId('logo')).toBeVisible()
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByTestId('settings-saved')).toBeVisible()
    await expect(page.getByRole('banner')).toContainText('Harbour Repairs & Sons')
    await expect(page.getByTestId('units')).toHaveText('mm, mi')

    await page.goto(`${address}engines/new`)
    await fill(page, {
      Name: 'Osier O22 twin',
      Cylinders: '2',
      'Pitch, mm': '6.35',
      Links: '104',
      'Teeth, crank sprocket': '17',
      'Teeth, each cam': '34'
    })
    await page.getByRole('radio', { name: '2', exact: true }).click()
    await fill(page, {
      'Crank to intake cam': '43',
      'Intake cam to exhaust cam': '18',
      'Exhaust cam to crank': '43',
      'Extension, new drive, mm': '4',
      'Extension at the limit, mm': '14.5',
      'Stroke, mm': '20',
      'Elongation limit, %': '0.6',
      'Where the limits come from (manual, edition, page)': 'manual, page 41'
    })
    await page.getByRole('button', { name: 'Keep this engine' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Osier O22 twin' })).toBeVisible()

    await page.goto(address)
    await page.getByRole('button', { name: 'New job' }).click()
    await page.getByLabel('Vehicle or boat').fill('Osier ferry')
    await page.getByLabel('Engine').selectOption({ label: 'Osier O22 twin' })
    await page.getByLabel('Usage', { exact: true }).fill('1200')
    await page.getByRole('button', { name: 'Open the job' }).click()
    await page.waitForURL(/\/jobs\//)
    const job = page.url().replace(/\?.*/, '')
    await page.goto(`${job}?read=extension:tensioner`)
    await enter(page, '11')
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

    await page.goto(`${job}/report`)
    await expect(page.getByTestId('letterhead')).toHaveText(
      /Harbour Repairs & Sons\s*Quay 1\s*Harbour\s*Tax number X 12/
    )
    await expect(page.getByRole('img', { name: 'Harbour Repairs & Sons' })).toHaveAttribute('src', /^data:image\/png/)
    await expect(page.getByTestId('report-foot')).toHaveText('Open from eight.')
    await expect(page.getByText('Saltmarsh')).toHaveCount(0)
  } finally {
    await stopServer(folder, 'own')
    await stopPostgres(folder)
  }
})
