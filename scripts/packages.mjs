// Debian packages and npm packages that a command needs.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { must, run, say, Stop } from './run.mjs'

const isRoot = process.getuid?.() === 0

/** The folder of PostgreSQL's programs, the newest version there is, or null. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base)
    .filter((v) => existsSync(join(base, v, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a))
  return versions.length > 0 ? join(base, versions[0], 'bin') : null
}

export function chromiumProgram() {
  return ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path)) ?? null
}

/** Is a program of a Debian package there? */
export function hasProgram(name) {
  return existsSync(join('/usr/bin', name))
}

/** Installs Debian packages as root; otherwise stops and prints the exact command. */
export async function installDebian(packages, why) {
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`
  if (!isRoot)
    throw new Stop(`${why} is not installed. As root, run\n  apt-get update && ${command}\nthen run this again.`)
  say(`Installing ${packages.join(', ')} …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  keepSystemClusterAway(packages)
  if (
    (await run('apt-get', ['install', '-y', '--no-install-recommends', ...packages], { quiet: true, env })).code === 0
  )
    return
  await must('apt-get update', 'apt-get', ['update'], { quiet: true, env })
  await must(
    `Installing ${packages.join(', ')}`,
    'apt-get',
    ['install', '-y', '--no-install-recommends', ...packages],
    { quiet: true, env }
  )
}

/**
 * Debian starts a server of its own with the package, which nobody asked for: tell it not to, where nobody has set it
 * yet.
 */
function keepSystemClusterAway(packages) {
  const folder = '/etc/postgresql-common'
  if (!packages.includes('postgresql') || existsSync(folder)) return
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'createcluster.conf'), '# Umbrette runs its own cluster.\ncreate_main_cluster = false\n')
}

/** Installs npm packages when there are none, or the lock has changed since. */
export async function installNpm(dataFolder) {
  const stamp = join(dataFolder, 'npm.stamp')
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
  if (existsSync('node_modules/.package-lock.json') && existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('Installing npm packages (about a minute) …')
  await must('npm ci', 'npm', ['ci', '--no-audit', '--no-fund'], { quiet: true })
  writeFileSync(stamp, lock)
}
