import type { Browser, Page } from '@playwright/test'
import sharp from 'sharp'
import { addPerson, ownWorkshop, type OwnWorkshop, signIn, signInOn, takeInJob } from './ownWorkshop'
import { expect, test as bare, wakeful } from './bench'

/** People and devices of a closed workshop, as they are used: pairing by code, PIN, handing over, a phone as camera. */

let own: OwnWorkshop
let job = ''
bare.describe.configure({ mode: 'serial', timeout: 90_000 })
bare.beforeAll(async () => {
  own = await ownWorkshop('test-devices', 4690)
  const ada = await signIn(own.address, 'Ada')
  await addPerson(own.address, ada, 'Ben', 'mechanic', '2580')
  await addPerson(own.address, ada, 'Fay', 'foreman', '9157')
  job = await takeInJob(own.address, ada)
})
bare.afterAll(() => own?.drop())

/** A browser of somebody's own, or of a device. */
async function browserOf(browser: Browser, viewport = { width: 1280, height: 800 }): Promise<Page> {
  const context = await browser.newContext({ viewport, baseURL: own.address })
  return wakeful(await context.newPage())
}

/** Touches a name and a PIN on a paired device. */
async function takeOver(page: Page, name: string, pin: string): Promise<void> {
  await page.getByTestId('who-takes-over').getByRole('button', { name }).click()
  for (const digit of pin) await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByTestId('who')).toContainText(name)
}

async function handOver(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByTestId('who').click()
  await page.getByRole('button', { name: 'Hand over or sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Who takes over?' })).toBeVisible()
}

bare(
  'a tablet is paired by the code that is shown, within seconds; people take over on it, and it is taken out',
  async ({ browser }) => {
    const owner = await browserOf(browser)
    await signInOn(owner, own.address, 'Ada', '/people')
    await owner.getByLabel('Name of the device').fill('Lift 2')
    await owner.getByRole('button', { name: 'Show its code' }).click()
    await expect(owner.getByTestId('qr')).toBeVisible()
    const code = await owner.getByTestId('pairing-code').textContent()

    const tablet = await browserOf(browser, { width: 1024, height: 768 })
    const begun = Date.now()
    await tablet.goto(`/pair/${code}`)
    await tablet.getByRole('button', { name: 'Pair this device' }).click()
    await expect(tablet.getByRole('heading', { name: 'Who takes over?' })).toBeVisible()
    expect(Date.now() - begun).toBeLessThan(20_000)
    await expect(owner.getByTestId('devices')).toContainText('Lift 2')

    await takeOver(tablet, 'Ben', '2580')
    // What he may: jobs, not people or settings.
    const places = tablet.getByRole('navigation', { name: 'Places' })
    await expect(places.getByRole('link', { name: 'Vehicles' })).toBeVisible()
    await expect(places.getByRole('link', { name: 'People' })).toHaveCount(0)
    await handOver(tablet)
    await takeOver(tablet, 'Fay', '9157')
    await expect(places.getByRole('link', { name: 'People' })).toBeVisible()

    await owner.getByTestId('devices').getByRole('button', { name: 'Take out' }).click()
    await expect(owner.getByTestId('devices')).not.toContainText('Lift 2')
    await tablet.goto('/')
    await expect(tablet.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await expect(tablet.getByTestId('who-takes-over')).toHaveCount(0)
  }
)

bare(
  'what waits on a tablet is its author’s: sealed when they hand over, sent by nobody else, taken over by name',
  async ({ browser }) => {
    const owner = await browserOf(browser)
    await signInOn(owner, own.address, 'Ada', '/people')
    await owner.getByLabel('Name of the device').fill('Lift 3')
    await owner.getByRole('button', { name: 'Show its code' }).click()
    const tablet = await browserOf(browser, { width: 1024, height: 768 })
    await tablet.goto(`/pair/${await owner.getByTestId('pairing-code').textContent()}`)
    await tablet.getByRole('button', { name: 'Pair this device' }).click()
    await takeOver(tablet, 'Ben', '2580')

    // Entries do not get through; the rest does.
    await tablet.route('**/acts', (route) => (route.request().method() === 'POST' ? route.abort() : route.fallback()))
    await tablet.goto(`/jobs/${job}?read=groove:guide`)
    await tablet.getByTestId('figure').fill('0.77')
    await tablet.getByTestId('save').click()
    await expect(tablet.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')
    await handOver(tablet)
    const left = await tablet.evaluate(() => JSON.stringify({ ...localStorage }))
    expect(left).not.toContain('0.77')
    expect(left).not.toContain('groove')
    expect(await tablet.evaluate(() => caches.has('umbrette-answers'))).toBe(false)
    await tablet.unroute('**/acts')

    await takeOver(tablet, 'Fay', '9157')
    await tablet.goto(`/jobs/${job}?read=groove:guide`)
    await expect(tablet.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
    await tablet.getByTestId('who').click()
    await expect(tablet.getByTestId('left')).toContainText('Ben left an entry')
    await tablet.getByRole('button', { name: 'Take over in my name' }).click()
    await expect(tablet.getByTestId('left')).toHaveCount(0)
    await expect
      .poll(() =>
        tablet.evaluate(async (id) => {
          const { acts } = (await (await fetch(`/api/jobs/${id}`)).json()) as {
            acts: { act: { by: string; madeBy?: string; reading?: { value?: number } } }[]
          }
          const taken = acts.filter(({ act }) => act.reading?.value === 0.77)
          return taken.map(({ act: { by, madeBy } }) => ({ by, madeBy }))
        }, job)
      )
      .toEqual([{ by: 'Fay', madeBy: 'Ben' }])
  }
)

bare('who signs in again finds what they left: it goes out in their own name', async ({ browser }) => {
  const page = await browserOf(browser)
  await signInOn(page, own.address, 'Ben')
  await page.route('**/acts', (route) => (route.request().method() === 'POST' ? route.abort() : route.fallback()))
  await page.goto(`/jobs/${job}?read=groove:arm`)
  await page.getByTestId('figure').fill('0.66')
  await page.getByTestId('save').click()
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')
  await page.goto('/')
  await page.getByTestId('who').click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.unroute('**/acts')
  await signInOn(page, own.address, 'Ben', `/jobs/${job}`)
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  await expect
    .poll(() =>
      page.evaluate(async (id) => {
        const { acts } = (await (await fetch(`/api/jobs/${id}`)).json()) as {
          acts: { act: { by: string; reading?: { value?: number } } }[]
        }
        return acts.filter(({ act }) => act.reading?.value === 0.66).map(({ act }) => act.by)
      }, job)
    )
    .toEqual(['Ben'])
})

bare(
  'a phone is the bench’s camera: its picture lands on the part that is open, and follows it',
  async ({ browser }) => {
    const bench = await browserOf(browser)
    await signInOn(bench, own.address, 'Fay', `/jobs/${job}`)
    await bench.goto(`/jobs/${job}?read=groove:guide`)
    await bench.getByTestId('phone').click()
    await expect(bench.getByTestId('qr')).toBeVisible()
    const address = (await bench.getByTestId('camera-address').textContent())!.trim()
    await bench.getByRole('button', { name: 'Done' }).click()

    const phone = await browserOf(browser, { width: 390, height: 844 })
    await signInOn(phone, own.address, 'Ben')
    await phone.goto(address)
    await expect(phone.getByTestId('camera-part')).toHaveText('Fixed guide')
    const picture = await sharp({ create: { width: 320, height: 240, channels: 3, background: '#345' } })
      .jpeg()
      .toBuffer()
    const shoot = () =>
      phone.getByTestId('camera-input').setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: picture })
    await expect(phone.getByTestId('camera-input')).toHaveAttribute('capture', 'environment')
    await shoot()
    await expect(phone.getByTestId('camera-taken').getByRole('img', { name: 'Fixed guide' })).toHaveCount(1)

    await bench.getByRole('button', { name: /^Tensioner arm:/ }).click()
    await expect(phone.getByTestId('camera-part')).toHaveText('Tensioner arm')
    await shoot()
    await expect(phone.getByTestId('camera-taken').getByRole('img', { name: 'Tensioner arm' })).toHaveCount(1)
    // On the bench it stands with the part, without a reload.
    await bench
      .getByRole('tab', { name: /Photos/ })
      .or(bench.getByRole('button', { name: /^Photos/ }))
      .first()
      .click()
    await expect(bench.getByTestId('photo')).toHaveCount(1)
  }
)
