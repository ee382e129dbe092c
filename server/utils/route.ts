import { defineEventHandler, getRequestURL, readRawBody, setResponseStatus, type H3Event } from 'h3'
import type { AnySchema, InferType } from 'yup'
import { schemaFaults } from '../../core/check/faults'
import { log } from './log'
import { Problem } from './problem'

/** A route that answers every failure in the one error shape and logs what it did, with its duration. */
export function route<T>(handler: (event: H3Event) => Promise<T>) {
  return defineEventHandler(async (event) => {
    const started = performance.now()
    const path = getRequestURL(event).pathname
    const entry = () => ({ method: event.method, path, ms: Math.round(performance.now() - started) })
    try {
      const answer = await handler(event)
      log.info(entry(), 'request')
      return answer
    } catch (error) {
      const problem = error instanceof Problem ? error : new Problem('internal', 'Something went wrong on the server. What you entered is kept on this device; try again.', [], { cause: error })
      if (problem.code === 'internal') log.error({ ...entry(), err: problem.cause }, 'request failed')
      else log.warn({ ...entry(), code: problem.code, faults: problem.faults }, 'request refused')
      setResponseStatus(event, problem.status)
      return problem.body()
    }
  })
}

/** Refuses a body over the limit before it is read. */
function checkLength(event: H3Event, limit: number): void {
  const length = Number(event.node.req.headers['content-length'] ?? NaN)
  if (!(length <= limit)) throw new Problem('too-large', `Send at most ${limit < 1024 * 1024 ? `${Math.round(limit / 1024)} kB` : `${Math.round(limit / 1024 / 1024)} MB`}, with its length.`)
}

/** The request's body as bytes, at most `limit`. */
export async function readBytes(event: H3Event, limit: number): Promise<Buffer> {
  checkLength(event, limit)
  return (await readRawBody(event, false)) ?? Buffer.alloc(0)
}

/** The request's JSON, at most `limit` bytes. */
export async function readJson(event: H3Event, limit = 65_536): Promise<unknown> {
  checkLength(event, limit)
  const text = await readRawBody(event, 'utf8')
  try {
    return JSON.parse(text ?? '')
  } catch (cause) {
    throw new Problem('bad-request', 'That is not JSON: send a whole, unbroken file.', [], { cause })
  }
}

/** The value, checked under a schema. */
export function checked<S extends AnySchema>(schema: S, value: unknown, message: string): InferType<S> {
  const faults = schemaFaults(schema, value)
  if (faults.length > 0) throw new Problem('bad-input', message, faults)
  return value as InferType<S>
}
