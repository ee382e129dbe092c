import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { test as bare, expect } from '@playwright/test'
import { PAGE_NEEDS } from '../../app/needs'
import { ACTS, type ActType, type Role, roleOfAct, ROLES, suffices } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { NEEDS } from '../../server/access/needs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { read } from '../support/jobs'
import {
  addPerson,
  ask,
  type Cookies,
  ownWorkshop,
  type OwnWorkshop,
  pairDevice,
  signIn,
  takeInJob,
  told
} from './ownWorkshop'

/** A closed workshop, walked by everybody: each route and page as each who may come in, and who may not. */

let own: OwnWorkshop
let job = ''
let token = ''
const people: Partial<Record<Role, Cookies>> = {}
const ids: Partial<Record<Role, number>> = {}
const NAMES: Record<Role, string> = { learner: 'Lia', mechanic: 'Mel', foreman: 'Fay', owner: 'Ada' }
const PIN = '2580'

bare.describe.configure({ mode: 'serial', timeout: 120_000 })
bare.beforeAll(async () => {
  own = await ownWorkshop('test-doors', 4660)
  people.owner = await signIn(own.address, 'Ada')
  for (const role of ['learner', 'mechanic', 'foreman'] as const) {
    ids[role] = await addPerson(own.address, people.owner, NAMES[role], role, PIN)
    people[role] = await signIn(own.address, NAMES[role])
  }
  job = await takeInJob(own.address, people.foreman!)
  token = (
    await told<{ token: string }>(ask(own.address, `api/jobs/${job}/shares`, people.foreman, { by: 'Fay', days: 2 }))
  ).token
})
bare.afterAll(() => own?.drop())

const filled = (path: string) =>
  path
    .replace('/jobs/:id', `/jobs/${job}`)
    .replace(':share', randomUUID())
    .replace(':past', randomUUID())
    .replace('/sheets/:id', '/sheets/nobody-has-it')
    .replace('/people/:id', '/people/999999')
    .replace(':id', randomUUID())
    .replace(':token', token)
    .replace(':key', 'A1-7KQ2MD')
    .replace(':from', 'elsewhere')
    .replace(':photo', randomUUID())

/** What a route answers, its body let go: a stream would not end. */
async function statusOf(method: string, path: string, cookies?: Cookies): Promise<number> {
  const answer = await ask(own.address, path.slice(1), { ...cookies }, method === 'POST' ? {} : undefined)
  await answer.body?.cancel()
  return answer.status
}

bare('every route as nobody and as each role: let in by the table, refused before anything is looked at', async () => {
  const device = await pairDevice(own.address, people.foreman!, 'Nobody on it')
  for (const [route, need] of Object.entries(NEEDS)) {
    // It would sign out who asks; its own test does.
    if (route === 'POST /api/session/out') continue
    const [method, path] = route.split(' ') as [string, string]
    const nobody = await statusOf(method, filled(path))
    if (need === 'anyone' || need === 'link') expect([route, nobody === 401 || nobody === 403]).toEqual([route, false])
    else {
      expect([route, 'nobody', nobody]).toEqual([route, 'nobody', 401])
      expect([route, 'device', await statusOf(method, filled(path), device)]).toEqual([route, 'device', 401])
    }
    for (const role of ROLES) {
      const status = await statusOf(method, filled(path), people[role])
      expect([route, role, status < 500]).toEqual([route, role, true])
      const refused = need !== 'anyone' && need !== 'link' && !suffices(role, need)
      expect([route, role, status === 403]).toEqual([route, role, refused])
      expect([route, role, status === 401]).toEqual([route, role, false])
    }
  }
})

bare('every page as nobody and as each role', async () => {
  for (const [page, need] of Object.entries(PAGE_NEEDS)) {
    if (page === '/shell') continue
    const path = filled(page.replace('/:code?', '/AAAA').replace('/engines/:id', '/engines/nobody-has-it'))
    const nobody = await ask(own.address, path.slice(1))
    if (need === 'anyone') expect([page, nobody.status]).toEqual([page, 200])
    else {
      expect([page, nobody.status]).toEqual([page, 302])
      expect(nobody.headers.get('location')).toMatch(/^\/sign-in\?to=/)
    }
    for (const role of ROLES) {
      const answer = await ask(own.address, path.slice(1), { ...people[role] })
      const text = await answer.text()
      const may = need === 'anyone' || suffices(role, need)
      if (page === '/' && !may) expect(answer.headers.get('location')).toBe('/practice')
      else if (may) expect([page, role, answer.status < 400 || answer.status === 404]).toEqual([page, role, true])
      else {
        expect([page, role, answer.status]).toEqual([page, role, 403])
        expect(text).toContain('This page is for')
      }
    }
  }
})

bare('what a page is sent as nobody tells nothing of the workshop but its name', async () => {
  for (const path of [`jobs/${job}`, `jobs/${job}/report`, 'people', 'settings', 'vehicles', 'sign-in']) {
    const text = await (await ask(own.address, path)).text()
    expect(text).not.toContain(DEMO_JOBS[0]!.job.vehicle)
    expect(text).not.toContain('Mel')
    expect(text).not.toContain('Quay 1')
  }
})

bare('every act as each role, by its own need', async () => {
  for (const type of Object.keys(ACTS) as ActType[])
    for (const role of ['mechanic', 'foreman', 'owner'] as const) {
      const act = { id: randomUUID(), type, by: NAMES[role], at: '2026-11-26T08:00:00.000Z' }
      const answer = await ask(own.address, `api/jobs/${job}/acts`, people[role], act)
      const needed = roleOfAct(type)
      const refused = needed !== null && !suffices(role, needed)
      expect([type, role, answer.status === 403]).toEqual([type, role, refused])
      expect([type, role, answer.status < 500]).toEqual([type, role, true])
    }
})

bare('nobody enters under the name of another: not an act, a job, a link, a run or a sheet', async () => {
  const by = 'Ada'
  const reading = { id: randomUUID(), type: 'read', at: '2026-11-26T08:00:00.000Z', reading: read.groove('guide', 0.3) }
  const sheet = DEMO_JOBS[0]!.job.sheet
  for (const [path, body] of [
    [`api/jobs/${job}/acts`, { ...reading, by }],
    [`api/jobs/${job}/shares`, { by, days: 2 }],
    ['api/sheets', { sheet, basedOn: 0, by }],
    ['api/practice/runs', { id: randomUUID(), by, case: 'A1-7KQ2MD', moves: [] }],
    [
      'api/jobs',
      { vehicle: 'Skiff', openedBy: by, sheet: sheet.id, usage: { value: 1, unit: 'km' }, school: 'weighed' }
    ]
  ] as const)
    expect([path, (await ask(own.address, path, people.foreman, body)).status]).toEqual([path, 403])
  expect((await ask(own.address, `api/jobs/${job}/acts`, people.foreman, { ...reading, by: 'Fay' })).status).toBe(200)
})

bare('a customer reaches the report by its link, and nothing without', async () => {
  const { report } = await told<{ report: { photos: { id: string }[] } }>(ask(own.address, `api/share/${token}`))
  expect(report).toBeDefined()
  expect((await ask(own.address, `share/${token}`)).status).toBe(200)
  expect((await ask(own.address, `api/share/${token}/report.pdf`)).status).toBe(200)
  expect((await ask(own.address, `api/share/${token.slice(1)}x`)).status).toBe(404)
  expect((await ask(own.address, `api/share/${token}/photos/${randomUUID()}`)).status).toBe(404)
  // A link that is asked without end has to wait; others do not.
  const statuses = new Set<number>()
  for (let i = 0; i < 260; i++) statuses.add((await ask(own.address, 'api/share/asked-without-end')).status)
  expect([...statuses].sort()).toEqual([404, 429])
  expect((await ask(own.address, `api/share/${token}`)).status).toBe(200)
  await ask(own.address, `api/jobs/${job}/acts`, people.foreman, {
    id: randomUUID(),
    type: 'state',
    state: 'deleted',
    by: 'Fay',
    at: '2026-11-26T09:00:00.000Z'
  })
  expect((await ask(own.address, `api/share/${token}`)).status).toBe(410)
})

bare('cookies cannot be read by a page, sent by another site, or go out unsealed', async () => {
  const answer = await ask(own.address, 'api/session', {}, { name: 'Mel', passphrase: 'quay one quay two' })
  const [cookie] = answer.headers.getSetCookie()
  expect(cookie).toMatch(/^__Host-umbrette=[\w-]{43};/)
  for (const word of ['HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(word)
})

bare('a PIN is guessed five times, counted by two servers together, then waited for', async () => {
  mkdirSync(`${own.folder}-2`, { recursive: true })
  const other = await startServer(`${own.folder}-2`, own.database, { kind: 'own', first: 4680 })
  try {
    const device = await pairDevice(own.address, people.foreman!, 'Lift 1')
    const guess = async (address: string, pin: string) =>
      (await ask(address, 'api/session', { ...device }, { person: ids.mechanic, pin })).status
    for (const address of [own.address, other.address, own.address, other.address, own.address])
      expect(await guess(address, '0000')).toBe(422)
    expect(await guess(other.address, PIN)).toBe(429)
    expect(await guess(own.address, PIN)).toBe(429)
  } finally {
    await stopServer(`${own.folder}-2`, 'own')
  }
})

bare('a device that was taken out is let in no more: not by its session, its stream, nor a PIN', async () => {
  const device = await pairDevice(own.address, people.foreman!, 'Lost tablet')
  await told(ask(own.address, 'api/session', device, { person: ids.foreman, pin: PIN }))
  const me = await told<{ person: { role: string }; device: { name: string } }>(ask(own.address, 'api/me', device))
  expect(me).toMatchObject({ person: { name: 'Fay', role: 'foreman' }, device: { name: 'Lost tablet' } })
  const stream = await ask(own.address, 'api/live', device)
  expect(stream.status).toBe(200)
  const reader = stream.body!.getReader()
  const ended = (async () => {
    while (!(await reader.read()).done);
  })().catch(() => undefined)
  const list = await told<{ id: string; name: string }[]>(ask(own.address, 'api/devices', people.owner))
  const { id } = list.find(({ name }) => name === 'Lost tablet')!
  await told(ask(own.address, `api/devices/${id}/removed`, people.owner, {}))
  expect((await ask(own.address, 'api/board', device)).status).toBe(401)
  expect((await ask(own.address, 'api/session', device, { person: ids.foreman, pin: PIN })).status).toBe(403)
  await ended
})

bare('an owner on a shared device may what a foreman may: a PIN is short', async () => {
  const [ada] = await told<{ id: number; name: string }[]>(ask(own.address, 'api/staff', people.owner))
  await told(ask(own.address, `api/people/${ada!.id}/pin`, people.owner, { pin: '9157' }))
  const device = await pairDevice(own.address, people.foreman!, 'Lift 3')
  await told(ask(own.address, 'api/session', device, { person: ada!.id, pin: '9157' }))
  expect((await ask(own.address, 'api/staff', device)).status).toBe(200)
  expect((await ask(own.address, 'api/workshop', device, {})).status).toBe(403)
})

bare('signing out ends the session for whoever kept its cookie; one that is seen is ended from the list', async () => {
  const cookies = await signIn(own.address, 'Mel')
  const stolen = { ...cookies }
  expect((await ask(own.address, 'api/session/out', cookies, {})).status).toBe(200)
  expect((await ask(own.address, 'api/board', stolen)).status).toBe(401)
  const again = await signIn(own.address, 'Mel')
  const sessions = await told<{ id: string; person: string }[]>(ask(own.address, 'api/sessions', people.owner))
  for (const { id, person } of sessions)
    if (person === 'Mel') await told(ask(own.address, `api/sessions/${id}/end`, people.owner, {}))
  expect((await ask(own.address, 'api/board', again)).status).toBe(401)
  const others = await told<{ person: string }[]>(ask(own.address, 'api/sessions', people.learner))
  expect(new Set(others.map(({ person }) => person))).toEqual(new Set(['Lia']))
})
