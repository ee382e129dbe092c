import { writeFileSync } from 'node:fs'
import sharp from 'sharp'
import type { Page } from '@playwright/test'
import { asNew, camsOf, chainModel, chainPicture } from '../../core/drive'
import { type Point, rotate } from '../../core/math'
import type { Act } from '../../core/record'
import type { DriveSheet } from '../../core/sheet'
import { inspectionsOf, makeCase, readCode, sightOf } from '../../core/views/practice'
import { figurePhoto, practiceFront, practicePhoto } from '../../demo/cameraSource'
import { PRACTICE_SHEETS } from '../../demo/workshop'
import { SIGHT_PHOTO, tellCase } from '../../words/en'
import { changed, sheet } from '../support/sheets'
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

/** A part's photos opened, the practice camera held so, and the photo measured on. */
async function practise(page: Page, name: string, how: 'practice-camera' | 'practice-front'): Promise<void> {
  await part(page, name).click()
  await page.getByTestId('side-photos').click()
  await page.getByTestId(how).click()
  await page.getByRole('link', { name: 'Measure on it' }).click()
  await expect(page.getByTestId('photo-plate')).toBeVisible()
}
const ardmere = sheet('ardmere-a18')
const standing = (of: DriveSheet) =>
  of.chains.map((chain) => {
    const model = chainModel(of, chain)
    return chainPicture(
      of,
      chain,
      asNew(model),
      camsOf(of, chain).map(() => 0)
    )!
  })
const on = ([x, y]: Point, radius: number, angle: number): Point => {
  const [dx, dy] = rotate([radius, 0], angle)
  return [x + dx, y + dy]
}

test('a mark is read against its pointer by pins on the rim, kept and opened with them', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await practise(page, 'Intake cam sprocket', 'practice-camera')
  await expect(page.getByTestId('asked')).toHaveValue('marks')
  const { pixel } = practicePhoto(ardmere, {}, 'cam-in', 0)!
  const { centre, radius, mark } = standing(ardmere)[0]!.sprockets.find(({ id: own }) => own === 'cam-in')!
  const rim = [100, 150, 200, 250, 300, 350].map((angle) => on(centre, radius, angle))
  const late = on(centre, radius - 8.8, mark!.at + 4)
  await expect(page.getByTestId('end-rim-0')).toHaveAttribute('aria-pressed', 'true')
  for (const point of [...rim, late, on(centre, radius + 12, mark!.should)])
    await page.mouse.click(...(await onPlate(page, pixel(point))))
  // 4 degrees of the cam against its turning are 8 of the crank.
  await expect(page.getByTestId('measured')).toHaveText(/^[78]\.\d° late, crank$/)
  await page.getByTestId('keep').click()
  await saved(page)
  const kept = (await actsOf(page, id)).find((act) => act.type === 'read')
  if (kept?.type !== 'read') throw new Error('expected a reading')
  expect(kept.reading).toMatchObject({ kind: 'camLag', sprocket: 'cam-in', method: 'marks' })
  expect(kept.picture!.rim).toHaveLength(6)
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByTestId('on-photo').click()
  await expect(page.getByTestId('measured')).toHaveText(/^[78]\.\d° late, crank$/)
})

test('at the upper levels of the practice stand a figure is measured on a photo', async ({ page }) => {
  const key = 'A3-7KQ2MD'
  const read = readCode(key, PRACTICE_SHEETS)
  const engine = tellCase(makeCase(ardmere, read.level, read.seed, read.edition))
  const inspection = inspectionsOf(engine.drive).find(({ id: own }) => own === 'extension:tensioner')!
  const [extension] = sightOf(engine, inspection, { attempt: 0, turnedForward: false }).figures
  await page.goto(`/practice/${key}`)
  await page.getByTestId('inspection-extension:tensioner').click()
  await page.getByTestId('look').click()
  await page.getByTestId('show-photo').click()
  await expect(page.getByTestId('photo-plate')).toBeVisible()
  await expect(page.getByText(SIGHT_PHOTO.findsTheCard)).toHaveCount(0)
  const { pixel } = figurePhoto('extension', extension!, engine.drive, 'tensioner', engine.seed)
  for (const x of [0, extension!]) await page.mouse.click(...(await onPlate(page, pixel([x, 28]))))
  await page.getByTestId('keep-photo').click()
  const written = Number(await page.getByTestId('figure-0').inputValue())
  expect(Math.abs(written - extension!)).toBeLessThan(1)
})

test('links are ticked along the chain, corrected by hand, and counted to their run', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await practise(page, CHAIN, 'practice-front')
  await page.getByTestId('asked').selectOption('links')
  await page.getByTestId('links-run').selectOption('cam-ex>cam-in')
  const { pixel } = practiceFront(ardmere, {}, 0)!
  const { pins, colouredLinks } = standing(ardmere)[0]!
  const [from, to] = [colouredLinks[1]!, colouredLinks[2]!]
  for (let k = 0; k <= 4; k++)
    await page.mouse.click(...(await onPlate(page, pixel(pins[from + Math.round(((to - from) * k) / 4)]!))))
  await expect(page.getByTestId('links-counted')).toHaveText('20 links')
  await expect(page.locator('[data-tap=tick-20]')).toBeVisible()
  // One tick too few is put back; what was corrected by hand is said.
  const tick = (await page.locator('[data-tap=tick-7]').boundingBox())!
  await page.mouse.click(tick.x + tick.width / 2, tick.y + tick.height / 2)
  await page.getByTestId('tick-away').click()
  await expect(page.getByTestId('links-counted')).toHaveText('19 links')
  await page.getByTestId('tick-after').click()
  await expect(page.getByTestId('links-counted')).toHaveText('20 links')
  await expect(page.getByTestId('links-said')).toHaveText('Counted from the ticks as you left them.')
  await page.getByTestId('keep').click()
  await saved(page)
  const kept = (await actsOf(page, id)).find((act) => act.type === 'read')
  if (kept?.type !== 'read') throw new Error('expected a reading')
  expect(kept.reading).toMatchObject({ kind: 'linkCount', from: 'cam-ex', to: 'cam-in', value: 20 })
  expect(kept.picture!.ticks).toHaveLength(21)
})

test('a groove is measured at its cut end', async ({ page, request }) => {
  const id = await newJob(request)
  await openBench(page, id)
  await practise(page, 'Fixed guide', 'practice-camera')
  await expect(page.getByTestId('card-found')).toBeVisible()
  await expect(page.getByTestId('asked')).toHaveValue('groove')
  const { pixel } = practicePhoto(ardmere, {}, 'guide', 0)!
  for (const at of [
    [-20, 34],
    [-20, 32.6]
  ] as const)
    await page.mouse.click(...(await onPlate(page, pixel(at))))
  await expect(page.getByTestId('measured')).toHaveText(/^1\.[345] mm$/)
  await page.getByTestId('keep').click()
  await saved(page)
  expect((await actsOf(page, id)).find((act) => act.type === 'read')).toMatchObject({
    reading: { kind: 'groove', rail: 'guide', method: 'photo' }
  })
})

test('an engine from counts is placed on a photo of its front: it settles, closes and opens in the editor', async ({
  page,
  request
}) => {
  const counted = changed(sheet('quillon-q40-counted'), (d) => Object.assign(d, { id: 'photo-q40', name: 'Photo Q40' }))
  expect(
    (await request.post('/api/sheets', { data: { sheet: counted, basedOn: 0, by: 'Maren', note: '' } })).ok()
  ).toBe(true)
  await page.goto('/engines/photo-q40')
  await page.getByRole('link', { name: 'Coordinates from a photo' }).click()
  await page.getByTestId('front-practice').selectOption('quillon-q40')
  await expect(page.getByTestId('card-found')).toBeVisible()
  await page.getByRole('radio', { name: 'new', exact: true }).click()
  const drawn = sheet('quillon-q40')
  const { pixel } = practiceFront(drawn, {}, 1)!
  const [picture] = standing(drawn)
  const tap = async (step: string, points: readonly Point[]) => {
    await page.getByTestId(`step-${step}`).click()
    for (const point of points) await page.mouse.click(...(await onPlate(page, pixel(point))))
  }
  for (const { id, centre, radius } of picture!.sprockets)
    await tap(
      `rim-${id}`,
      [15, 90, 165, 240, 315].map((angle) => on(centre, radius, angle))
    )
  await expect(page.getByTestId('front-lacks')).toContainText('the curve of')
  for (const { id, centre, radius, from, to, pivot } of picture!.rails) {
    await tap(
      `curve-${id}`,
      [0, 0.33, 0.66, 1].map((share) => on(centre, radius, from + share * (to - from)))
    )
    if (pivot) await tap(`pivot-${id}`, [pivot])
  }
  const { seat, tip, axis } = picture!.tensioner!
  await tap('plunger-lifter', [[seat[0] - 40 * axis[0], seat[1] - 40 * axis[1]], seat, tip])
  await expect(page.getByTestId('front-lacks')).toHaveText('Nothing: the sheet has all its coordinates.')
  await expect(page.getByTestId('front-closing')).toContainText(/(87\.9\d|88\.0\d) of 88 links/)
  // A reload keeps photo and points.
  await page.reload()
  await expect(page.getByTestId('front-closing')).toContainText('of 88 links')
  await page.getByTestId('front-put').click()
  await expect(page.getByTestId('front-beside')).toBeVisible()
  await expect(page.getByTestId('closing')).toContainText('88.0')
  await page.getByTestId('save-sheet').click()
  await expect(page).toHaveURL(/engines\/photo-q40$/)
  const kept = (await (await request.get('/api/sheets/photo-q40')).json()) as { sheet: DriveSheet }
  const [crank, cam] = kept.sheet.sprockets.map(({ centre }) => centre!)
  const [trueCrank, trueCam] = drawn.sprockets.map(({ centre }) => centre!)
  const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])
  expect(Math.abs(apart(crank!, cam!) - apart(trueCrank!, trueCam!))).toBeLessThan(1.5)
})

test('what is no photo to measure on is said in a word, and nothing of it is kept', async ({ page }, info) => {
  const file = async (name: string, make: () => Promise<Buffer>) => {
    writeFileSync(info.outputPath(name), await make())
    return info.outputPath(name)
  }
  const photo = () =>
    sharp({ create: { width: 900, height: 600, channels: 3, background: '#677' } })
      .jpeg()
      .toBuffer()
  await page.goto('/engines/ardmere-a18/photo')
  const offer = async (path: string) => page.getByTestId('front-photo').setInputFiles(path)
  const cannot = page.getByText('This browser cannot open the photo.')
  await offer(await file('words.jpg', async () => Buffer.from('no picture at all')))
  await expect(cannot).toBeVisible()
  await offer(await file('cut.jpg', async () => (await photo()).subarray(0, 300)))
  await expect(cannot).toBeVisible()
  const large = await file('large.png', () =>
    sharp({ create: { width: 8000, height: 8000, channels: 3, background: '#333' } })
      .png()
      .toBuffer()
  )
  await offer(large)
  await expect(page.getByText('This photo is larger than 60 megapixels')).toBeVisible()
  // A photo of something else is opened: no card, nothing settled, said what to do.
  await offer(await file('wall.jpg', photo))
  await expect(page.getByText('Tap the pins of two sprockets or more')).toBeVisible()
  await expect(page.getByTestId('card-found')).toBeHidden()
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
