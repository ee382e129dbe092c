import { read } from '../support/jobs'
import { expect, newJob, test } from './bench'

/** Customers and vehicles, from the counter to the bench. */

test('a new customer arrives with a vehicle, is found by phone, and its usage is read back, asked about and put right', async ({
  page
}) => {
  const tag = crypto.randomUUID().slice(0, 6)
  const phone = `0555 ${Math.floor(1e6 + Math.random() * 9e6)}`
  await page.goto('/')
  const arrive = async (usage: string) => {
    await page.getByRole('button', { name: 'New job' }).click()
    await page.getByLabel('Vehicle or boat').fill(`Skiff ${tag}`)
    await page.getByLabel('Usage', { exact: true }).fill(usage)
  }
  await arrive('148.200')
  await expect(page.getByRole('dialog')).toContainText('Read as 148 200 km.')
  await page.getByLabel('Registration').fill(`QQ-${tag}`)
  await page.getByLabel('Customer').fill(`Anne ${tag}`)
  await page.getByLabel('Their phone').fill(phone)
  await page.getByLabel('Engine').selectOption({ label: 'Ardmere A18, 1.8 l four' })
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/jobs\//)
  const job = page.url()

  await page.goto('/customers')
  await page.getByTestId('search').fill(phone.slice(2).replace(' ', ''))
  await page
    .getByTestId('customer')
    .filter({ hasText: `Anne ${tag}` })
    .click()
  await page.getByRole('button', { name: 'Change' }).click()
  await page.getByLabel('E-mail').fill('anne@two@ats')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByTestId('fault')).toContainText('expected an e-mail address')
  await page.getByLabel('E-mail').fill('anne@quay.example')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('link', { name: 'anne@quay.example' })).toBeVisible()
  await page
    .getByRole('link', { name: `Skiff ${tag}` })
    .first()
    .click()
  await expect(page.getByTestId('about-vehicle')).toContainText(`QQ-${tag}`)
  const vehicle = page.url()

  // Less than before is asked about, and kept all the same where it is right.
  await page.goto('/')
  await arrive('14820')
  await page.getByLabel('Engine').selectOption({ label: 'Ardmere A18, 1.8 l four' })
  await expect(page.getByTestId('usage-asked')).toContainText('less than the 148 200 km')
  await expect(page.getByRole('button', { name: 'Open the job' })).toBeDisabled()
  await page.getByLabel('It is right all the same').check()
  await expect(page.getByRole('button', { name: 'Open the job' })).toBeEnabled()
  await page.getByRole('button', { name: 'Cancel' }).click()

  await page.goto(`${job}?station=1`)
  await expect(page.getByTestId('finding-noise-always')).toBeVisible()
  await page.getByRole('button', { name: 'Put the usage right' }).click()
  await page.getByLabel('Usage, km').fill('158 200')
  await page.getByRole('button', { name: 'Put it right' }).click()
  await expect(page.getByText('158 200 km').first()).toBeVisible()
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

  await page.goto(vehicle)
  await expect(page.getByTestId('vehicle-job')).toContainText('158 200 km')
  await page.getByRole('button', { name: 'Add earlier work' }).click()
  await page.getByLabel('Day', { exact: true }).fill('2024-05-01')
  await page.getByLabel('By whom').fill('the garage before')
  await page.getByLabel('Usage', { exact: true }).fill('90,000')
  await page.getByLabel('What was done').fill('Chain and guide')
  await page.getByLabel('Timing chain').check()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByTestId('fitted')).toContainText('90 000 km')
  await expect(page.getByTestId('fitted')).toContainText('the garage before')
  await page.getByTestId('past-job').getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByTestId('past-job')).toHaveCount(0)
})

test('older records are tried, taken in without the rows that cannot be, and taken out again as one', async ({
  page
}) => {
  const tag = crypto.randomUUID().slice(0, 6)
  const lines = [
    'Client;Tel;Boat;Plate;Engine;Date;Mileage;Description',
    `Anne ${tag};0700 ${tag};Sloop ${tag};SL-${tag};Ardmere A18, 1.8 l four;01.05.2023;48.200;Chain and guide`,
    `Anne ${tag};0700 ${tag};Sloop ${tag};SL-${tag};;02.06.2024;40.000;Oil`,
    `Anne ${tag};0700 ${tag};Sloop ${tag};SL-${tag};;31.02.2024;1;Oil`
  ]
  await page.goto('/customers')
  await page.getByRole('link', { name: 'Take in older records' }).click()
  await page.getByTestId('intake-file').setInputFiles({
    name: `${tag}.csv`,
    mimeType: 'text/csv',
    buffer: Buffer.from(lines.join('\r\n'))
  })
  const columns = page.getByTestId('columns')
  await expect(columns.getByLabel('Client')).toHaveValue('customer')
  await expect(columns.getByLabel('Mileage')).toHaveValue('usage')
  await page.getByRole('button', { name: 'Try it' }).click()
  const tried = page.getByTestId('tried')
  await expect(tried).toContainText('New: 1 customer, 1 vehicle, 2 past jobs.')
  await expect(tried).toContainText('"31.02.2024" is no day')
  await expect(tried).toContainText('less than the 48 200 km')
  await tried.getByRole('button', { name: 'Take in 2 rows without the others' }).click()
  await expect(page.getByTestId('intake-said')).toContainText('2 rows were taken in.')
  await page.goto('/vehicles')
  await page.getByTestId('search').fill(`sl${tag}`)
  await page
    .getByTestId('vehicle')
    .filter({ hasText: `Sloop ${tag}` })
    .click()
  await expect(page.getByTestId('past-job')).toHaveCount(2)
  await page.goto('/intake')
  await page.getByTestId('intakes').getByRole('listitem').filter({ hasText: tag }).getByRole('button').click()
  await expect(page.getByTestId('intake-said')).toContainText('All of it was taken out again.')
})

test('the estimate has tax, typed lines and papers; settings say which tax', async ({ page, request }) => {
  const id = await newJob(request, [read.extension(18)])
  await page.goto(`/jobs/${id}/estimate`)
  const sums = page.getByTestId('sums')
  await expect(sums).toContainText('Tax 21 % of')
  const before = await sums.textContent()
  await page.getByRole('button', { name: 'Add a line' }).click()
  const typed = page.getByTestId('typed-lines')
  await typed.getByLabel('What', { exact: true }).fill('Timing case cleaned')
  await typed.getByLabel('Hours').fill('1,5')
  await typed.getByLabel('Price each').fill('eighty')
  await typed.getByRole('button', { name: 'Keep these lines' }).click()
  await expect(typed.getByRole('alert')).toContainText('as numbers')
  await typed.getByLabel('Price each').fill('80')
  await typed.getByLabel('Tax').selectOption({ label: 'Tax, low' })
  await typed.getByRole('button', { name: 'Keep these lines' }).click()
  await expect(sums).toContainText('Tax, low 9 % of 120.00 EUR')
  await expect(page.getByTestId('estimate')).toContainText('Timing case cleaned')
  expect(await sums.textContent()).not.toBe(before)
  await typed.getByLabel('These lines alone, without the path’s').check()
  await typed.getByRole('button', { name: 'Keep these lines' }).click()
  await expect(sums).toContainText('130.80 EUR')
  for (const [file, type] of [
    ['estimate.pdf', 'application/pdf'],
    ['order.pdf', 'application/pdf'],
    ['worksheet.pdf', 'application/pdf'],
    ['build.pdf', 'application/pdf'],
    ['label.pdf', 'application/pdf'],
    ['estimate.csv', 'text/csv'],
    ['order.csv', 'text/csv']
  ] as const) {
    const answer = await request.get(`/api/jobs/${id}/${file}`)
    expect([file, answer.status(), answer.headers()['content-type']?.split(';')[0]]).toEqual([file, 200, type])
  }
})
