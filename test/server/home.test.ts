import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spawn } from 'node:child_process'
import { afterAll, expect, it, vi } from 'vitest'
import { homeOf, worksIn } from '../../scripts/home.mjs'

const root = mkdtempSync(join(tmpdir(), 'umbrette-home-'))
afterAll(() => rmSync(root, { recursive: true }))
const data = (name: string) => join(root, name, '.data')

function made(name: string): { id: string; folder: string } {
  mkdirSync(data(name), { recursive: true })
  const { id } = homeOf(data(name))
  writeFileSync(join(data(name), 'server.json'), JSON.stringify({ pid: 1, port: 1 }))
  writeFileSync(join(data(name), 'postgres.where'), join(root, 'elsewhere'))
  return { id, folder: join(root, name) }
}

it('a folder that was moved is still itself, and has what was its own', () => {
  const { id, folder } = made('first')
  renameSync(folder, join(root, 'moved'))
  expect(homeOf(data('moved'))).toEqual({ id, copyOf: null })
  expect(homeOf(data('moved'))).toEqual({ id, copyOf: null })
  expect(existsSync(join(data('moved'), 'server.json'))).toBe(true)
})

it("a copy is another, says whose copy it is, and lets go of the first one's server", () => {
  const told = vi.spyOn(console, 'log').mockImplementation(() => undefined)
  const { id, folder } = made('original')
  cpSync(folder, join(root, 'copy'), { recursive: true })
  const copy = homeOf(data('copy'))
  expect(copy.id).not.toBe(id)
  expect(copy.copyOf).toContain('original')
  expect(told.mock.calls.flat().join()).toMatch(/is a copy of .*original.*stay as they are/)
  expect(existsSync(join(data('copy'), 'server.json'))).toBe(false)
  expect(homeOf(data('original'))).toEqual({ id, copyOf: null })
  expect(existsSync(join(data('original'), 'server.json'))).toBe(true)
  expect(homeOf(data('copy')).id).toBe(copy.id)
  told.mockRestore()
})

it('a file about a folder that cannot be read makes it a new one, not an error', () => {
  mkdirSync(data('odd'), { recursive: true })
  writeFileSync(join(data('odd'), 'home.json'), '{"id":')
  expect(homeOf(data('odd')).id).toMatch(/^[0-9a-f-]{36}$/)
  expect(JSON.parse(readFileSync(join(data('odd'), 'home.json'), 'utf8'))).toMatchObject({
    path: expect.stringContaining('odd')
  })
})

it('a process is told by the folder it works in, also after that was moved under it', async () => {
  mkdirSync(join(root, 'at-work'))
  const child = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)'], { cwd: join(root, 'at-work') })
  await vi.waitFor(() => expect(worksIn(child.pid!, join(root, 'at-work'))).toBe(true))
  renameSync(join(root, 'at-work'), join(root, 'moved-at-work'))
  expect(worksIn(child.pid!, join(root, 'moved-at-work'))).toBe(true)
  mkdirSync(join(root, 'at-work'))
  expect(worksIn(child.pid!, join(root, 'at-work'))).toBe(false)
  child.kill()
})
