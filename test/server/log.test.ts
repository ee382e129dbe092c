import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import SonicBoom from 'sonic-boom'
import { DatabaseError } from 'sequelize'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { storageProblem } from '../../server/db/errors'
import { loggedPath, rotate, toldError } from '../../server/utils/log'

const folder = mkdtempSync(join(tmpdir(), 'umbrette-log-'))
afterAll(() => rmSync(folder, { recursive: true }))

describe('the log', () => {
  it("is begun anew when it has grown, keeps four before it, and is its owner's alone", async () => {
    const file = join(folder, 'server.log')
    const stream = new SonicBoom({ dest: file, sync: false, append: true, mode: 0o600 })
    for (let i = 0; i < 7; i++) {
      stream.write(`${i}${'x'.repeat(500)}\n`)
      await vi.waitFor(() => expect(existsSync(file) && readFileSync(file, 'utf8').startsWith(String(i))).toBe(true))
      rotate(file, stream, 400)
      await vi.waitFor(() => expect(existsSync(file) && statSync(file).size).toBe(0))
    }
    expect(readdirSync(folder).sort()).toEqual([
      'server.log',
      'server.log.1',
      'server.log.2',
      'server.log.3',
      'server.log.4'
    ])
    expect(readFileSync(`${file}.1`, 'utf8')).toMatch(/^6x/)
    for (const name of readdirSync(folder)) expect(statSync(join(folder, name)).mode & 0o777).toBe(0o600)
    stream.end()
  })
  it('holds no key of a shared report', () => {
    expect(loggedPath('/api/share/AbC123_-x/photos/5a17')).toBe('/api/share/…/photos/5a17')
    expect(loggedPath('/share/AbC123_-x')).toBe('/share/…')
    expect(loggedPath(`/api/jobs/${'x'.repeat(5000)}`).length).toBeLessThan(300)
  })
  it('tells an error without what it was about', () => {
    const parent = Object.assign(new Error('could not extend file'), {
      code: '53100',
      sql: 'insert into photos values ($1)',
      parameters: ['a whole picture'],
      detail: 'Ada Quay'
    })
    const told = JSON.stringify(toldError(new DatabaseError(parent as never)))
    expect(told).toContain('53100')
    for (const word of ['a whole picture', 'insert into', 'Ada Quay']) expect(told).not.toContain(word)
  })
})

describe('what goes wrong below the application', () => {
  it.each([
    ['53100', 'no-room', 507],
    ['ENOSPC', 'no-room', 507],
    ['ECONNREFUSED', 'not-ready', 503],
    ['57P01', 'not-ready', 503],
    ['40P01', 'not-ready', 503],
    ['57014', 'not-ready', 503]
  ])('%s is told as %s, in words, with what was entered kept', (code, problem, status) => {
    expect(storageProblem(Object.assign(new Error('x'), { cause: { code } }))).toMatchObject({
      code: problem,
      status,
      message: expect.stringMatching(/kept on this device/)
    })
  })
  it('a fault of our own is none of those', () => expect(storageProblem(new TypeError('x'))).toBeNull())
})
