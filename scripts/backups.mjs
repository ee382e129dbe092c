// Backups that are made by themselves: of the workshop, once a day and before it is changed as a whole, kept by age.
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { backup } from './backup.mjs'

const DAY_MS = 86_400_000
/** Days for which every backup is kept; of older ones one a week stays. */
const ALL_DAYS = 8
/** Days after which none stays, unless more are asked for. */
export const KEEP_DAYS = 60
const NAME = /^(daily|before)-.*\.backup$/

/** Makes a backup now. @param {string} why the name begins with: `daily`, `before-restore` … @returns its file */
export async function backUpNow(dataFolder, url, why, now = new Date()) {
  const folder = join(dataFolder, 'backups')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = join(folder, `${why}-${now.toISOString().replaceAll(/[:.]/g, '-')}.backup`)
  await backup(url, file)
  return file
}

/** Makes today's backup unless there is one, and lets go of what is old. @returns its file, or null */
export async function backUpDaily(dataFolder, url, keepDays = KEEP_DAYS, now = new Date()) {
  const [newest] = listBackups(dataFolder).filter(({ name }) => name.startsWith('daily-'))
  if (newest && now.getTime() - newest.at < DAY_MS) return null
  const file = await backUpNow(dataFolder, url, 'daily', now)
  for (const { name } of tooOld(listBackups(dataFolder), keepDays, now.getTime()))
    rmSync(join(dataFolder, 'backups', name), { force: true })
  return file
}

/** Backups that were made by themselves, the newest first. @returns {{ name: string, at: number }[]} */
export function listBackups(dataFolder) {
  const folder = join(dataFolder, 'backups')
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => NAME.test(name))
    .map((name) => ({ name, at: madeAt(name) ?? statSync(join(folder, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at)
}

/** When a backup was made, by its name: a copied file has another time of its own. */
function madeAt(name) {
  const [, day, hours, minutes, seconds] = /(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)/.exec(name) ?? []
  return day ? Date.parse(`${day}T${hours}:${minutes}:${seconds}Z`) : null
}

/**
 * Which of these can go: all are kept for a week, then the newest of each week, none beyond `keepDays`; the newest of
 * all always stays.
 * @param {{ name: string, at: number }[]} backups the newest first
 */
export function tooOld(backups, keepDays, now) {
  const weeks = new Set()
  return backups.filter(({ at }, i) => {
    const days = (now - at) / DAY_MS
    if (i === 0 || days <= ALL_DAYS) return false
    const week = Math.floor(at / (7 * DAY_MS))
    const kept = days <= keepDays && !weeks.has(week)
    weeks.add(week)
    return !kept
  })
}
