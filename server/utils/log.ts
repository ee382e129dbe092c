import { existsSync, renameSync, rmSync, statSync } from 'node:fs'
import pino from 'pino'
import SonicBoom from 'sonic-boom'
import { codeOf } from '../db/errors'

/**
 * Bytes of a log before the next is begun, logs kept, and bytes that may wait for a slow disk: what comes beyond is
 * dropped, not piled up.
 */
const MOST_BYTES = 5_000_000
const KEPT = 4
const MOST_WAITING = 1_000_000
const LOOK_MS = 10_000

/** What an error says of itself: never what it was about, as that can be a whole picture or somebody's name. */
export function toldError(error: unknown): object {
  const { name, message = '', stack = '', cause, original } = (error ?? {}) as Error & { original?: unknown }
  const inner = cause ?? original
  return {
    type: name,
    code: codeOf(error) ?? undefined,
    message: String(message).slice(0, 300),
    stack: String(stack)
      .split('\n')
      .slice(1, 12)
      .map((line) => line.trim().slice(0, 200)),
    ...(inner ? { cause: toldError(inner) } : {})
  }
}

/** The file, written behind the requests' backs, begun anew when it has grown; standard output where none is named. */
function destination(file: string | undefined): pino.DestinationStream {
  if (!file) return pino.destination({ dest: 1, sync: false, maxLength: MOST_WAITING })
  const stream = new SonicBoom({
    dest: file,
    sync: false,
    append: true,
    mode: 0o600,
    maxLength: MOST_WAITING,
    mkdir: true
  })
  // A full disk must not end, or busy, who only wants to write a line about it.
  stream.on('error', () => undefined)
  setInterval(() => rotate(file, stream), LOOK_MS).unref()
  return stream
}

/** Begins a file anew that has grown, and keeps the last few; on a full disk it is left for later. */
export function rotate(file: string, stream: Pick<SonicBoom, 'reopen'>, most = MOST_BYTES): void {
  try {
    if (!existsSync(file) || statSync(file).size < most) return
    rmSync(`${file}.${KEPT}`, { force: true })
    for (let i = KEPT - 1; i >= 1; i--) if (existsSync(`${file}.${i}`)) renameSync(`${file}.${i}`, `${file}.${i + 1}`)
    renameSync(file, `${file}.1`)
    stream.reopen()
  } catch {
    // Looked at again in a while.
  }
}

/** Structured log, a JSON object a line. */
export const log = pino(
  { level: process.env.UMBRETTE_LOG ?? 'info', base: { app: 'umbrette' }, serializers: { err: toldError } },
  destination(process.env.UMBRETTE_LOG_FILE)
)

/** A path as it may stand in a log: the token of a shared report is a key. */
export function loggedPath(path: string): string {
  return path.slice(0, 200).replace(/^(\/api)?\/share\/[^/]+/, '$1/share/…')
}
