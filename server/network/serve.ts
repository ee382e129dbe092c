import type { IncomingMessage, RequestListener, ServerResponse } from 'node:http'
import { createServer, type Server } from 'node:https'
import { sayProblem } from '../../words/en'
import { told } from '../../words/problems'
import { isClosed } from '../access/caller'
import { knowHosts } from '../access/hosts'
import { noteReached } from '../access/reached'
import { log } from '../utils/log'
import { authorityIn, certificateIn, namesOf, type NetworkSettings } from './settings'

/** What a customer's browser asks for: their report, and what its page is made of. */
const FOR_CUSTOMERS = /^\/(share|api\/share|_nuxt)\/[^\\]*$|^\/umbrette\.svg$/
/** ms between looks at the certificate, and at this machine's addresses. */
const LOOK_MS = 3_600_000

/**
 * Serves the workshop's network over HTTPS, and customers at a door of their own where nothing but what was shared with
 * them answers. The certificate is renewed while it runs.
 */
export async function serveNetwork(
  dataFolder: string,
  settings: NetworkSettings,
  listener: RequestListener
): Promise<Server[]> {
  const authority = await authorityIn(dataFolder, settings.workshop)
  const secure = async () => {
    const names = namesOf(settings)
    const { key, certificate } = await certificateIn(dataFolder, authority, names)
    knowHosts(names)
    return { names, context: { key, cert: `${certificate}\n${authority.certificate}`, minVersion: 'TLSv1.2' as const } }
  }
  const { names, context } = await secure()
  const servers: Server[] = []
  for (const [port, answer] of [
    [settings.port, forWorkshop(listener)],
    [settings.customersPort, forCustomers(listener)]
  ] as const)
    for (const address of settings.addresses ?? [undefined])
      servers.push(await listen(createServer(context, answer), port, address))
  const shown = (port: number) => `https://${names[0]!}${port === 443 ? '' : `:${port}`}`
  noteReached({ origin: shown(settings.port), customers: shown(settings.customersPort) })
  setInterval(() => {
    secure().then(
      ({ context: renewed }) => servers.forEach((server) => server.setSecureContext(renewed)),
      (error: unknown) => log.error({ err: error }, 'the certificate was not renewed')
    )
  }, LOOK_MS).unref()
  return servers
}

/** A workshop without anybody who signs in is open: it is answered on its own machine alone. */
function forWorkshop(listener: RequestListener): RequestListener {
  return (request, response) => {
    isClosed().then(
      (closed) => (closed ? listener(request, response) : deny(response, 403)),
      () => deny(response, 503)
    )
  }
}

function forCustomers(listener: RequestListener): RequestListener {
  return (request: IncomingMessage, response: ServerResponse) => {
    const path = (request.url ?? '').split('?')[0]!
    if (!FOR_CUSTOMERS.test(path) || path.includes('..') || /%2e|%2f|%5c/i.test(path)) return deny(response, 404)
    delete request.headers.cookie
    return listener(request, response)
  }
}

function deny(response: ServerResponse, status: number): void {
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' })
  response.end(sayProblem(status === 404 ? told('nothing-here') : told('open-here-alone')))
}

function listen(server: Server, port: number, address: string | undefined): Promise<Server> {
  return new Promise((done, failed) => {
    server.once('error', failed)
    server.listen(port, address, () => {
      server.removeListener('error', failed)
      server.on('error', (error) => log.error({ err: error }, 'the network door broke'))
      done(server)
    })
  })
}
