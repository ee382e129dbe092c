import type { Server } from 'node:http'

/**
 * ms that a connection is kept open for the next request: longer than people pause between two touches, so that a
 * browser seldom sends on one that is being closed.
 */
const KEPT_MS = 75_000

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', ({ node: { req } }) => {
    const { server } = req.socket as typeof req.socket & { server?: Server }
    if (server && server.keepAliveTimeout < KEPT_MS) server.keepAliveTimeout = KEPT_MS
  })
})
