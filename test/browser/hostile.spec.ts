import { randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { request as plainRequest } from 'node:http'
import { connect, type Socket } from 'node:net'
import { join, resolve } from 'node:path'
import { test as bare, expect } from '@playwright/test'
import sharp from 'sharp'
import { exportJob } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { freshDatabase } from '../server/database'
import { jobOf, read } from '../support/jobs'
import { hostileBody, hostileId, hostileQuery } from '../support/hostile'
import { sheet } from '../support/sheets'

/** A server and database of this file's own: what is done to them must not reach the other tests. */
const folder = resolve('.data/test-hostile')
let address = ''
let database: Awaited<ReturnType<typeof freshDatabase>>

bare.describe.configure({ mode: 'serial', timeout: 300_000 })
bare.beforeAll(async () => {
  mkdirSync(folder, { recursive: true })
  rmSync(join(folder, 'server.log'), { force: true })
  database = await freshDatabase(process.env.UMBRETTE_DATABASE!)
  ;({ address } = await startServer(folder, database.url, { first: 4700 }))
})
bare.afterAll(async () => {
  await stopServer(folder)
  await database.drop()
})

const VAN = DEMO_JOBS[0]!.id
const by = { by: 'Maren', at: '2026-11-24T08:00:00.000Z' }
const post = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
  fetch(`${address}api/${path}`, { method: 'POST', body, headers: { 'content-type': 'application/json', ...headers } })
const get = (path: string) => fetch(`${address}api/${path}`)

/** Does work many at a time. */
async function spread(count: number, each: (i: number) => Promise<void>, at = 24): Promise<void> {
  let next = 0
  await Promise.all(
    Array.from({ length: at }, async () => {
      for (let i = next++; i < count; i = next++) await each(i)
    })
  )
}

const ACTS: readonly object[] = [
  { type: 'read', reading: read.groove('guide', 0.4) },
  { type: 'read', reading: read.found('guide', 'cracked') },
  { type: 'corrections', corrections: { skim: { 1: 0.2 }, temperature: { celsius: 80, block: 'iron' } } },
  { type: 'part', part: 'guide', known: { design: 'B', make: 'C', fittedAt: 3 } },
  { type: 'photo', photo: randomUUID(), part: 'guide' },
  { type: 'waits', for: 'part', note: 'x' },
  { type: 'overrule', part: 'main', call: 'renew', reason: 'so' },
  { type: 'pricing', pricing: { hourRate: 70, prices: { x: 1 } } },
  { type: 'path', renew: ['main'] },
  { type: 'task', task: 'part:main:fitted', state: 'done', note: 'x', value: 2 },
  { type: 'rebuilt', round: 'set', reading: read.lag('cam-in', 0.4) },
  { type: 'hole', cover: 'front-cover', x: 0.1, y: 0.2, length: 25 },
  { type: 'release', hold: 'tasks', reason: 'so' },
  { type: 'check', date: '2027-01-01', usage: 5, stopGap: false },
  { type: 'school', school: 'weighed' },
  { type: 'state', state: 'archived' },
  { type: 'undo', act: DEMO_JOBS[0]!.acts[0]!.id },
  { type: 'signoff', seen: 'x' },
  { type: 'choice', share: 'x', renew: [], price: 1 },
  { type: 'sheet', sheet: sheet('ardmere-a18'), revision: 2 }
]

bare(
  'every route, asked anything, answers in words: nothing fails inside, no list breaks, what is kept comes back equal',
  async () => {
    const answered = new Map<number, number>()
    const inside: string[] = []
    const kept: { path: string; sent: unknown; answer: unknown }[] = []
    const note = async (answer: Response, path: string, sent = '') => {
      answered.set(answer.status, (answered.get(answer.status) ?? 0) + 1)
      const text = await answer.text()
      if (answer.status >= 500)
        inside.push(`${answer.status} ${path.slice(0, 120)} ${sent.slice(0, 300)} → ${text.slice(0, 200)}`)
      else if (answer.ok && sent) kept.push({ path, sent: JSON.parse(sent), answer: JSON.parse(text) as unknown })
      else if (answer.status >= 400)
        expect((JSON.parse(text) as { error: { faults: unknown[] } }).error.faults.length).toBeLessThanOrEqual(50)
    }
    const share = (await (await post(`jobs/${VAN}/shares`, JSON.stringify({ by: 'Maren', days: 3 }))).json()) as {
      token: string
      id: string
    }
    const { rows } = (await (await get('vehicles?search=pilot')).json()) as { rows: { id: string }[] }
    const vehicle = rows[0]!.id
    const bodies: [path: string, good: unknown, count: number][] = [
      ...ACTS.map((act): [string, unknown, number] => [`jobs/${VAN}/acts`, { ...by, id: 'ID', ...act }, 40]),
      [
        'jobs',
        {
          vehicle: 'Skiff',
          stand: 'Quay',
          complaint: 'x',
          openedBy: 'Maren',
          sheet: 'ardmere-a18',
          usage: { value: 1000, unit: 'km' },
          school: 'weighed'
        },
        350
      ],
      ['jobs/import?by=Maren', exportJob(DEMO_JOBS[5]!.job, DEMO_JOBS[5]!.acts), 250],
      ['sheets', { sheet: { ...sheet('quillon-q40-counted'), id: 'ID' }, basedOn: 0, by: 'Maren', note: 'x' }, 350],
      ['people', { name: 'Ada' }, 350],
      ['people/2', { name: 'Idris', role: 'mechanic', retired: false, passphrase: 'one two three four' }, 75],
      ['people/2/pin', { pin: '2580' }, 75],
      ['me/secrets', { current: 'one two three four', pin: '2580' }, 50],
      ['session', { name: 'Idris', passphrase: 'one two three four' }, 50],
      ['session', { person: 2, pin: '2580' }, 50],
      ['session/passkey', { id: 'a', clientDataJSON: 'a', authenticatorData: 'a', signature: 'a' }, 50],
      ['devices/pairings', { name: 'Lift 2' }, 100],
      ['customers', { name: 'Anne', phone: '1', email: 'a@b.example', address: '', note: '' }, 250],
      ['vehicles', { name: 'ID', registration: 'AB 1', chassis: '', model: '', note: '', sheet: 'ardmere-a18' }, 200],
      [
        `vehicles/${vehicle}/past`,
        {
          by: 'Maren',
          doneOn: '2024-05-01',
          usage: { value: 1, unit: 'km' },
          work: '',
          doneBy: '',
          renewed: ['main'],
          elongation: 0.001
        },
        200
      ],
      [`customers/${randomUUID()}/erased`, { by: 'Maren', name: 'Anne', left: ['acts:a/b'] }, 75],
      [`jobs/${randomUUID()}/erased`, { by: 'Maren' }, 50],
      ['mail', { way: 'none', host: 'a.example', port: 25, security: 'tls', user: '', from: 'a@b.example' }, 150],
      ['mail/tried', { to: 'a@b.example' }, 75],
      [`jobs/${VAN}/shares/${share.id}/mail`, { by: 'Maren', to: 'a@b.example', token: share.token }, 75],
      ['archive?by=Maren', { format: 'umbrette-workshop', version: 1 }, 30],
      ['devices/pair', { code: 'AAAAAAAAAA' }, 50],
      [`jobs/${VAN}/bench`, { part: 'guide' }, 100],
      ['workshop/logo', { not: 'a picture' }, 50],
      [
        'suspects',
        {
          own: { priors: [], bearings: [{ finding: 'oil-low', suspect: 'sensor', factor: 2 }] },
          seen: { priors: [], bearings: [] }
        },
        100
      ],
      ['pricing', { hourRate: 70, newPart: 0.1, damage: 3, horizons: { km: 5 } }, 350],
      [`jobs/${VAN}/shares`, { by: 'Maren', days: 2 }, 100],
      [`jobs/${VAN}/practice`, { title: 'x', complaint: 'y', by: 'Maren' }, 150],
      [
        'practice/runs',
        {
          id: randomUUID(),
          by: 'Maren',
          case: 'A3-7KQ2MD',
          moves: [
            { type: 'turn', degrees: 10 },
            { type: 'call', part: 'main', call: null }
          ]
        },
        200
      ],
      [
        'practice/cases?by=Maren',
        {
          format: 'umbrette-practice',
          version: 1,
          code: '',
          seed: 1,
          level: 1,
          title: 'x',
          drive: sheet('ardmere-a18')
        },
        150
      ],
      [`share/${share.token}/choice`, { path: 0, name: 'Ada' }, 150],
      ['sheets/ardmere-a18/removed', { removed: false }, 150],
      [
        'learnt/import?by=Maren',
        {
          format: 'umbrette-learnt',
          version: 1,
          from: 'hostile',
          at: '2026-11-20T08:00:00.000Z',
          types: [{ sheet: { id: 'nobody-has-it', name: 'x' }, priors: { engines: 4, wear: 0.4 } }]
        },
        150
      ],
      ['learnt/hostile/out', { out: true }, 100],
      [
        'workshop',
        {
          name: 'Hostile Works',
          address: 'x',
          taxNumber: '',
          foot: '',
          units: { length: 'mm', distance: 'km', torque: 'N·m' },
          timeZone: 'UTC',
          currency: 'EUR',
          language: 'en'
        },
        150
      ],
      ['practice/cases/5a17a000-0000-4000-8000-0000000c0001/removed', { removed: false }, 150]
    ]
    for (const [path, good, count] of bodies) {
      await spread(count, async (i) => {
        const body = hostileBody(good, i + path.length).replaceAll('"ID"', `"h-${randomUUID()}"`)
        const to = path.replace(VAN, () => hostileId(VAN, 3 * i + 1).replace('%2f', '')).replace(/ID$/, '')
        await note(await post(i % 10 === 0 ? to : path, body), path, body)
      })
    }
    const questions = [
      'board?state',
      'vehicles?search',
      `vehicles/${vehicle}?x`,
      'sheets?removed',
      'sheets/ardmere-a18?revision',
      'sheets/ardmere-a18/export?revision',
      'practice?by',
      'practice/cases/A3-7KQ2MD?x',
      'practice/cases/A3-7KQ2MD/file?x',
      'practice/cases/A3-7KQ2MD/photo.jpg?inspection',
      'practice/cases/A3-7KQ2MD/photo.jpg?inspection=extension:tensioner&attempt',
      'practice/runs/5a17a000-0000-4000-8000-0000000e0001?x',
      `jobs/${VAN}?x`,
      `jobs/${VAN}/acts?after`,
      `jobs/${VAN}/acts?places`,
      `jobs/${VAN}/holds?x`,
      `jobs/${VAN}/check.ics?x`,
      `jobs/${VAN}/shares?x`,
      `jobs/${VAN}/readings.csv?x`,
      `jobs/${VAN}/assessment?x`,
      `jobs/${VAN}/scan?x`,
      `jobs/${VAN}/scope.csv?x`,
      `jobs/${VAN}/good-traces?x`,
      `jobs/${VAN}/engine.wav?x`,
      `jobs/${VAN}/camera.jpg?part`,
      'sheets/ardmere-a18/front.jpg?x',
      'card/a6.pdf?x',
      `photos/${randomUUID()}?size`,
      `share/${share.token}?x`,
      'customers?search',
      'customers/5a17c000-0000-4000-8000-000000000003?x',
      'customers/5a17c000-0000-4000-8000-000000000003/erasing?x',
      'erasures?x',
      'mail?x',
      'mail/sent?x',
      'people?x',
      'staff?x',
      'me?x',
      'sessions?x',
      'devices?x',
      'people/2/seal?x',
      'network/authority?x',
      'workshop/logo?x',
      `jobs/${VAN}/bench?x`,
      'pricing?x',
      'suspects?x',
      'health?x'
    ]
    for (const question of questions) {
      const [path, name] = question.split('?') as [string, string]
      await spread(45, async (i) => {
        const parts = path.split('/')
        if (parts.length > 1) parts[1] = hostileId(parts[1]!, i)
        await note(
          await get(`${parts.join('/')}?${hostileQuery([name, 'page', 'search', 'state'], i + path.length)}`),
          path
        )
      })
    }
    const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#345' } })
      .jpeg()
      .toBuffer()
    await spread(
      200,
      async (i) => {
        const bytes = Buffer.from(picture)
        for (let k = 0; k < i % 7; k++) bytes[(i * 131 + k * 17) % bytes.length] = (i * 7 + k) % 256
        const file = i % 9 === 0 ? bytes.subarray(0, i % bytes.length) : bytes
        await note(
          await post(
            `jobs/${hostileId(VAN, i)}/photos?id=${i % 3 ? randomUUID() : hostileId(randomUUID(), i)}`,
            new Uint8Array(file),
            { 'content-type': 'image/jpeg' }
          ),
          'photos'
        )
      },
      6
    )

    expect(inside).toEqual([])
    expect(answered.get(422) ?? 0).toBeGreaterThan(1000)
    for (const list of [
      'board?state=open',
      'board?state=closed',
      'board?state=archived',
      'board?state=deleted',
      'customers',
      'erasures',
      'mail',
      'mail/sent',
      'vehicles',
      'sheets',
      'sheets?removed=true',
      'checks',
      'learnt',
      'learnt/export',
      'workshop',
      'people',
      'staff',
      'me',
      'sessions',
      'devices',
      `jobs/${VAN}/bench`,
      'practice?by=Maren',
      'suspects',
      'pricing'
    ])
      expect([list, (await get(list)).status]).toEqual([list, 200])
    await expectEqual(kept)
  }
)

/** Everything that was acknowledged stands as it was sent, and every job survives its export. */
async function expectEqual(kept: readonly { path: string; sent: unknown; answer: unknown }[]): Promise<void> {
  const { acts } = (await (await get(`jobs/${VAN}`)).json()) as { acts: { act: { id: string } }[] }
  const standing = new Map(acts.map(({ act }) => [act.id, act]))
  const entered = kept.filter(({ path, answer }) => path.endsWith('/acts') && (answer as { act?: object }).act)
  expect(entered.length).toBeGreaterThan(50)
  for (const { answer } of entered) {
    const { act } = answer as { act: { id: string } }
    expect(standing.get(act.id)).toEqual(act)
  }
  for (const { path, sent } of kept) {
    if (path !== 'sheets') continue
    const { sheet: own } = sent as { sheet: { id: string } }
    expect(((await (await get(`sheets/${own.id}`)).json()) as { sheet: unknown }).sheet).toEqual(own)
  }
  const jobs = [
    VAN,
    ...kept
      .filter(({ path }) => path.startsWith('jobs/import') || path === 'jobs')
      .map(({ answer }) => (answer as { id: string }).id)
  ]
  await spread(
    jobs.length,
    async (i) => {
      const file = await (await get(`jobs/${jobs[i]}/export`)).text()
      const back = await post('jobs/import?by=Maren', file)
      expect([jobs[i], back.status, back.ok ? '' : await back.text()]).toEqual([jobs[i], 200, ''])
    },
    4
  )
}

bare("a name that is not ours is not answered, from any page; nor does another site's page write", async () => {
  const asked = (headers: Record<string, string>, method = 'GET') =>
    new Promise<number>((done, failed) => {
      const { port } = new URL(address)
      plainRequest(
        {
          host: '127.0.0.1',
          port,
          path: method === 'GET' ? '/api/board' : '/api/people',
          method,
          headers: { 'content-type': 'application/json', 'content-length': method === 'GET' ? 0 : 14, ...headers }
        },
        (answer) => {
          answer.resume()
          done(answer.statusCode!)
        }
      )
        .on('error', failed)
        .end(method === 'GET' ? undefined : '{"name":"Eve"}')
    })
  const { host } = new URL(address)
  for (const name of [
    'evil.example',
    'evil.example:4700',
    '127.0.0.1.evil.example',
    'localhost.evil.example',
    '10.0.0.1'
  ])
    expect([name, await asked({ host: name })]).toEqual([name, 421])
  for (const name of [host, `LOCALHOST:${new URL(address).port}`, 'localhost'])
    expect([name, await asked({ host: name })]).toEqual([name, 200])
  for (const origin of ['http://evil.example', 'null', 'http://127.0.0.1:1', 'https://localhost.evil'])
    expect([origin, await asked({ host, origin }, 'POST')]).toEqual([origin, 403])
  expect(await asked({ host, 'sec-fetch-site': 'same-site' }, 'POST')).toBe(403)
  expect(await asked({ host, origin: `http://${host}` }, 'POST')).toBe(200)
})

bare(
  'hundreds of half-open and broken-off connections leave the others served; a client holds twenty streams and no more',
  async () => {
    const { hostname, port } = new URL(address)
    const half: Socket[] = Array.from({ length: 300 }, () =>
      connect(Number(port), hostname).on('error', () => undefined)
    )
    half.forEach((socket, i) =>
      socket.write(
        i % 2
          ? 'GET /api/live HTTP/1.1\r\nHost: 127.0.0.1\r\n'
          : `POST /api/jobs/${VAN}/acts HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 500\r\n\r\n{"id":`
      )
    )
    await spread(
      500,
      async () => {
        const stop = new AbortController()
        const stream = fetch(`${address}api/live`, { signal: stop.signal }).catch(() => null)
        if (Math.random() < 0.5) await stream
        stop.abort()
        await stream
      },
      15
    )
    const saved = await post(
      `jobs/${VAN}/acts`,
      JSON.stringify({ ...by, id: randomUUID(), type: 'waits', for: 'part' })
    )
    expect(saved.status).toBe(200)
    half.forEach((socket) => socket.destroy())
    const stops = Array.from({ length: 20 }, () => new AbortController())
    const streams = async () =>
      Promise.all(stops.map(({ signal }) => fetch(`${address}api/live`, { signal }).then(({ status }) => status)))
    // All that were broken off before were given back, or these twenty would find no room.
    await expect(async () => expect(new Set(await streams())).toEqual(new Set([200]))).toPass({ timeout: 20_000 })
    expect((await get('live')).status).toBe(429)
    stops.forEach((stop) => stop.abort())
    await expect(async () => {
      const stop = new AbortController()
      const { status } = await fetch(`${address}api/live`, { signal: stop.signal })
      stop.abort()
      expect(status).toBe(200)
    }).toPass({ timeout: 20_000 })
  }
)

bare('everything out, broken off again and again, holds nothing back', async () => {
  for (let i = 0; i < 12; i++) {
    const stop = new AbortController()
    const begun = fetch(`${address}api/archive`, { signal: stop.signal }).catch(() => null)
    if (i % 2) await begun.then((answer) => answer?.body?.getReader().read()).catch(() => undefined)
    stop.abort()
    await begun
  }
  // Each holds a connection to the database while it is read: one that was not given back would be missed here.
  await expect(async () => {
    const answer = await get('archive')
    expect(answer.status).toBe(200)
    expect(new Uint8Array(await answer.arrayBuffer()).subarray(0, 2)).toEqual(new Uint8Array([0x50, 0x4b]))
  }).toPass({ timeout: 20_000 })
  expect((await get('board?state=open')).status).toBe(200)
})

bare('while twenty thousand acts and five thousand readings are taken in and opened, others are answered', async () => {
  const acts = Array.from({ length: 20_000 }, (_, i) => ({
    ...by,
    id: `many-${i}`,
    type: 'waits',
    for: i % 2 ? 'part' : 'nothing'
  }))
  const large = JSON.stringify({ ...exportJob(DEMO_JOBS[0]!.job, []), acts })
  const readings = JSON.stringify(
    jobOf(
      Array.from(
        { length: 5000 },
        (_, i) => [read.groove('guide', 0.4), read.length(160.4), read.lag('cam-in', 2)][i % 3]!
      )
    )
  )
  let running = true
  let worst = 0
  let asked = 0
  const others = (async () => {
    while (running) {
      const started = performance.now()
      expect((await get('health')).status).toBe(200)
      worst = Math.max(worst, performance.now() - started)
      asked++
    }
  })()
  const ids = await Promise.all(
    [large, readings].map(async (file) => {
      const answer = await post('jobs/import?by=Maren', file)
      expect([answer.status, answer.ok ? '' : await answer.text()]).toEqual([200, ''])
      return ((await answer.json()) as { id: string }).id
    })
  )
  for (const id of ids) expect((await get(`jobs/${id}`)).status).toBe(200)
  running = false
  await others
  expect(asked, `others were answered ${asked} times, the slowest in ${Math.round(worst)} ms`).toBeGreaterThan(20)
  const refused = await post(
    `jobs/${ids[0]}/acts`,
    JSON.stringify({ ...by, id: 'one-more', type: 'waits', for: 'part' })
  )
  expect([refused.status, ((await refused.json()) as { error: { message: string } }).error.message]).toEqual([
    413,
    expect.stringMatching(/20000 entries/)
  ])
  expect((await post('jobs/import?by=Maren', await (await get(`jobs/${ids[0]}/export`)).text())).status).toBe(200)
})

bare('pictures travel with their job byte for byte, as one piece and as lines', async () => {
  const noise = await sharp({
    create: {
      width: 900,
      height: 700,
      channels: 3,
      background: '#345',
      noise: { type: 'gaussian', mean: 120, sigma: 40 }
    }
  })
    .jpeg({ quality: 95 })
    .toBuffer()
  const made = (await (await post('jobs/import?by=Maren', JSON.stringify(jobOf([])))).json()) as { id: string }
  for (const part of ['guide', 'arm']) {
    const photo = (await (
      await post(`jobs/${made.id}/photos`, new Uint8Array(noise), { 'content-type': 'image/jpeg' })
    ).json()) as { id: string }
    expect(
      (
        await post(
          `jobs/${made.id}/acts`,
          JSON.stringify({ ...by, id: `p-${part}`, type: 'photo', photo: photo.id, part })
        )
      ).status
    ).toBe(200)
  }
  const pictures = async (id: string) => {
    const { acts } = (await (await get(`jobs/${id}`)).json()) as { acts: { act: { photo: string } }[] }
    return Promise.all(
      acts.map(async ({ act }) =>
        Buffer.from(await (await get(`photos/${act.photo}`)).arrayBuffer()).toString('base64')
      )
    )
  }
  const before = await pictures(made.id)
  for (const form of ['json', 'lines']) {
    const file = await (await get(`jobs/${made.id}/export?form=${form}`)).text()
    const back = (await (await post('jobs/import?by=Maren', file)).json()) as { id: string }
    expect(await pictures(back.id)).toEqual(before)
  }
  const lines = (await (await get(`jobs/${made.id}/export?form=lines`)).text()).trimEnd().split('\n')
  expect(lines).toHaveLength(3)
  for (const broken of [
    [...lines, lines[1]],
    [lines[0], '{"photo":{"id":"x","jpeg":"bm90IGEgcGljdHVyZQ=="}}'],
    [lines[0], '{"photo":1}'],
    [lines[0], 'nothing']
  ]) {
    const answer = await post('jobs/import?by=Maren', broken.join('\n'))
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
  }
})

bare("the log is its owner's alone, and holds no key, no body and no name", async () => {
  const { token } = (await (await post(`jobs/${VAN}/shares`, JSON.stringify({ by: 'Maren', days: 3 }))).json()) as {
    token: string
  }
  for (const path of [`share/${token}`, `share/${token}/report.pdf`, `share/${token}/photos/${randomUUID()}`])
    await get(path)
  await post(`share/${token}/choice`, JSON.stringify({ path: 0, name: 'Ada Unforgotten' }))
  await post(
    `jobs/${VAN}/acts`,
    JSON.stringify({ ...by, id: randomUUID(), type: 'waits', for: 'nobody', note: 'a secret note' })
  )
  const file = join(folder, 'server.log')
  await expect(() => expect(readFileSync(file, 'utf8')).toContain('/api/share/…/choice')).toPass()
  const log = readFileSync(file, 'utf8')
  for (const word of [token, 'Ada Unforgotten', 'a secret note', 'parameters', '"sql"']) expect(log).not.toContain(word)
  expect(statSync(file).mode & 0o077).toBe(0)
  expect(Math.max(...log.split('\n').map((line) => line.length))).toBeLessThan(8000)
})
