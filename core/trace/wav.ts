import type { Message } from '../check'
import { MOST_SAMPLES } from './csv'
import { say } from './says'
import type { Samples } from './types'

/** Format numbers of a WAV file: whole samples, and floating ones. */
const [PCM, FLOAT, EXTENSIBLE] = [1, 3, 0xfffe]
const MOST_CHANNELS = 16

interface Format {
  kind: number
  channels: number
  rate: number
  bits: number
}

const wordAt = (bytes: Uint8Array, at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))

/** Do bytes begin as a WAV file does? */
export function isWav(bytes: Uint8Array): boolean {
  return wordAt(bytes, 0) === 'RIFF'
}

/**
 * Samples of a WAV file (PCM of 8, 16, 24 or 32 bit, or float of 32 or 64), its channels named `1`, `2`, ….
 * @param bytes the whole file; one that ends early gives what is there
 */
export function readWav(bytes: Uint8Array): Samples | Message {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const word = (at: number) => wordAt(bytes, at)
  if (bytes.length < 44 || !isWav(bytes) || word(8) !== 'WAVE') return say('no-wav')
  let format: Format | null = null
  for (let at = 12; at + 8 <= bytes.length;) {
    const [name, size] = [word(at), view.getUint32(at + 4, true)]
    if (name === 'fmt ' && at + 24 <= bytes.length) format = formatAt(view, at + 8, size)
    if (name === 'data')
      return format ? samplesAt(view, at + 8, Math.min(size, bytes.length - at - 8), format) : say('no-wav')
    at += 8 + size + (size & 1)
  }
  return say('no-wav')
}

function formatAt(view: DataView, at: number, size: number): Format {
  const told = view.getUint16(at, true)
  return {
    kind: told === EXTENSIBLE && size >= 26 && at + 26 <= view.byteLength ? view.getUint16(at + 24, true) : told,
    channels: view.getUint16(at + 2, true),
    rate: view.getUint32(at + 4, true),
    bits: view.getUint16(at + 14, true)
  }
}

function samplesAt(
  view: DataView,
  from: number,
  size: number,
  { kind, channels, rate, bits }: Format
): Samples | Message {
  const read = readerOf(view, kind, bits)
  if (!read || channels < 1 || channels > MOST_CHANNELS || rate < 1) return say('wav-kind', { kind, bits })
  const bytes = bits / 8
  const count = Math.floor(size / (bytes * channels))
  if (count > MOST_SAMPLES) return say('too-long', { most: MOST_SAMPLES })
  if (count < 100) return say('few-samples', { count })
  const lists = Array.from({ length: channels }, () => new Float32Array(count))
  for (let i = 0; i < count; i++)
    for (let k = 0; k < channels; k++) lists[k]![i] = read(from + (i * channels + k) * bytes)
  return { rate, channels: new Map(lists.map((list, k) => [String(k + 1), list])) }
}

/** How one sample is read, as a share of full scale; null for a kind that is not known. */
function readerOf(view: DataView, kind: number, bits: number): ((at: number) => number) | null {
  const readers: Readonly<Record<string, (at: number) => number>> = {
    [`${PCM} 8`]: (at) => (view.getUint8(at) - 128) / 128,
    [`${PCM} 16`]: (at) => view.getInt16(at, true) / 0x8000,
    [`${PCM} 24`]: (at) => (view.getUint16(at, true) + view.getInt8(at + 2) * 0x10000) / 0x800000,
    [`${PCM} 32`]: (at) => view.getInt32(at, true) / 0x80000000,
    [`${FLOAT} 32`]: (at) => view.getFloat32(at, true),
    [`${FLOAT} 64`]: (at) => view.getFloat64(at, true)
  }
  return readers[`${kind} ${bits}`] ?? null
}

/** One channel, −1 to 1, as a WAV file of 16 bit. */
export function writeWav(signal: Float32Array, rate: number): Uint8Array<ArrayBuffer> {
  const file = new DataView(new ArrayBuffer(44 + 2 * signal.length))
  const word = (at: number, text: string) => [...text].forEach((c, i) => file.setUint8(at + i, c.charCodeAt(0)))
  const [long, short] = [
    (at: number, value: number) => file.setUint32(at, value, true),
    (at: number, value: number) => file.setUint16(at, value, true)
  ]
  word(0, 'RIFF')
  long(4, 36 + 2 * signal.length)
  word(8, 'WAVEfmt ')
  long(16, 16)
  short(20, PCM)
  short(22, 1)
  long(24, rate)
  long(28, 2 * rate)
  short(32, 2)
  short(34, 16)
  word(36, 'data')
  long(40, 2 * signal.length)
  signal.forEach((value, i) => file.setInt16(44 + 2 * i, Math.round(32_767 * Math.max(-1, Math.min(1, value))), true))
  return new Uint8Array(file.buffer)
}
