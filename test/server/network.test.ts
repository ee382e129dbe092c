import { X509Certificate } from 'node:crypto'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { request } from 'node:https'
import type { Server } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { freePort } from '../../scripts/run.mjs'
import { endOf, isGood, type KeyPair, makeAuthority, makeCertificate } from '../../server/network/certificates'
import { type NetworkSettings, namesOf } from '../../server/network/settings'

/** The workshop's network: an authority of its own, a certificate that is renewed, and two doors. */

const DAY_MS = 86_400_000
const NAMES = ['127.0.0.1', '127.0.0.2', 'localhost', 'works.localhost']

describe('a certificate', () => {
  let authority: KeyPair
  beforeAll(async () => {
    authority = await makeAuthority('Harbour Repairs')
  })

  it('is signed by the authority, for these names and addresses, and for no longer than devices accept', async () => {
    const made = await makeCertificate(authority, NAMES)
    const [mine, of] = [new X509Certificate(made.certificate), new X509Certificate(authority.certificate)]
    expect(of.ca).toBe(true)
    expect(of.verify(of.publicKey)).toBe(true)
    expect(mine.ca).toBe(false)
    expect(mine.checkIssued(of)).toBe(true)
    expect(mine.verify(of.publicKey)).toBe(true)
    for (const name of NAMES.slice(2)) expect(mine.checkHost(name)).toBe(name)
    for (const address of NAMES.slice(0, 2)) expect(mine.checkIP(address)).toBe(address)
    expect(mine.checkHost('elsewhere.localhost')).toBeUndefined()
    const days = (new Date(mine.validTo).getTime() - new Date(mine.validFrom).getTime()) / DAY_MS
    expect(days).toBeLessThanOrEqual(398)
  })

  it('is made anew before it ends, for another name, and by another authority', async () => {
    const made = await makeCertificate(authority, NAMES)
    expect(await isGood(made, authority, NAMES)).toBe(true)
    expect(await isGood(made, authority, [...NAMES, '127.0.0.3'])).toBe(false)
    expect(await isGood(made, await makeAuthority('Another'), NAMES)).toBe(false)
    const late = new Date(endOf(made.certificate).getTime() - 30 * DAY_MS)
    expect(await isGood(made, authority, NAMES, late)).toBe(false)
    expect(await isGood({ ...made, certificate: 'broken' }, authority, NAMES)).toBe(false)
  })
})

describe('the network', () => {
  const folder = mkdtempSync(join(tmpdir(), 'umbrette-network-'))
  let settings: NetworkSettings
  let servers: Server[] = []
  let open = false
  const asked: { path: string; cookie: string | undefined }[] = []

  beforeAll(async () => {
    vi.doMock('../../server/access/caller', () => ({ isClosed: async () => !open }))
    const { serveNetwork } = await import('../../server/network/serve')
    const port = await freePort(4840)
    settings = {
      port,
      customersPort: await freePort(port + 1),
      addresses: ['127.0.0.1'],
      names: ['works.localhost'],
      workshop: 'Harbour Repairs'
    }
    servers = await serveNetwork(folder, settings, (incoming, answer) => {
      asked.push({ path: incoming.url!, cookie: incoming.headers.cookie })
      answer.end('made')
    })
  })
  afterAll(() => {
    for (const server of servers) server.close()
    rmSync(folder, { recursive: true })
    vi.doUnmock('../../server/access/caller')
  })

  const get = async (port: number, path: string) => {
    const { read } = await import('../../server/network/settings')
    return new Promise<number>((done, failed) => {
      request(
        {
          host: '127.0.0.1',
          servername: 'works.localhost',
          port,
          path,
          ca: read(folder, 'authority')!.certificate,
          headers: { cookie: '__Host-umbrette=x', host: `works.localhost:${port}` }
        },
        (answer) => {
          answer.resume()
          done(answer.statusCode!)
        }
      )
        .on('error', failed)
        .end()
    })
  }

  it('answers under its names by a certificate that the authority vouches for', async () => {
    expect(namesOf(settings)).toEqual(['works.localhost', '127.0.0.1'])
    expect(await get(settings.port, '/api/board')).toBe(200)
  })

  it('answers nobody while the workshop is open to everybody', async () => {
    open = true
    expect(await get(settings.port, '/api/board')).toBe(403)
    open = false
  })

  it("answers customers their report and what its page is made of, nothing else, and knows no workshop's cookie", async () => {
    const door = settings.customersPort
    asked.length = 0
    for (const path of ['/share/abc', '/api/share/abc', '/api/share/abc/choice', '/_nuxt/entry.js', '/umbrette.svg'])
      expect([path, await get(door, path)]).toEqual([path, 200])
    expect(asked.every(({ cookie }) => cookie === undefined)).toBe(true)
    for (const path of [
      '/',
      '/api/board',
      '/api/me',
      '/sign-in',
      '/sw.js',
      '/share/../api/board',
      '/share/%2e%2e/api/board',
      '/share/..%2fapi/board',
      '/_nuxt/..%5capi',
      '/shares/abc',
      '//share/abc'
    ])
      expect([path, await get(door, path)]).toEqual([path, 404])
  })

  it("keeps its keys nobody's but this user's", () => {
    for (const name of ['authority', 'server'])
      expect(statSync(join(folder, 'network', `${name}.key`)).mode & 0o077).toBe(0)
  })
})
