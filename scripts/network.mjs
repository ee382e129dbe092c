// Opens the workshop's network over HTTPS, and closes it again.
import { existsSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { kindOf } from './database.mjs'
import { say, Stop } from './run.mjs'
import { countOwners, query } from './sql.mjs'
import { writeWhole } from './whole.mjs'

/** Options of `network`, as parseArgs takes them. */
export const NETWORK_OPTIONS = {
  off: { type: 'boolean' },
  port: { type: 'string' },
  'customers-port': { type: 'string' },
  address: { type: 'string', multiple: true },
  name: { type: 'string', multiple: true }
}

const PORTS = { workshop: 4443, customers: 4444 }

/** Keeps how the network is served, and says what changed. @returns {Promise<boolean>} is it open now? */
export async function setNetwork(dataFolder, given, url) {
  const file = join(dataFolder, 'network.json')
  if (given.off) {
    const was = existsSync(file)
    rmSync(file, { force: true })
    say(
      was ? 'The network is closed: the workshop is answered on this machine alone.' : 'The network was closed already.'
    )
    return false
  }
  if (kindOf(dataFolder) !== 'own')
    throw new Stop('The demo is answered on this machine alone. Set up a workshop of your own first: ./umbrette setup')
  if ((await countOwners(url)) === 0)
    throw new Stop(
      'Nobody can sign in yet, and an open workshop is answered on this machine alone. Give its owner a passphrase first:\n' +
        './umbrette person add NAME --role owner'
    )
  const workshop = await query(url, "select value ->> 'name' from settings where key = 'workshop'")
  const settings = {
    port: portOf(given.port, PORTS.workshop),
    customersPort: portOf(given['customers-port'], PORTS.customers),
    addresses: given.address ?? null,
    names: given.name ?? [],
    workshop
  }
  writeWhole(file, JSON.stringify(settings))
  return true
}

function portOf(given, usual) {
  const port = Number(given ?? usual)
  if (!Number.isInteger(port) || port < 1 || port > 65_535) throw new Stop('A port is a number from 1 to 65535.')
  return port
}

/** Says where the workshop is reached now, and how a device comes to trust it. */
export async function announceNetwork(dataFolder, { origin, customers }) {
  const { toString: draw } = (await import('qrcode')).default
  say(`The workshop's network: ${origin}   (customers: ${customers})
${await draw(`${origin}/api/network/authority`, { type: 'terminal', small: true })}
Each device is told once to trust this workshop: scan this, or open ${origin}/api/network/authority on it
(it warns the first time), and install what comes as an authority for websites; or carry over
${join(dataFolder, 'network', 'authority.crt')}. Then open ${origin} and pair it under People.
./umbrette network --off closes it again.`)
}
