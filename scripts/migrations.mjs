import { readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Names of the migrations that this version has, in their order. */
export function knownMigrations() {
  return readdirSync(join('server', 'db', 'migrations'))
    .filter((name) => /^\d{4}-/.test(name))
    .map((name) => name.replace(/\.ts$/, ''))
    .sort()
}
