import { toNodeListener } from 'h3'
import { CONSOLE } from '../../words/en/console'
import { networkSettings } from '../network/settings'
import { log } from '../utils/log'

/** Opens the workshop's network where it was asked for; a door that cannot be opened leaves the others as they are. */
export default defineNitroPlugin((nitro) => {
  const folder = process.env.UMBRETTE_NETWORK
  const settings = folder ? networkSettings(folder) : null
  if (!folder || !settings) return
  // What makes certificates is loaded where they are needed.
  const opened = import('../network/serve').then(({ serveNetwork }) =>
    serveNetwork(folder, settings, toNodeListener(nitro.h3App))
  )
  opened.then(
    () => log.info('the network is served'),
    (error: unknown) => {
      log.error({ err: error }, 'the network cannot be served')
      console.error(CONSOLE.networkUnusable(String((error as Error).message).slice(0, 300)))
    }
  )
})
