import { expose } from 'comlink'
import type { Message } from '../../core/check'
import type { DriveSheet } from '../../core/sheet'
import {
  CsvReader,
  decodeOnSheet,
  extremesOf,
  type GoodTrace,
  goodOf,
  isWav,
  readWav,
  type Samples,
  type Trace
} from '../../core/trace'

/** Reads traces and decodes them off the main thread; what is read stays here, and is drawn from here. */
let samples: Samples | null = null
let live: CsvReader | null = null

/** What a file of samples holds. */
export interface Loaded {
  names: string[]
  rate: number
  count: number
}

const loaded = (found: Samples | Message): Loaded | Message => {
  if ('code' in found) return found
  samples = found
  return { names: [...found.channels.keys()], rate: found.rate, count: [...found.channels.values()][0]?.length ?? 0 }
}

async function samplesOf(
  file: Blob,
  rate: number | undefined,
  progress: (share: number) => unknown
): Promise<Samples | Message> {
  if (isWav(new Uint8Array(await file.slice(0, 12).arrayBuffer())))
    return readWav(new Uint8Array(await file.arrayBuffer()))
  const reader = new CsvReader()
  const pieces = file.stream().getReader()
  let read = 0
  for (;;) {
    const { value, done } = await pieces.read()
    if (done) break
    reader.push(value)
    read += value.length
    progress(read / file.size)
  }
  return reader.end(rate)
}

/** Channels put to crank and cams. */
function put({ rate, channels }: Samples, map: Readonly<Record<string, string>>): Samples {
  return {
    rate,
    channels: new Map(
      Object.entries(map).flatMap(([name, column]) => {
        const channel = channels.get(column)
        return channel ? [[name, channel] as const] : []
      })
    )
  }
}

const scope = {
  /** Reads a file piece by piece. */
  load: async (file: Blob, rate: number | undefined, progress: (share: number) => unknown): Promise<Loaded | Message> =>
    loaded(await samplesOf(file, rate, progress)),

  /** SHA-256 of a file, hexadecimal; none where it is too large to be held at once. */
  async hash(file: Blob): Promise<string> {
    if (file.size > 200e6) return `size-${file.size}`
    const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()))
    return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  },

  /** A live trace: its bytes as they come; what there is so far can be drawn. */
  begin(): void {
    live = new CsvReader()
  },
  more(bytes: Uint8Array): Loaded | Message {
    live!.push(bytes)
    return loaded(live!.peek())
  },
  end: (): Loaded | Message => loaded(live!.end()),

  /** Lag of the cams; against a good trace, where there is one. */
  async decode(
    sheet: DriveSheet,
    map: Readonly<Record<string, string>>,
    good: Blob | null
  ): Promise<Trace | Message | null> {
    if (!samples) return null
    const before = good && (await samplesOf(good, undefined, () => undefined))
    if (before && 'code' in before) return before
    return decodeOnSheet(sheet, put(samples, map), before && put(before, map))
  },

  /** What is read, to be kept as a good trace. */
  asGood: (sheet: DriveSheet, map: Readonly<Record<string, string>>): GoodTrace | Message | null =>
    samples && goodOf(sheet, put(samples, map)),

  /** The least and greatest of each column of a drawing, of each channel asked for. */
  extremes(
    names: readonly string[],
    from: number,
    to: number,
    columns: number
  ): { low: Float32Array; high: Float32Array }[] {
    return names.map((name) => {
      const signal = samples?.channels.get(name)
      return signal ? extremesOf(signal, from, to, columns) : { low: new Float32Array(), high: new Float32Array() }
    })
  }
}

export type Scope = typeof scope

expose(scope)
