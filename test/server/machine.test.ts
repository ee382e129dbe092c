import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { listBackups, tooOld } from '../../scripts/backups.mjs'
import { backupsOf, roomOf } from '../../scripts/doctor.mjs'
import { unitOf } from '../../scripts/foreground.mjs'

/** What looks after the machine: backups by age, what the doctor says, the service's unit. */

const DAY = 86_400_000
const NOW = Date.parse('2026-11-26T12:00:00Z')
const folder = mkdtempSync(join(tmpdir(), 'umbrette-machine-'))
afterAll(() => rmSync(folder, { recursive: true }))

describe('backups', () => {
  it('are all kept for a week, then one a week, none beyond what is asked for, and the newest always', () => {
    const daily = Array.from({ length: 120 }, (_, i) => ({ name: `daily-${i}`, at: NOW - i * DAY }))
    const gone = new Set(tooOld(daily, 60, NOW).map(({ name }) => name))
    const kept = daily.filter(({ name }) => !gone.has(name)).map(({ at }) => (NOW - at) / DAY)
    expect(kept.slice(0, 9)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8])
    expect(kept.slice(9).length).toBeGreaterThanOrEqual(7)
    expect(kept.slice(9).length).toBeLessThanOrEqual(8)
    expect(Math.max(...kept)).toBeLessThanOrEqual(60)
    expect(tooOld([{ name: 'daily-old', at: NOW - 900 * DAY }], 60, NOW)).toEqual([])
  })

  it('are listed by when they were made, whatever else lies there', () => {
    const backups = join(folder, 'backups')
    mkdirSync(backups)
    for (const name of [
      'daily-2026-11-24T08-00-00-000Z.backup',
      'before-0012-doors-2026-11-25T08-00-00-000Z.backup',
      'daily-2026-11-25T09-00-00-000Z.backup.unfinished',
      'mine.backup'
    ])
      writeFileSync(join(backups, name), '')
    expect(listBackups(folder).map(({ name }) => name)).toEqual([
      'before-0012-doors-2026-11-25T08-00-00-000Z.backup',
      'daily-2026-11-24T08-00-00-000Z.backup'
    ])
  })
})

describe('the doctor', () => {
  it('says how much room is left, and when that is too little', () => {
    const state = (gigabytes: number) => roomOf({ bavail: gigabytes * 1e9, bsize: 1 }).state
    expect([state(50), state(5), state(1)]).toEqual(['well', 'look', 'wrong'])
  })

  it('says when backups are missing or old', () => {
    expect(backupsOf([], NOW)).toMatchObject({ state: 'look', says: 'none was made yet' })
    expect(backupsOf([{ name: 'daily-x', at: NOW - 5 * DAY }], NOW)).toMatchObject({
      state: 'look',
      says: 'the newest is 5 days old'
    })
    expect(backupsOf([{ name: 'daily-x', at: NOW - DAY }], NOW).state).toBe('well')
  })
})

it("the service's unit runs this folder as its user, and again when it has ended", () => {
  const unit = unitOf('/srv/umbrette', 'works')
  expect(unit).toMatch(/^WorkingDirectory=\/srv\/umbrette$/m)
  expect(unit).toMatch(/^User=works$/m)
  expect(unit).toMatch(/^ExecStart=.* scripts\/umbrette\.mjs run$/m)
  expect(unit).toMatch(/^Restart=always$/m)
})
