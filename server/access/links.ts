import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import type { H3Event } from 'h3'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** Requests a minute that one link, and one address with links that lead nowhere or elsewhere, may make. */
const perLink = new RateLimiterMemory({ points: 240, duration: 60 })
const perAddress = new RateLimiterMemory({ points: 600, duration: 60 })

/** Counts a request through a customer's link. @throws Problem too-many */
export async function limitLink(event: H3Event, token: string): Promise<void> {
  try {
    await perAddress.consume(event.node.req.socket.remoteAddress ?? '')
    await perLink.consume(token.slice(0, 64))
  } catch (limited) {
    const { msBeforeNext = 60_000 } = limited as Partial<RateLimiterRes>
    throw new Problem('too-many', told('wait-seconds', { seconds: Math.ceil(msBeforeNext / 1000) }))
  }
}
