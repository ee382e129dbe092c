import { PROBLEM } from '../words/en'
import type { ToldFault } from '../words/en'

/** An error of the server as the page shows it. */
export interface ShownProblem {
  message: string
  faults: ToldFault[]
  /** Answered by the server (trying again changes nothing), or never reached it. */
  answered: boolean
  status: number | null
}

/** Answers after which the same may pass later: who is not signed in, or has tried too often. */
const LATER = [401, 429]

/** An error that this device says in the words given, as if the server had refused it. */
export function refusedHere(message: string, cause: unknown): Error {
  return Object.assign(new Error(message, { cause }), { statusCode: 422, data: { error: { message } } })
}

/** What an error says to the user: the server's own words, or that it cannot be reached. */
export function shownProblem(error: unknown): ShownProblem {
  // A fetch that failed here and one that failed while the server rendered the page differ in class, not in shape.
  const { statusCode, data } = (error ?? {}) as {
    statusCode?: number
    data?: { error?: { message?: string; faults?: ToldFault[] } }
  }
  const status = statusCode ?? null
  const body = data?.error
  if (body?.message)
    return {
      message: body.message,
      faults: body.faults ?? [],
      answered: status !== null && status < 500 && !LATER.includes(status),
      status
    }
  return {
    message: PROBLEM.theServerCannotBeReached,
    faults: [],
    answered: false,
    status
  }
}
