/** Repeatable random numbers: the same from the same seed on every machine. */
export interface Roll {
  /** Between 0 and 1, neither of them. */
  uniform(): number
  normal(sd?: number): number
  between(low: number, high: number): number
  /** A whole number from 0 to below n. */
  below(n: number): number
  pick<T>(list: readonly T[]): T
  chance(odds: number): boolean
}

/** A linear congruential generator (Numerical Recipes' constants), and normals from it by Box and Muller. */
export function randomness(seed: number): Roll {
  let state = seed >>> 0
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state + 0.5) / 4294967296
  }
  const below = (n: number) => Math.floor(uniform() * n)
  return {
    uniform,
    below,
    normal: (sd = 1) => sd * Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
    between: (low, high) => low + (high - low) * uniform(),
    pick: (list) => list[below(list.length)]!,
    chance: (odds) => uniform() < odds
  }
}

/** A seed out of words and numbers (FNV-1a), so that each thing drawn has a stream of its own. */
export function seedOf(...parts: readonly (string | number)[]): number {
  let hash = 0x811c9dc5
  for (const char of parts.join('|')) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0
  return hash
}
