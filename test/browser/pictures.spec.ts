import { writeFileSync } from 'node:fs'
import sharp from 'sharp'
import type { Page } from '@playwright/test'
import type { Act } from '../../core/record'
import { expect, newJob, openBench, part, test } from './bench'

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

const [TENSIONER, CHAIN] = ['Hydraulic ratchet tensioner', 'Timing chain']

/** Where a point of the photo stands on the screen. */
async function onPlate(page: Page, [x, y]: readonly [number, number]): Promise<[number, number]> {
  const box = (await page.getByTestId('photo-plate').boundingBox())!
  const [width, height] = await page
    .getByTestId('photo-plate')
    .locator('img')
    .evaluate((img: HTMLImageElement): [number, number] => [img.naturalWidth, img.naturalHeight])
  const scale = Math.min(box.width / width, box.height / height)
  return [box.x + (box.width - width * scale) / 2 + x * scale, box.y + (box.height - height * scale) / 2 + y * scale]
}

async function actsOf(page: Page, id: string): Promise<Act[]> {
  const { acts } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { acts: { act: Act }[] }
  return acts.map(({ act }) => act)
}

test('an extension is measured on a photo beside the scale card, kept with its photo, opened and corrected', async ({
  page,
  request
}) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, TENSIONER).click()
  await page.getByTestId('side-photos').click()
  await page.getByTestId('practice-camera').click()
  await page.getByRole('link', { name: 'Measure on it' }).click()
  await expect(page.getByTestId('card-found')).toHaveText('Scale card found: all four of its codes.')
  // Keys alone: the first point starts in the middle, the second by a tap.
  const plate = page.getByTestId('photo-plate')
  await plate.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-tap=part-0]')).toBeVisible()
  await page.mouse.click(...(await onPlate(page, [1250, 900])))
  await expect(page.getByTestId('measured')).toHaveText(/\d+\.\d mm/)
  const first = parseFloat(await page.getByTestId('measured').innerText())
  // Dragged under the magnifier it grows.
  const [x, y] = await onPlate(page, [1250, 900])
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 6, y, { steps: 3 })
  await page.mouse.move(x + 12, y)
  await page.mouse.up()
  await expect.poll(async () => parseFloat(await page.getByTestId('measured').innerText())).toBeGreaterThan(first + 0.5)
  await expect(page.getByText('What limits it')).toBeVisible()
  await page.getByTestId('keep').click()
  await expect(page.getByText('Saved as a reading, with the photo and its points.')).toBeVisible()
  await saved(page)
  const kept = (await actsOf(page, id)).find((act) => act.type === 'read')
  if (kept?.type !== 'read') throw new Error('expected a reading')
  expect(kept.reading).toMatchObject({ kind: 'extension', method: 'photo' })
  expect(kept.reading.sigma).toBeLessThan(1.5)
  expect(kept.picture!.ends).toHaveLength(2)

  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByTestId('on-photo').click()
  await expect(page.getByTestId('measured')).toHaveText(`${Number(kept.reading.value).toFixed(1)} mm`)
  await page.getByTestId('end-part-1').click()
  await plate.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowLeft')
  await page.getByTestId('keep').click()
  await saved(page)
  const corrected = (await actsOf(page, id)).filter((act) => act.type === 'read')
  expect(corrected).toHaveLength(2)
  expect(corrected[1]).toMatchObject({ supersedes: kept.id })
})

test('an old chain beside a new one: the difference, with its doubt', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await part(page, CHAIN).click()
  await page.getByTestId('side-photos').click()
  await page.getByTestId('practice-camera').click()
  await page.getByRole('link', { name: 'Measure on it' }).click()
  await expect(page.getByTestId('card-found')).toBeVisible()
  for (const at of [
    [620, 620],
    [1710, 640],
    [620, 740],
    [1706, 760]
  ] as const)
    await page.mouse.click(...(await onPlate(page, at)))
  await expect(page.getByTestId('measured')).toContainText('longer than new')
  await page.getByTestId('keep').click()
  await saved(page)
  expect((await actsOf(page, id)).find((act) => act.type === 'read')).toMatchObject({
    reading: { kind: 'chainCompare', links: 20 },
    picture: { newEnds: [expect.anything(), expect.anything()] }
  })
})

test('without a card two points of known distance give the scale; a photo that is gone says so', async ({
  page,
  request
}, info) => {
  const id = await newJob(request)
  await sharp({ create: { width: 900, height: 600, channels: 3, background: '#667' } })
    .jpeg()
    .toFile(info.outputPath('plain.jpg'))
  await openBench(page, id)
  await part(page, TENSIONER).click()
  await page.getByTestId('side-photos').click()
  await page.getByTestId('photo-input').setInputFiles(info.outputPath('plain.jpg'))
  await page.getByRole('link', { name: 'Measure on it' }).click()
  await expect(page.getByText('Without a card, tap two points whose distance you know.')).toBeVisible()
  for (const at of [
    [200, 200],
    [290, 200],
    [200, 400],
    [500, 400]
  ] as const)
    await page.mouse.click(...(await onPlate(page, at)))
  await expect(page.getByText('Put every point.')).toBeVisible()
  await page.getByTestId('known-mm').fill('50')
  await expect(page.getByTestId('measured')).toHaveText(/^1[45]\.\d mm$/)
  await page.goto(`/jobs/${id}/measure?photo=nothing&part=tensioner`)
  await expect(page.getByText('This photo is not here')).toBeVisible()
})

test('the scale card is printed on paper of its own size', async ({ request }, info) => {
  for (const size of ['a6', 'a5']) {
    const answer = await request.get(`/api/card/${size}.pdf`)
    expect(answer.headers()['content-type']).toBe('application/pdf')
    const body = await answer.body()
    expect(body.subarray(0, 5).toString()).toBe('%PDF-')
    writeFileSync(info.outputPath(`${size}.pdf`), body)
  }
})
