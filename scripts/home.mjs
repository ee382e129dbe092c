// Whose folder this is: a folder that was moved is still itself, a copy is another and leaves the first one's server
// and database alone.
import { randomUUID } from 'node:crypto'
import { mkdirSync, readlinkSync, realpathSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { say } from './run.mjs'
import { readWhole as read, writeWhole } from './whole.mjs'

/** What belongs to a running server or to a database that lies elsewhere: a copy has neither. */
const OF_THE_FIRST = ['server.json', 'own-server.json', 'postgres.port']

/**
 * The identity of a data folder, given to it the first time and again when it turns out to be a copy.
 * @returns {{ id: string, copyOf: string | null }}
 */
export function homeOf(dataFolder) {
  mkdirSync(dataFolder, { recursive: true })
  const path = realpathSync(dataFolder)
  const known = read(join(path, 'home.json'))
  if (known?.path === path) return { id: known.id, copyOf: known.copyOf ?? null }
  const first = known && known.path !== path && read(join(known.path, 'home.json'))?.id === known.id ? known.path : null
  const home = { id: first || !known ? randomUUID() : known.id, path, ...(first ? { copyOf: first } : {}) }
  if (first) {
    for (const name of OF_THE_FIRST) rmSync(join(path, name), { force: true })
    say(`This folder is a copy of ${join(first, '..')}. What runs there, and its workshop, stay as they are.`)
  }
  keep(join(path, 'home.json'), home)
  return { id: home.id, copyOf: first }
}

/** Whole or not at all; on a full disk it is told again next time. */
function keep(file, home) {
  try {
    writeWhole(file, JSON.stringify(home))
  } catch (error) {
    if (error.code !== 'ENOSPC') throw error
  }
}

/**
 * Does a process work in this folder? It is told by the folder itself, so that one that was moved under it is still its
 * own.
 */
export function worksIn(pid, folder) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`) === realpathSync(folder)
  } catch {
    return false
  }
}
