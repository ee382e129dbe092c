/**
 * The least and greatest sample of each of so many columns between two places of a channel: what a drawing of millions
 * of samples needs.
 * @param from first sample, and `to` behind the last; they may be parts of samples
 */
export function extremesOf(
  signal: Float32Array,
  from: number,
  to: number,
  columns: number
): { low: Float32Array; high: Float32Array } {
  const low = new Float32Array(columns)
  const high = new Float32Array(columns)
  for (let k = 0; k < columns; k++) {
    const start = Math.max(0, Math.min(signal.length - 1, Math.floor(from + ((to - from) * k) / columns)))
    // Neighbours share a sample, so that the line does not break.
    const end = Math.min(signal.length, Math.max(start + 1, Math.ceil(from + ((to - from) * (k + 1)) / columns) + 1))
    let [least, most] = [Infinity, -Infinity]
    for (let i = start; i < end; i++) {
      const value = signal[i]!
      if (value < least) least = value
      if (value > most) most = value
    }
    low[k] = least
    high[k] = most
  }
  return { low, high }
}
