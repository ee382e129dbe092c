import { type Fault, type Message, MOST_FAULTS } from '../../core/check'
import { sayFault, sayProblem, tellFaults, type ToldFault } from '../../words/en'
import { told } from '../../words/problems'

/** Everything that can go wrong for a caller, by code. */
const STATUS = {
  'bad-input': 422,
  'bad-request': 400,
  'sign-in': 401,
  'not-found': 404,
  gone: 410,
  'too-large': 413,
  forbidden: 403,
  conflict: 409,
  misdirected: 421,
  'too-many': 429,
  'not-ready': 503,
  'no-room': 507,
  internal: 500
} as const

export type ProblemCode = keyof typeof STATUS

/** The one shape of every error that leaves the server. */
export interface ProblemBody {
  error: { code: ProblemCode; message: string; faults: ToldFault[] }
}

/** A failure to be told to the caller: what is wrong and what to do, nothing internal. */
export class Problem extends Error {
  readonly code: ProblemCode
  readonly faults: Fault[]

  constructor(
    code: ProblemCode,
    readonly said: Message,
    faults: readonly Fault[] = [],
    options?: ErrorOptions
  ) {
    super(sayProblem(said), options)
    this.code = code
    this.faults = faults.slice(0, MOST_FAULTS)
  }

  get status(): number {
    return STATUS[this.code]
  }

  body(): ProblemBody {
    return { error: { code: this.code, message: this.message, faults: tellFaults(this.faults) } }
  }
}

/** Input that cannot be taken in: what the first of its faults says, and all of them. */
export function badInput(faults: readonly Fault[]): Problem {
  const [first] = faults
  return new Problem('bad-input', told('first-fault', { said: first ? sayFault(first) : '' }), faults)
}
