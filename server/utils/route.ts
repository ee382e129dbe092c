import { told } from '../../words/problems'
import {
  defineEventHandler,
  getRequestURL,
  getRouterParam,
  readRawBody,
  setResponseHeader,
  setResponseStatus,
  type H3Event
} from 'h3'
import type { AnySchema } from 'yup'
import { isWellFormed, schemaFaults, type Message, type Shape } from '../../core/check'
import { codeOf, storageProblem } from '../db/errors'
import { reviveDatabase } from '../db/revive'
import { admit } from '../access/caller'
import { limitLink } from '../access/links'
import { needOf } from '../access/needs'
import { log, loggedPath } from './log'
import { Problem } from './problem'

/** A route that answers every failure in the one error shape and logs what it did, with its duration. */
export function route<T>(handler: (event: H3Event) => Promise<T>) {
  return defineEventHandler(async (event) => {
    const started = performance.now()
    try {
      await letIn(event)
      const answer = await handler(event)
      log.info(entryOf(event, started), 'request')
      return answer
    } catch (error) {
      return refuse(
        event,
        event.node.req.destroyed && !event.node.req.complete ? brokenOff(error) : problemOf(error),
        started
      )
    }
  })
}

/**
 * Lets a request through to the route that it matched, if who sent it may. @throws Problem sign-in, forbidden, too-many
 */
export async function letIn(event: H3Event): Promise<void> {
  const { path = '' } = (event.context.matchedRoute ?? {}) as { path?: string }
  const need = needOf(event.method, path)
  if (need === 'anyone') return
  if (need === 'link') return limitLink(event, readParam(event, 'token'))
  if (need === null) throw new Problem('forbidden', told('route-says-nothing'))
  await admit(event, need)
}

/** Answers a problem in the one shape. */
export function refuse(event: H3Event, problem: Problem, started = performance.now()) {
  if (problem.status >= 500)
    log.error({ ...entryOf(event, started), code: problem.code, err: problem.cause }, 'request failed')
  else
    log.warn(
      {
        ...entryOf(event, started),
        code: problem.code,
        places: problem.faults.map(({ place }) => place.slice(0, 100))
      },
      'request refused'
    )
  if (!event.node.res.headersSent) {
    setResponseStatus(event, problem.status)
    setResponseHeader(event, 'Content-Type', 'application/json')
    for (const name of ['Content-Disposition', 'Cache-Control']) event.node.res.removeHeader(name)
  }
  return problem.body()
}

const brokenOff = (cause: unknown) => new Problem('bad-request', told('broken-off'), [], { cause })

function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error
  if (codeOf(error) === 'ECONNREFUSED') reviveDatabase()
  return storageProblem(error) ?? new Problem('internal', told('internal'), [], { cause: error })
}

function entryOf(event: H3Event, started: number) {
  return {
    method: event.method,
    path: loggedPath(getRequestURL(event).pathname),
    ms: Math.round(performance.now() - started)
  }
}

/** A part of the address, such as an id. @throws Problem not-found for one that names nothing anywhere */
export function readParam(event: H3Event, name: string): string {
  const value = getRouterParam(event, name, { decode: true }) ?? ''
  if (value === '' || value.length > 200 || !isWellFormed(value)) throw new Problem('not-found', told('nothing-here'))
  return value
}

/** A part of the address that is a whole number. @throws Problem not-found for anything else */
export function readCount(event: H3Event, name: string): number {
  const value = readParam(event, name)
  if (!/^[1-9]\d{0,8}$/.test(value)) throw new Problem('not-found', told('nothing-here'))
  return Number(value)
}

/** Refuses a body over the limit before it is read. */
export function checkLength(event: H3Event, limit: number): void {
  const length = Number(event.node.req.headers['content-length'] ?? NaN)
  if (!(length <= limit)) throw new Problem('too-large', told('send-at-most', { bytes: limit }))
}

/** The request's body as bytes, at most `limit`. */
export async function readBytes(event: H3Event, limit: number): Promise<Buffer> {
  checkLength(event, limit)
  return (await readRawBody(event, false)) ?? Buffer.alloc(0)
}

/** The request's JSON, at most `limit` bytes. */
export async function readJson(event: H3Event, limit = 65_536): Promise<unknown> {
  return parsedJson((await readBytes(event, limit)).toString('utf8'))
}

export function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (cause) {
    throw new Problem('bad-request', told('not-json'), [], { cause })
  }
}

/** An answer that is JSON text already. */
export function asJson(event: H3Event, text: string): string {
  setResponseHeader(event, 'Content-Type', 'application/json')
  return text
}

/** The value, checked under a schema. */
export function checkInput<S extends AnySchema>(schema: S, value: unknown, said: Message): Shape<S> {
  const faults = schemaFaults(schema, value)
  if (faults.length > 0) throw new Problem('bad-input', said, faults)
  return value as Shape<S>
}
