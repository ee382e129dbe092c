import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { freePort } from '../../scripts/run.mjs'
import { reachedAt } from '../../scripts/server.mjs'
import { ask, ownWorkshop, type OwnWorkshop, PASSPHRASE, signIn, signInOn, takeInJob, told } from './ownWorkshop'
import { expect, test as bare, wakeful } from './bench'

/** The workshop's network over HTTPS, as a browser has it that trusts the workshop's authority. */

let own: OwnWorkshop
let origin = ''
let customers = ''
const home = mkdtempSync(join(tmpdir(), 'umbrette-trust-'))
bare.describe.configure({ mode: 'serial', timeout: 90_000 })
bare.beforeAll(async () => {
  own = await ownWorkshop('test-network', 4750)
  await own.stop()
  const port = await freePort(4860)
  writeFileSync(
    join(own.folder, 'network.json'),
    JSON.stringify({
      port,
      customersPort: await freePort(port + 1),
      addresses: ['127.0.0.1'],
      names: ['works.localhost'],
      workshop: 'Harbour Repairs'
    })
  )
  await own.start()
  ;({ origin, customers } = await reachedAt(own.folder))
  const trust = join(home, '.pki', 'nssdb')
  mkdirSync(trust, { recursive: true })
  const certutil = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${trust}`, ...args])
  certutil('-N', '--empty-password')
  certutil('-A', '-n', 'workshop', '-t', 'C,,', '-i', join(own.folder, 'network', 'authority.crt'))
})
bare.afterAll(async () => {
  await own?.drop()
  rmSync(home, { recursive: true, force: true })
})

async function openBrowser(trusting: boolean) {
  const { launchOptions = {} } = bare.info().project.use
  const browser = await chromium.launch({
    ...launchOptions,
    env: { ...(process.env as Record<string, string>), ...(trusting ? { HOME: home } : {}) }
  })
  const context = await browser.newContext({ serviceWorkers: 'allow' })
  return { browser, page: wakeful(await context.newPage()) }
}

bare('a browser that trusts the authority has a secure page, a service worker and no warning', async () => {
  expect(origin).toMatch(/^https:\/\/works\.localhost:\d+$/)
  const { browser, page } = await openBrowser(true)
  const warnings: string[] = []
  page.on('console', (line) => ['warning', 'error'].includes(line.type()) && warnings.push(line.text()))
  await signInOn(page, origin, 'Ada')
  expect(await page.evaluate(() => window.isSecureContext)).toBe(true)
  expect(await page.evaluate(async () => (await navigator.serviceWorker.ready).active !== null)).toBe(true)
  const manifest = await page.evaluate(async () => (await fetch('/manifest.webmanifest')).json() as Promise<unknown>)
  expect(manifest).toMatchObject({ display: 'standalone', start_url: '/' })
  expect(warnings).toEqual([])
  // Its cookie goes nowhere else.
  const [cookie] = (await page.context().cookies()).filter(({ name }) => name === '__Host-umbrette')
  expect(cookie).toMatchObject({ secure: true, httpOnly: true, sameSite: 'Strict', domain: 'works.localhost' })
  // Camera and microphone are for the application itself; workers and assets are under the policy too.
  const answers = await page.evaluate(async () => {
    const asset = document.querySelector('script[src^="/_nuxt"]')!.getAttribute('src')!
    const headers = async (path: string) => {
      const answer = await fetch(path)
      return [answer.headers.get('content-security-policy'), answer.headers.get('permissions-policy')]
    }
    return { page: await headers('/'), worker: await headers('/sw.js'), asset: await headers(asset) }
  })
  for (const [policy, permissions] of Object.values(answers)) {
    expect(policy).toContain("default-src 'self'")
    expect(permissions).toContain('camera=(self)')
    expect(permissions).toContain('microphone=(self)')
  }
  await browser.close()
})

bare('a browser that does not is warned', async () => {
  const { browser, page } = await openBrowser(false)
  await expect(page.goto(origin)).rejects.toThrow(/CERT_AUTHORITY_INVALID/)
  await browser.close()
})

bare("a customer's link leads to the door of its own, where nothing else answers", async () => {
  const ada = await signIn(own.address, 'Ada')
  const job = await takeInJob(own.address, ada)
  const { token } = await told<{ token: string }>(
    ask(own.address, `api/jobs/${job}/shares`, ada, { by: 'Ada', days: 2 })
  )
  const { browser, page } = await openBrowser(true)
  const failed: string[] = []
  page.on('response', (answer) => answer.status() >= 400 && failed.push(answer.url()))
  await page.goto(`${customers}/share/${token}`)
  await expect(page.getByRole('heading', { level: 1, name: 'Pilot van 3' })).toBeVisible()
  expect(failed).toEqual([])
  for (const path of ['/', '/sign-in', '/api/me', '/api/board', '/sw.js', `/jobs/${job}`])
    expect([path, (await page.goto(`${customers}${path}`).catch(() => null))?.status()]).toEqual([path, 404])
  await browser.close()
})

bare(
  'a passkey of a device signs in without the passphrase: once for each time it is asked, until it ends',
  async () => {
    const { browser, page } = await openBrowser(true)
    const device = await page.context().newCDPSession(page)
    await device.send('WebAuthn.enable')
    await device.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true
      }
    })
    await signInOn(page, origin, 'Ada', '/account')
    const add = page.getByRole('button', { name: 'Add a passkey' })
    await page.getByLabel('Name of this device').fill('My phone')
    await page.getByLabel('Your passphrase, to add it').fill('not mine at all')
    await add.click()
    await expect(page.getByTestId('fault')).toContainText('not your passphrase')
    await page.getByLabel('Your passphrase, to add it').fill(PASSPHRASE)
    await add.click()
    await expect(page.getByTestId('passkeys')).toContainText('My phone')
    await expect(page.getByTestId('passkeys')).toContainText('not used yet')
    // A device holds one of each person.
    await page.getByLabel('Name of this device').fill('Again')
    await page.getByLabel('Your passphrase, to add it').fill(PASSPHRASE)
    await add.click()
    await expect(page.getByRole('alert')).toContainText('has a passkey of yours already')

    await page.context().clearCookies()
    await page.goto(`${origin}/sign-in?to=/account`)
    const sent = page.waitForRequest((one) => one.method() === 'POST' && one.url().endsWith('/api/session/passkey'))
    await page.getByRole('button', { name: 'With a passkey' }).click()
    await page.waitForURL(`${origin}/account`)
    await expect(page.getByTestId('passkeys')).toContainText('last used')

    // What was signed once lets nobody in again, nor a page elsewhere.
    const again = (await sent).postDataJSON() as Record<string, string>
    const post = (body: object) =>
      page.evaluate(
        async (text) =>
          (
            await fetch('/api/session/passkey', {
              method: 'POST',
              body: text,
              headers: { 'content-type': 'application/json' }
            })
          ).status,
        JSON.stringify(body)
      )
    expect(await post(again)).toBe(422)
    expect(await post({ ...again, id: 'bm9ib2R5' })).toBe(422)

    // A new passphrase from an owner ends what could be signed in with.
    const ada = await signIn(own.address, 'Ada')
    const [{ id }] = await told<[{ id: number }]>(ask(own.address, 'api/staff', ada))
    await told(ask(own.address, `api/people/${id}`, ada, { passphrase: PASSPHRASE }))
    await page.context().clearCookies()
    await page.goto(`${origin}/sign-in`)
    await page.getByRole('button', { name: 'With a passkey' }).click()
    await expect(page.getByRole('alert')).toContainText('not known here')
    // Under a number there are none.
    await page.goto(own.address)
    await expect(page.getByLabel('Passphrase')).toBeVisible()
    await expect(page.getByRole('button', { name: 'With a passkey' })).toHaveCount(0)
    await browser.close()
  }
)
