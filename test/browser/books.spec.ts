import { expect, test } from './bench'

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
