import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, it } from 'vitest'
import { SOURCES } from '../../scripts/build.mjs'

/** Folders of this project, outside a folder, that its code takes something from. */
function takenFrom(folder: string): string[] {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(ts|vue)$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name))
  return files.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/from '(\.\.?\/[^']+)'/g)].map(
      ([, path]) => relative('.', join(file, '..', path!)).split('/')[0]!
    )
  )
}

it('a change in any folder that the application is made of makes the build anew', () => {
  const made = new Set(['app', 'server'])
  for (const folder of made) for (const other of takenFrom(folder)) made.add(other)
  expect([...made].filter((folder) => !SOURCES.includes(folder))).toEqual([])
  expect(made.size).toBeGreaterThan(3)
})
