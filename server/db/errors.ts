import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** Codes of PostgreSQL, and of the system below it. */
const AGAIN = ['40001', '40P01', '55P03']
const NO_ROOM = ['53100', '53200', 'ENOSPC', 'EDQUOT']
const AWAY = [
  '08000',
  '08001',
  '08003',
  '08004',
  '08006',
  '57P01',
  '57P02',
  '57P03',
  '53300',
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH'
]
const AWAY_NAMES = /^SequelizeConnection|^SequelizeHostNotFound|ConnectionAcquireTimeout|ConnectionManager/
const AWAY_WORDS = /Connection terminated|timeout exceeded when trying to connect|connection manager was closed/i
const TOO_LONG = ['57014', '25P03']

/** The code that an error, or what caused it, carries. */
export function codeOf(error: unknown): string | null {
  for (let one = error as Caused | null | undefined; one; one = one.original ?? one.parent ?? one.cause)
    if (typeof one.code === 'string') return one.code
  return null
}

interface Caused {
  code?: unknown
  name?: string
  message?: string
  original?: Caused
  parent?: Caused
  cause?: Caused
}

/** Did two transactions get in each other's way, so that the same one may pass now? */
export function isPassing(error: unknown): boolean {
  return AGAIN.includes(codeOf(error) ?? '')
}

export function isUnique(error: unknown): boolean {
  return codeOf(error) === '23505'
}

/** What went wrong below the application, in words for whoever asked; null for a fault of our own. */
export function storageProblem(error: unknown): Problem | null {
  const code = codeOf(error) ?? ''
  const { name = '', message = '' } = (error ?? {}) as Caused
  if (NO_ROOM.includes(code)) return new Problem('no-room', told('disk-full'), [], { cause: error })
  if (AWAY.includes(code) || AWAY_NAMES.test(name) || AWAY_WORDS.test(message))
    return new Problem('not-ready', told('database-away'), [], { cause: error })
  if (TOO_LONG.includes(code) || isPassing(error))
    return new Problem('not-ready', told('database-busy'), [], { cause: error })
  return null
}
