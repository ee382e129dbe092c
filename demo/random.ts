/** Repeatable random numbers for demo data and tests: a linear congruential generator and normals from it by Box and Muller. */
export function randomness(seed: number) {
  let state = seed >>> 0
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state + 0.5) / 4294967296
  }
  const normal = (sd = 1) => sd * Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
  return { uniform, normal }
}
