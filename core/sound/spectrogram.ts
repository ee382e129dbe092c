import FFT from 'fft.js'

const SIZE = 1024

/** A recording as a picture: loudness (dB) by time and frequency, rows from low to high, one column after another. */
export interface Spectrogram {
  columns: number
  rows: number
  levels: Float32Array
  /** Hz of the last row's upper end. */
  hertz: number
}

/** The spectrogram of a recording, up to a frequency. */
export function spectrogramOf(
  signal: Float32Array,
  rate: number,
  { columns, rows, hertz }: { columns: number; rows: number; hertz: number }
): Spectrogram {
  const fft = new FFT(SIZE)
  const window = Float64Array.from({ length: SIZE }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / SIZE))
  const levels = new Float32Array(columns * rows)
  const top = Math.min(hertz, rate / 2)
  const input = new Array<number>(SIZE).fill(0)
  const out = fft.createComplexArray()
  for (let c = 0; c < columns; c++) {
    const from = Math.round((c * Math.max(0, signal.length - SIZE)) / Math.max(1, columns - 1))
    for (let i = 0; i < SIZE; i++) input[i] = (signal[from + i] ?? 0) * window[i]!
    fft.realTransform(out, input)
    for (let r = 0; r < rows; r++) {
      const [low, high] = [r, r + 1].map((row) => Math.floor((row * top * SIZE) / rows / rate))
      let most = 0
      for (let k = low!; k <= Math.max(low!, high! - 1); k++)
        most = Math.max(most, out[2 * k] ** 2 + out[2 * k + 1] ** 2)
      levels[c * rows + r] = 10 * Math.log10(most + 1e-9)
    }
  }
  return { columns, rows, levels, hertz: top }
}
