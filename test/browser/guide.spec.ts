import { expect, newJob, openBench, part, test } from './bench'

test('somebody new is guided through a whole job, from the complaint to the letter', async ({ page }) => {
  test.slow()
  await page.addInitScript(() => localStorage.setItem('umbrette.by', 'Maren'))
  await page.goto('/')
  await expect(page.getByTestId('needs-now').getByRole('listitem')).toHaveCount(3)
  await page.getByTestId('start-guide').click()
  const guide = page.getByTestId('guide')
  await expect(guide).toContainText('Step 1 of 8')
  await page.getByTestId('finding-noise-idle-only').click()
  for (const [step, figure] of [
    [2, '3.6'],
    [3, '15.9'],
    [4, '0.3'],
    [5, '160.7']
  ] as const) {
    await expect(guide).toContainText(`Step ${step} of 8`)
    await page.getByTestId('guide-go').click()
    await page.getByTestId('figure').fill(figure)
    await page.getByTestId('save').click()
  }
  await expect(guide).toContainText('Step 6 of 8')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await page.getByTestId('guide-go').click()
  await expect(page.getByTestId('plain').first()).toContainText('Timing chain')
  await page.getByRole('button', { name: 'Sign the verdict' }).click()
  await expect(guide).toContainText('Step 7 of 8')
  await page.getByTestId('guide-go').click()
  await page
    .getByRole('button', { name: /^Advise/ })
    .first()
    .click()
  await expect(guide).toContainText('Step 8 of 8')
  await page.getByTestId('guide-go').click()
  await expect(page.getByTestId('guide-done')).toContainText('That was a whole job')
  await expect(page.getByTestId('report-found')).toContainText('Hydraulic ratchet tensioner stands 15.9 mm out')
  await page.getByTestId('guide-leave').click()
  await expect(guide).toHaveCount(0)
})

test('how a figure is read and a finding looked for opens in place, drawn from the sheet, and prints', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await page.getByTestId('how-open').click()
  const how = page.getByTestId('how')
  await expect(how).toContainText('Depth gauge')
  await expect(how.getByRole('listitem')).toHaveCount(2)
  await expect(how.getByRole('img').locator('[data-name="groove bottom"]')).toHaveCount(1)
  await page.getByTestId('side-findings').click()
  await page.getByTestId('how-open').click()
  await page.getByTestId('how-finding').selectOption('cracked')
  await expect(how.locator('[data-name=crack]')).toHaveCount(1)
  await page.getByRole('link', { name: 'Print all of this engine' }).click()
  await expect(page).toHaveURL(/\/how$/)
  expect(await page.getByTestId('how').count()).toBeGreaterThan(15)
})

test('a station explains itself once', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  const hint = page.getByTestId('station-hint')
  await expect(hint).toContainText('Set to the mark')
  await hint.getByRole('button').click()
  await expect(hint).toHaveCount(0)
  await page.keyboard.press('4')
  await expect(hint).toContainText('Read the tensioner as found')
  await page.reload()
  await expect(page.getByTestId('drive-map')).toBeVisible()
  await page.keyboard.press('3')
  await expect(page.getByTestId('station-hint')).toHaveCount(0)
})

test('parts that nobody looked at stand in one line of the verdict, each leading to what would settle it', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}/verdict`)
  await expect(page.getByTestId('unlooked')).toContainText(/Nobody has looked at these \d+ parts yet/)
  await expect(page.getByTestId('call-guide')).toBeHidden()
  await page.getByTestId('unlooked-each').click()
  await expect(page.getByTestId('call-guide')).toBeVisible()
  await page.getByTestId('unlooked-guide').click()
  await expect(page).toHaveURL(/read=groove:guide/)
  await expect(page.getByTestId('figure')).toBeVisible()
})

test('on a telephone the drive stands small above what is read, and opens; the open station is in view', async ({
  page,
  request
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const id = await newJob(request)
  await page.goto(`/jobs/${id}?station=5`)
  const map = page.getByTestId('drive-map')
  await expect(map).toBeVisible()
  expect((await map.boundingBox())!.height).toBeLessThan(240)
  await expect(part(page, 'Fixed guide')).toHaveCount(0)
  const station = page.locator('[aria-current=step]')
  await expect(station).toBeInViewport({ ratio: 1 })
  await page.getByTestId('map-size').click()
  await part(page, 'Tensioner arm').click()
  await expect(page.getByRole('heading', { name: 'Tensioner arm' })).toBeVisible()
})

test('left-handed, the reading sheet stands at the left, and stays there', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  const sheetAt = async () => (await page.getByRole('complementary', { name: 'Reading sheet' }).boundingBox())!.x
  expect(await sheetAt()).toBeGreaterThan(600)
  await page.getByTestId('units').click()
  await page.getByRole('radio', { name: 'Left' }).click()
  await page.keyboard.press('Escape')
  await expect.poll(sheetAt).toBeLessThan(20)
  await page.reload()
  await expect.poll(sheetAt).toBeLessThan(20)
  await part(page, 'Fixed guide').click()
  await expect(page.getByRole('heading', { name: 'Fixed guide' })).toBeVisible()
})
