import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, chromium, type Page } from '@playwright/test'
import sharp from 'sharp'
import {
  addPerson,
  ask,
  type Cookies,
  ownWorkshop,
  type OwnWorkshop,
  signIn,
  signInOn,
  takeInJob,
  told
} from './ownWorkshop'
import { expect, test as bare, wakeful } from './bench'

/** A tablet with the server away: through a reload, the browser's end, and a newer version while entries wait. */

let own: OwnWorkshop
let ben: Cookies
let job = ''
const profile = mkdtempSync(join(tmpdir(), 'umbrette-tablet-'))
const PORT = 4730
const SLOW = '/api/slow'
bare.describe.configure({ mode: 'serial', timeout: 120_000 })
bare.beforeAll(async () => {
  own = await ownWorkshop('test-offline', PORT)
  const ada = await signIn(own.address, 'Ada')
  await addPerson(own.address, ada, 'Ben', 'mechanic')
  ben = await signIn(own.address, 'Ben')
  job = await takeInJob(own.address, ada)
})
bare.afterAll(async () => {
  await own?.drop()
  rmSync(profile, { recursive: true, force: true })
})

/** The tablet's browser, with what it kept when it was closed last. */
async function openTablet(): Promise<{ tablet: BrowserContext; page: Page }> {
  const { launchOptions = {} } = bare.info().project.use
  const tablet = await chromium.launchPersistentContext(profile, {
    ...launchOptions,
    viewport: { width: 1280, height: 800 },
    baseURL: own.address,
    serviceWorkers: 'allow'
  })
  return { tablet, page: wakeful(tablet.pages()[0] ?? (await tablet.newPage())) }
}

/** Until its service worker holds all that it takes. */
async function readyForAway(page: Page, answer = `/api/jobs/${job}`): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready)
  await expect.poll(() => page.evaluate((path) => caches.match(path).then(Boolean), answer)).toBe(true)
}

async function enter(page: Page, figure: string): Promise<void> {
  await page.getByTestId('figure').fill(figure)
  await page.getByTestId('save').click()
}

interface Kept {
  act: { type: string; by: string; reading?: { value?: number; finding?: string } }
}
const kept = async () => (await told<{ acts: Kept[] }>(ask(own.address, `api/jobs/${job}`, ben))).acts

bare(
  'with the server stopped the board and a job open, take readings, findings and photos, and deliver all once',
  async () => {
    let { tablet, page } = await openTablet()
    await signInOn(page, own.address, 'Ben')
    await expect(page.getByTestId('job')).toHaveCount(1)
    await readyForAway(page, '/api/board?page=0&state=open')
    await page.goto(`/jobs/${job}?read=groove:guide`)
    await readyForAway(page)
    await enter(page, '0.31')
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
    // Until the page has kept what came back.
    await expect
      .poll(() =>
        page.evaluate(async (id) => (await (await caches.match(`/api/jobs/${id}`))!.text()).includes('0.31'), job)
      )
      .toBe(true)
    const before = await page.getByTestId('elongation').textContent()
    await own.stop()

    await page.reload()
    await expect(page.getByTestId('elongation')).toHaveText(before!)
    await expect(page.getByTestId('save-state')).toContainText('The server is away')
    await page.goto(`/jobs/${job}?read=groove:arm`)
    await enter(page, '0.42')
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')
    await page.goto('/')
    await expect(page.getByTestId('job')).toHaveCount(1)
    await page.goto(`/jobs/${job}?station=5`)
    await page.getByRole('button', { name: /^Fixed guide:/ }).click()
    await page.getByRole('button', { name: /^Found/ }).click()
    await page.getByRole('button', { name: 'Cracked' }).click()
    await page.getByRole('button', { name: /^Photos/ }).click()
    const picture = await sharp({ create: { width: 320, height: 240, channels: 3, background: '#345' } })
      .jpeg()
      .toBuffer()
    await page.getByTestId('photo-input').setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: picture })
    await expect(page.getByTestId('photos-waiting')).toBeVisible()

    // The battery ends, and the tablet is begun again: still without the server.
    await tablet.close()
    ;({ tablet, page } = await openTablet())
    await page.goto(`/jobs/${job}?read=groove:arm`)
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')
    await enter(page, '0.43')
    await own.start(PORT)
    await page.reload()
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
    const acts = await kept()
    const mine = (is: (act: Kept['act']) => boolean) => acts.filter(({ act }) => act.by === 'Ben' && is(act)).length
    for (const value of [0.31, 0.42, 0.43])
      expect([value, mine(({ reading }) => reading?.value === value)]).toEqual([value, 1])
    expect(mine(({ reading }) => reading?.finding === 'cracked')).toBe(1)
    await expect
      .poll(async () => (await kept()).filter(({ act }) => act.type === 'photo' && act.by === 'Ben').length)
      .toBe(1)
    await tablet.close()
  }
)

/** The server behind another build's service worker, as after a new version. */
function newerVersion(to: URL): Promise<Server> {
  const server = createServer((incoming, answer) => {
    const { 'if-none-match': _tag, 'if-modified-since': _since, ...sent } = incoming.headers
    const headers = { ...sent, 'accept-encoding': 'identity' }
    // A question that the server is long about: the newer version does not wait for it.
    if (incoming.url === SLOW) return
    const asked = request(
      { host: to.hostname, port: to.port, path: incoming.url!, method: incoming.method!, headers },
      (from) => {
        const isWorker = incoming.url === '/sw.js'
        const { 'content-length': _length, etag: _etag, ...rest } = from.headers
        answer.writeHead(from.statusCode!, isWorker ? rest : from.headers)
        if (!isWorker) return from.pipe(answer)
        const parts: Buffer[] = []
        from.on('data', (part: Buffer) => parts.push(part))
        from.on('end', () =>
          answer.end(
            Buffer.concat(parts)
              .toString()
              .replace(/umbrette-shell-\$?\{?/, 'umbrette-shell-newer-$&')
          )
        )
      }
    )
    asked.on('error', () => answer.destroy())
    incoming.pipe(asked)
  })
  return new Promise((done) => server.listen(PORT, '127.0.0.1', () => done(server)))
}

bare('a newer version is offered, and taken without losing what waits', async () => {
  const { tablet, page } = await openTablet()
  await page.goto(`/jobs/${job}?read=groove:guide`)
  await readyForAway(page)
  await own.stop()
  await enter(page, '0.57')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')
  const address = await own.start(PORT + 1)
  const newer = await newerVersion(new URL(address))
  try {
    // Saving is away still: nothing may depend on the order in which things come back.
    await page.route('**/acts', (route) => (route.request().method() === 'POST' ? route.abort() : route.fallback()))
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update())
    await page.evaluate((path) => void fetch(path).catch(() => undefined), SLOW)
    await page.getByTestId('newer').getByRole('button', { name: 'Take it' }).click()
    await expect(page.getByTestId('newer')).toHaveCount(0)
    await expect
      .poll(() => page.evaluate(async () => (await caches.keys()).some((name) => name.includes('newer'))))
      .toBe(true)
    await page.unroute('**/acts')
    await page.reload()
    await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
    expect((await kept()).filter(({ act }) => act.reading?.value === 0.57)).toHaveLength(1)
  } finally {
    await tablet.close()
    newer.closeAllConnections()
    await new Promise((done) => newer.close(done))
  }
})

bare(
  'signed out while the server is away: nothing opens after that, and the server is told when it is back',
  async () => {
    await own.stop()
    await own.start(PORT)
    const { tablet, page } = await openTablet()
    await page.goto(`/jobs/${job}`)
    await readyForAway(page)
    await page.goto('/')
    await own.stop()
    await page.getByTestId('who').click()
    await page.getByRole('button', { name: 'Sign out' }).click()
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await page.goto(`/jobs/${job}`)
    await expect(page.getByText('Pilot van 3')).toHaveCount(0)
    await own.start(PORT)
    await page.goto(`/jobs/${job}`)
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await expect(page.getByText('Pilot van 3')).toHaveCount(0)
    await tablet.close()
  }
)
