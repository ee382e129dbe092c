import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { isGood, type KeyPair, makeAuthority, makeCertificate } from './certificates'

/** How the workshop's network is served, as `./umbrette network` keeps it. */
export interface NetworkSettings {
  port: number
  customersPort: number
  /** Addresses of this machine that are answered on; null for all. */
  addresses: string[] | null
  /** Names that this machine is known by, beside its own. */
  names: string[]
  workshop: string
}

const FILE = 'network.json'
const FOLDER = 'network'

/** What is kept of the network in a folder; null where it is closed. */
export function networkSettings(dataFolder: string): NetworkSettings | null {
  const file = join(dataFolder, FILE)
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as NetworkSettings) : null
}

/** Names and addresses that this machine answers to, the one to show to people first. */
export function namesOf({ addresses, names }: NetworkSettings): string[] {
  const own = addresses ?? [
    ...Object.values(networkInterfaces())
      .flatMap((all) => all ?? [])
      .filter(({ internal, family }) => !internal && family === 'IPv4')
      .map(({ address }) => address),
    hostname().toLowerCase(),
    `${hostname().toLowerCase()}.local`
  ]
  return [...new Set([...names.map((name) => name.toLowerCase()), ...own])]
}

/** The workshop's authority, made when it is first asked for. */
export async function authorityIn(dataFolder: string, workshop: string): Promise<KeyPair> {
  return kept(dataFolder, 'authority', async () => makeAuthority(workshop))
}

/** A certificate good for these names: the one kept, or a new one. */
export async function certificateIn(
  dataFolder: string,
  authority: KeyPair,
  names: readonly string[]
): Promise<KeyPair> {
  const known = read(dataFolder, 'server')
  if (known && (await isGood(known, authority, names))) return known
  const made = await makeCertificate(authority, names)
  write(dataFolder, 'server', made)
  return made
}

async function kept(dataFolder: string, name: string, make: () => Promise<KeyPair>): Promise<KeyPair> {
  const known = read(dataFolder, name)
  if (known) return known
  const made = await make()
  write(dataFolder, name, made)
  return made
}

export function read(dataFolder: string, name: string): KeyPair | null {
  const of = (ending: string) => join(dataFolder, FOLDER, `${name}.${ending}`)
  if (!existsSync(of('key')) || !existsSync(of('crt'))) return null
  return { key: readFileSync(of('key'), 'utf8'), certificate: readFileSync(of('crt'), 'utf8') }
}

/** Each whole or not at all, and nobody's but this user's. */
function write(dataFolder: string, name: string, { key, certificate }: KeyPair): void {
  const folder = join(dataFolder, FOLDER)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  for (const [ending, text] of [
    ['key', key],
    ['crt', certificate]
  ] as const) {
    const file = join(folder, `${name}.${ending}`)
    writeFileSync(`${file}.new`, text, { mode: 0o600 })
    renameSync(`${file}.new`, file)
  }
}
