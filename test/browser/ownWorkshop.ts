import { mkdirSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { NO_TAX } from '../../core/money'
import type { Role } from '../../core/record'
import { runWithDatabase } from '../../scripts/run.mjs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { freshDatabase } from '../server/database'
import { exportJob } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'

/** A workshop of the test's own, closed: its owner is Ada. */
export interface OwnWorkshop {
  address: string
  folder: string
  database: string
  /** Starts a server of it; again where it was stopped. @returns its address */
  start(port?: number): Promise<string>
  stop(): Promise<void>
  drop(): Promise<void>
}

export const PASSPHRASE = 'quay one quay two'

const WORKSHOP = {
  name: 'Harbour Repairs',
  address: 'Quay 1',
  taxNumber: '',
  foot: '',
  units: { length: 'mm', distance: 'km', torque: 'N·m' },
  timeZone: 'UTC',
  currency: 'EUR',
  tax: NO_TAX,
  language: 'en'
}

/** @param name of its folder. @param port the first that its server tries */
export async function ownWorkshop(name: string, port: number): Promise<OwnWorkshop> {
  const folder = resolve('.data', name)
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const database = await freshDatabase(process.env.UMBRETTE_DATABASE!)
  await runWithDatabase(
    database.url,
    'scripts/setup.ts',
    { workshop: WORKSHOP, person: 'Ada', passphrase: PASSPHRASE },
    'not set up'
  )
  const own: OwnWorkshop = {
    address: '',
    folder,
    database: database.url,
    async start(first = port) {
      ;({ address: own.address } = await startServer(folder, database.url, { kind: 'own', first }))
      return own.address
    },
    async stop() {
      await stopServer(folder, 'own')
    },
    async drop() {
      await stopServer(folder, 'own')
      await database.drop()
    }
  }
  await own.start()
  return own
}

/** What a browser keeps between requests. */
export type Cookies = Record<string, string>

/** Cookies as they are sent. */
export function cookieHeader(cookies: Cookies): string {
  return Object.entries(cookies)
    .map(([name, value]) => `${name}=${value}`)
    .join('; ')
}

/** Asks as a browser with these cookies, and keeps what it is given. */
export async function ask(address: string, path: string, cookies: Cookies = {}, body?: unknown): Promise<Response> {
  const cookie = cookieHeader(cookies)
  const answer = await fetch(`${address}${path}`, {
    redirect: 'manual',
    headers: {
      accept: path.startsWith('api/') ? 'application/json' : 'text/html',
      ...(cookie ? { cookie } : {}),
      ...(body === undefined ? {} : { 'content-type': 'application/json' })
    },
    ...(body === undefined ? {} : { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) })
  })
  for (const line of answer.headers.getSetCookie()) {
    const [, name, value] = /^([^=]+)=([^;]*)/.exec(line)!
    if (value) cookies[name!] = value
    else delete cookies[name!]
  }
  return answer
}

/** The answer's JSON. @throws Error with what it says, where it was refused */
export async function told<T>(asked: Promise<Response>): Promise<T> {
  const answer = await asked
  const text = await answer.text()
  if (!answer.ok) throw new Error(`${answer.status} ${text}`)
  return JSON.parse(text) as T
}

/** Signs somebody in with the passphrase that everybody has here. */
export async function signIn(address: string, name: string, cookies: Cookies = {}): Promise<Cookies> {
  await told(ask(address, 'api/session', cookies, { name, passphrase: PASSPHRASE }))
  return cookies
}

/** Signs somebody in on a page, and waits until what they were going to takes input. @param to where: `/people` */
export async function signInOn(page: Page, address: string, name: string, to = '/'): Promise<void> {
  const { origin } = new URL(address)
  await page.goto(`${origin}/sign-in?to=${to}`)
  await page.getByLabel('Your name').fill(name)
  await page.getByLabel('Passphrase').fill(PASSPHRASE)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL(`${origin}${to}`)
  await expect(page.locator('#__nuxt [inert]')).toHaveCount(0)
}

/** Adds somebody of a role, who signs in with the same passphrase, and with a PIN. @returns their id */
export async function addPerson(
  address: string,
  owner: Cookies,
  name: string,
  role: Role,
  pin?: string
): Promise<number> {
  await told(ask(address, 'api/people', owner, { name }))
  const staff = await told<{ id: number; name: string }[]>(ask(address, 'api/staff', owner))
  const { id } = staff.find((one) => one.name === name)!
  await told(ask(address, `api/people/${id}`, owner, { role, passphrase: PASSPHRASE }))
  if (pin) await told(ask(address, `api/people/${id}/pin`, owner, { pin }))
  return id
}

/** A job that a foreman takes in. @returns its id */
export async function takeInJob(address: string, cookies: Cookies, job = DEMO_JOBS[0]!): Promise<string> {
  return (await told<{ id: string }>(ask(address, 'api/jobs/import', cookies, exportJob(job.job, job.acts)))).id
}

/** Pairs a device. @returns its cookies */
export async function pairDevice(address: string, foreman: Cookies, name: string): Promise<Cookies> {
  const cookies: Cookies = {}
  const { code } = await told<{ code: string }>(ask(address, 'api/devices/pairings', foreman, { name }))
  await told(ask(address, 'api/devices/pair', cookies, { code }))
  return cookies
}
