// The production build, made again only when its sources have changed.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { must, say } from './run.mjs'

export const SOURCES = [
  'app',
  'core',
  'words',
  'draw',
  'server',
  'demo',
  'public',
  'scripts/serviceWorker.mjs',
  'scripts/worker.mjs',
  'nuxt.config.ts',
  'package-lock.json'
]

/** @returns {Promise<string>} a digest of what the build was made from */
export async function build(dataFolder) {
  const stamp = join(dataFolder, 'build.stamp')
  const sources = digest(SOURCES)
  if (existsSync('.output/server/index.mjs') && existsSync(stamp) && readFileSync(stamp, 'utf8') === sources)
    return sources
  say('Building (about a minute) …')
  const { VITEST: _vitest, ...env } = process.env
  await must('The build', 'npx', ['--no-install', 'nuxt', 'build'], {
    quiet: true,
    env: { ...env, NODE_ENV: 'production', NUXT_TELEMETRY_DISABLED: '1' }
  })
  writeFileSync(stamp, sources)
  return sources
}

function digest(paths) {
  const hash = createHash('sha256')
  const add = (path, isFolder) => {
    if (isFolder)
      for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1)))
        add(join(path, entry.name), entry.isDirectory())
    else hash.update(path).update('\0').update(readFileSync(path)).update('\0')
  }
  for (const path of paths) if (existsSync(path)) add(path, !/\.\w+$/.test(path))
  return hash.digest('hex')
}
