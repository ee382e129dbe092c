import { reachedAt } from './reached'

/** Names this server is known by beside its own machine's, from UMBRETTE_HOSTS, with commas between. */
const known = new Set([
  '127.0.0.1',
  'localhost',
  '[::1]',
  ...(process.env.UMBRETTE_HOSTS ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean)
])
for (const address of Object.values(reachedAt())) if (address) known.add(new URL(address).hostname)

/** Names that the network is served under. */
export function knowHosts(names: readonly string[]): void {
  for (const name of names) known.add(name)
}

/** Is a request's Host one of ours, whatever its port? */
export function isKnownHost(host: string): boolean {
  return known.has(nameOf(host))
}

/** The name in `name:port`, in lower case; of an address of version 6 with its brackets. */
function nameOf(host: string): string {
  return host.toLowerCase().replace(/:\d{1,5}$/, '')
}

/** Did a page of another site send it? A proxy of one's own may put its name in place of the one that was asked. */
export function isForeign(origin: string | undefined, site: string | undefined, host: string): boolean {
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true
  if (origin === undefined) return false
  if (!URL.canParse(origin)) return true
  const { origin: own, customers } = reachedAt()
  return new URL(origin).host !== host.toLowerCase() && origin !== own && origin !== customers
}
