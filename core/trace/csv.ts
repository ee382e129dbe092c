import type { Message } from '../check'
import { say } from './says'
import type { Samples } from './types'

/** Most samples of one channel. */
export const MOST_SAMPLES = 20_000_000

/** Units of a time column, in seconds. */
const UNITS: readonly (readonly [RegExp, number])[] = [
  [/(^|[^a-z])(us|µs|μs|microseconds?)([^a-z]|$)/i, 1e-6],
  [/(^|[^a-z])(ms|milliseconds?)([^a-z]|$)/i, 1e-3],
  [/(^|[^a-z])(ns|nanoseconds?)([^a-z]|$)/i, 1e-9]
]
const TIME = /^\W*(time|t|zeit|seconds?)(\W|_|$)/i

const [NEWLINE, RETURN, QUOTE, MINUS, PLUS, POINT, COMMA] = [10, 13, 34, 45, 43, 46, 44]
/** Digits that a figure holds exactly, and the powers of ten that it is divided by. */
const EXACT = 15
const POWERS = Array.from({ length: EXACT + 1 }, (_, i) => 10 ** i)
const [SPACE, TAB, SEMICOLON, ZERO, NINE] = [32, 9, 59, 48, 57]

/**
 * Reads samples out of a CSV file, piece by piece as its bytes come: never the whole of it as text. A first line names
 * the columns, a second one may name their units; figures stand with a point, or with a comma between semicolons or
 * tabs.
 */
export class CsvReader {
  private head = ''
  private headLines: string[] = []
  private delimiter = COMMA
  private decimal = POINT
  private names: string[] = []
  private columns: Float32Array[] = []
  private count = 0
  private column = 0
  private started = false
  /** Has a cell begun that is taken byte by byte? */
  private inCell = false
  /** Holds the row what is no figure? */
  private bad = false
  private digits = false
  private sign = 1
  private whole = 0
  private places = -1
  private exponent: { sign: number; value: number } | null = null
  private problem: Message | null = null
  private times: { first: number; last: number; least: number; most: number } | null = null
  private timeAt = -1
  private time = 0

  /** The next bytes. */
  push(bytes: Uint8Array): void {
    let i = 0
    while (this.names.length === 0 && i < bytes.length && !this.problem) {
      const byte = bytes[i++]!
      if (byte !== NEWLINE) this.head += String.fromCharCode(byte)
      else this.takeHead()
      if (this.head.length > 10_000) this.problem = say('no-columns')
    }
    while (i < bytes.length && !this.problem) {
      const next = this.takePlain(bytes, i)
      if (next > i) i = next
      else this.take(bytes[i++]!)
    }
  }

  /**
   * A whole cell of digits, with a point at most, and what ends it: what nearly all of a file is.
   * @returns the place behind it; `from` where it is anything else
   */
  private takePlain(bytes: Uint8Array, from: number): number {
    if (this.inCell) return from
    const { delimiter, decimal } = this
    const isPoint = (byte: number) => (byte === POINT || byte === decimal) && byte !== delimiter
    const minus = bytes[from] === MINUS
    let [i, whole, digits, places] = [minus ? from + 1 : from, 0, 0, -1]
    for (; i < bytes.length; i++) {
      const byte = bytes[i]!
      if (byte >= ZERO && byte <= NINE) {
        whole = whole * 10 + byte - ZERO
        digits++
        if (places >= 0) places++
      } else if (places < 0 && isPoint(byte)) places = 0
      else break
    }
    const end = bytes[i]
    const isEnd = end === delimiter || end === NEWLINE
    if (digits === 0 || digits > EXACT || !isEnd) return from
    const value = places > 0 ? whole / POWERS[places]! : whole
    this.started = true
    this.put(minus ? -value : value)
    this.column++
    if (end === NEWLINE) this.closeRow()
    return i + 1
  }

  /** The samples so far, while more are coming. */
  peek(rate?: number): Samples | Message {
    if (this.problem) return this.problem
    const told = this.rateOf() ?? rate
    if (told === null || told === undefined || !(told > 0) || this.count < 2)
      return say('few-samples', { count: this.count })
    return { rate: told, channels: this.channels() }
  }

  private channels(): Samples['channels'] {
    return new Map(
      this.names.flatMap((name, k) =>
        k === this.timeAt ? [] : [[name, this.columns[k]!.slice(0, this.count)] as const]
      )
    )
  }

  /**
   * The samples, once all bytes were pushed.
   * @param rate samples a second, for a file without a time column
   */
  end(rate?: number): Samples | Message {
    if (this.names.length === 0 && this.head) this.takeHead()
    if (this.started) this.endRow()
    if (this.problem) return this.problem
    if (this.names.length === 0) return say('no-columns')
    if (this.count < 100) return say('few-samples', { count: this.count })
    const told = this.rateOf() ?? rate
    if (told === undefined) return say('no-time')
    if (!(told > 0) || !Number.isFinite(told)) return say('time-stands')
    const spread = this.times && (this.times.most - this.times.least) * told
    if (spread !== null && spread > 1.2) return say('uneven-time')
    return { rate: told, channels: this.channels() }
  }

  private rateOf(): number | null {
    return this.times && (this.count - 1) / (this.times.last - this.times.first)
  }

  /** Names of the columns: the first line with words in it, and what their units are where the next says so. */
  private takeHead(): void {
    const line = this.head.replace(/^\uFEFF|^ï»¿/, '').trim()
    this.head = ''
    if (line === '') return
    this.headLines.push(line)
    const [first] = this.headLines as [string]
    this.delimiter = first.includes(';') ? SEMICOLON : first.includes('\t') ? TAB : COMMA
    if (this.delimiter !== COMMA) this.decimal = COMMA
    this.names = first.split(String.fromCharCode(this.delimiter)).map((name) => name.replaceAll('"', '').trim())
    if (!this.names.some((name) => /[a-z]/i.test(name))) this.problem = say('no-columns')
    this.timeAt = this.names.findIndex((name) => TIME.test(name))
    this.time = UNITS.find(([unit]) => unit.test((this.names[this.timeAt] ?? '').replaceAll('_', ' ')))?.[1] ?? 1
    this.columns = this.names.map(() => new Float32Array(1 << 16))
  }

  private take(byte: number): void {
    if (byte === this.delimiter) this.endCell()
    else if (byte === NEWLINE) this.endRow()
    else if (byte === RETURN || byte === SPACE || byte === QUOTE) return
    else this.takeFigure(byte)
  }

  private takeFigure(byte: number): void {
    this.started = true
    this.inCell = true
    if (byte >= ZERO && byte <= NINE) {
      if (this.exponent) this.exponent.value = this.exponent.value * 10 + byte - ZERO
      else {
        this.digits = true
        this.whole = this.whole * 10 + byte - ZERO
        if (this.places >= 0) this.places++
      }
    } else if (byte === MINUS || byte === PLUS) {
      const sign = byte === MINUS ? -1 : 1
      if (this.exponent) this.exponent.sign = sign
      else this.sign = sign
    } else if (byte === POINT || byte === this.decimal) this.places = 0
    else if ((byte | 32) === 101) this.exponent = { sign: 1, value: 0 }
    // Words in a row of figures: a second head with units, or a fault.
    else this.places = NaN
  }

  private endCell(): void {
    this.inCell = false
    this.put(this.figure())
    this.column++
  }

  private figure(): number {
    const shift = (this.exponent ? this.exponent.sign * this.exponent.value : 0) - Math.max(0, this.places)
    const value = this.digits && !Number.isNaN(this.places) ? this.sign * this.whole * 10 ** shift : NaN
    this.digits = false
    this.sign = 1
    this.whole = 0
    this.places = -1
    this.exponent = null
    return value
  }

  private put(value: number): void {
    if (this.column >= this.columns.length) return
    if (Number.isNaN(value)) this.bad = true
    if (this.column === this.timeAt) this.tick(value * this.time)
    let column = this.columns[this.column]!
    if (this.count >= column.length) {
      const larger = new Float32Array(Math.min(2 * column.length, MOST_SAMPLES))
      larger.set(column)
      column = this.columns[this.column] = larger
    }
    column[this.count] = value
  }

  private tick(time: number): void {
    if (Number.isNaN(time)) return
    if (!this.times) this.times = { first: time, last: time, least: Infinity, most: -Infinity }
    else {
      const step = time - this.times.last
      this.times.last = time
      this.times.least = Math.min(this.times.least, step)
      this.times.most = Math.max(this.times.most, step)
    }
  }

  private endRow(): void {
    if (!this.started && this.column === 0) return
    this.endCell()
    this.closeRow()
  }

  private closeRow(): void {
    const [cells, at, whole] = [this.column, this.count, this.column === this.names.length && !this.bad]
    this.column = 0
    this.started = false
    this.bad = false
    if (whole) {
      this.count++
      if (this.count >= MOST_SAMPLES) this.problem = say('too-long', { most: MOST_SAMPLES })
    } else if (at > 0 || cells !== this.names.length) this.problem = say('bad-row', { row: at + 2 })
    // A row of words right after the names tells units.
    else this.times = null
  }
}
