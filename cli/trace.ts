import { CONSOLE, sayTrace } from '../words/en'
import { closeSync, openSync, readFileSync, readSync } from 'node:fs'
import type { Message } from '../core/check'
import { CsvReader, decodeOnSheet, readWav, type Samples, tracedCams } from '../core/trace'
import { oneLine, pathOf, print, readSheetFile, run } from './files'

/** Bytes read at a time. */
const PIECE = 4 << 20
const MOST_BYTES = 512_000_000

/** Reads a trace of crank and cams: one line of JSON; what stands in the way to standard error, exit code 2. */
async function readTrace(given: string[]): Promise<number> {
  const problems = await traceOf(given)
  for (const line of problems) console.error(line)
  return problems.length > 0 ? 2 : 0
}

async function traceOf(given: string[]): Promise<string[]> {
  const asked = argumentsOf(given)
  if (!asked) return [CONSOLE.traceUsage]
  const { sheetPath, tracePath, goodPath, map, rate } = asked
  const { sheet, problems } = readSheetFile(sheetPath)
  if (!sheet) return problems
  const told = (path: string, message: Message) => [oneLine(`${path}: ${sayTrace(message)}`)]
  const samples = samplesOf(tracePath, rate)
  if (samples === null) return [`${tracePath}: ${CONSOLE.unreadable}`]
  if ('code' in samples) return told(tracePath, samples)
  const good = goodPath === null ? null : samplesOf(goodPath, rate)
  if (goodPath !== null && good === null) return [`${goodPath}: ${CONSOLE.unreadable}`]
  if (good && 'code' in good) return told(goodPath!, good)
  const put = (all: Samples) => named(all, map, ['crank', ...tracedCams(sheet)])
  const trace = decodeOnSheet(sheet, put(samples), good && put(good))
  if ('code' in trace) return told(trace.code === 'no-triggers' ? sheetPath : tracePath, trace)
  const { cams, turns, rpm, left, faults: odd } = trace
  await print(
    `${JSON.stringify({
      format: 'umbrette-trace',
      version: 1,
      cams: Object.fromEntries(
        Object.entries(cams).map(([cam, { lag, error, spread, edges, waver }]) => [
          cam,
          {
            lag: fine(lag),
            error: fine(error),
            spread: fine(spread),
            edges,
            waver: waver && { amplitude: fine(waver.amplitude), turns: fine(waver.turns) }
          }
        ])
      ),
      turns: fine(turns),
      rpm: { mean: fine(rpm.mean), low: fine(rpm.low), high: fine(rpm.high) },
      left,
      faults: odd.map((one) => sayTrace(one))
    })}\n`
  )
  return []
}

const fine = (value: number) => Number(value.toFixed(4))

interface Asked {
  sheetPath: string
  tracePath: string
  goodPath: string | null
  map: ReadonlyMap<string, string>
  rate: number | undefined
}

function argumentsOf(given: readonly string[]): Asked | null {
  const paths: string[] = []
  let map: ReadonlyMap<string, string> = new Map()
  let rate: number | undefined
  let goodPath: string | null = null
  for (let i = 0; i < given.length; i++) {
    const [word, next] = [given[i]!, given[i + 1] ?? '']
    if (word === '--map') {
      map = new Map(next.split(',').map((pair) => pair.split('=').map((part) => part.trim()) as [string, string]))
      i++
    } else if (word === '--rate') {
      rate = Number(next)
      i++
    } else if (word === '--good' && next) {
      goodPath = next
      i++
    } else if (word.startsWith('--')) return null
    else paths.push(word)
  }
  const [sheetPath, tracePath, more] = paths
  const isMap = [...map].every(([name, column]) => name && column)
  if (!sheetPath || !tracePath || more || !isMap || (rate !== undefined && !(rate > 0))) return null
  return { sheetPath, tracePath, goodPath, map, rate }
}

/** A file's samples, piece by piece; null where the file cannot be read. */
function samplesOf(path: string, rate: number | undefined): Samples | Message | null {
  try {
    if (/\.wav$/i.test(path)) return readWav(readFileSync(pathOf(path)))
    const reader = new CsvReader()
    pushAll(pathOf(path), reader)
    return reader.end(rate)
  } catch {
    return null
  }
}

function pushAll(path: string, reader: CsvReader): void {
  const file = openSync(path, 'r')
  const piece = Buffer.alloc(PIECE)
  let all = 0
  for (let read = readSync(file, piece); read > 0 && all <= MOST_BYTES; read = readSync(file, piece)) {
    reader.push(piece.subarray(0, read))
    all += read
  }
  closeSync(file)
}

/** Channels by what they are: as they are named, as they are put, or for a WAV file in the order of the sheet. */
function named({ rate, channels }: Samples, map: ReadonlyMap<string, string>, wanted: readonly string[]): Samples {
  const names = [...channels.keys()]
  const inOrder = names.every((name) => /^\d+$/.test(name)) && map.size === 0
  return {
    rate,
    channels: new Map(
      wanted.flatMap((name, i) => {
        const channel = channels.get(map.get(name) ?? (inOrder ? (names[i] ?? '') : name))
        return channel ? [[name, channel] as const] : []
      })
    )
  }
}

await run(readTrace)
