import { FetchError } from 'ofetch'
import type { Fault } from '../core/sheet/types'

/** An error of the server as the page shows it. */
export interface ShownProblem {
  message: string
  faults: Fault[]
  /** Answered by the server (trying again changes nothing), or never reached it. */
  answered: boolean
  status: number | null
}

/** What an error says to the user: the server's own words, or that it cannot be reached. */
export function shownProblem(error: unknown): ShownProblem {
  const status = error instanceof FetchError ? (error.statusCode ?? null) : null
  const body = error instanceof FetchError ? (error.data as { error?: { message?: string; faults?: Fault[] } } | undefined)?.error : undefined
  if (body?.message) return { message: body.message, faults: body.faults ?? [], answered: status !== null && status < 500, status }
  return { message: 'The server cannot be reached. What you entered is kept on this device.', faults: [], answered: false, status }
}
