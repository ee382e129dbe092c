/** Small dense symmetric systems; matrices are arrays of rows. */
export type Matrix = number[][]

/** a·b. */
export function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum
}

/**
 * Lower Cholesky factor of a positive definite matrix over the given rows and columns. @throws RangeError when it is
 * not
 */
export function cholesky(a: Matrix, indices: readonly number[]): Matrix {
  const n = indices.length
  const l: Matrix = []
  for (let i = 0; i < n; i++) {
    const row = new Array<number>(n).fill(0)
    l.push(row)
    for (let k = 0; k <= i; k++) {
      let sum = a[indices[i]!]![indices[k]!]!
      for (let m = 0; m < k; m++) sum -= row[m]! * l[k]![m]!
      if (k < i) row[k] = sum / l[k]![k]!
      else if (sum > 0) row[i] = Math.sqrt(sum)
      else throw new RangeError('cholesky: expected a positive definite matrix')
    }
  }
  return l
}

/** x with L·Lᵀ·x = b. */
export function choleskySolve(l: Matrix, b: readonly number[]): number[] {
  const n = l.length
  const x = b.slice()
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i]! -= l[i]![k]! * x[k]!
    x[i]! /= l[i]![i]!
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i]! -= l[k]![i]! * x[k]!
    x[i]! /= l[i]![i]!
  }
  return x
}

/** Inverse of a positive definite matrix. */
export function inverse(a: Matrix): Matrix {
  const all = a.map((_, i) => i)
  const l = cholesky(a, all)
  return all.map((i) =>
    choleskySolve(
      l,
      all.map((k) => (k === i ? 1 : 0))
    )
  )
}

export interface Bounded {
  x: number[]
  /** Indices not held at their bound. */
  free: number[]
  /** Cholesky factor of A over `free`. */
  factor: Matrix
}

/**
 * x that minimises ½xᵀAx − bᵀx with x[i] ≥ 0 for the bounded indices, by an active set: what would go below 0 is held
 * there, what is held and wants to rise is let go, until neither is left (Lawson and Hanson, Solving Least Squares
 * Problems, 1974, chapter 23, for a part of the variables).
 */
export function boundedMinimum(a: Matrix, b: readonly number[], bounded: readonly boolean[]): Bounded {
  const n = b.length
  const held = new Array<boolean>(n).fill(false)
  let best: Bounded | null = null
  for (let round = 0; round < 4 * n; round++) {
    const free = [...held.keys()].filter((i) => !held[i])
    const factor = cholesky(a, free)
    const solved = choleskySolve(
      factor,
      free.map((i) => b[i]!)
    )
    const x = new Array<number>(n).fill(0)
    free.forEach((i, k) => (x[i] = solved[k]!))
    const below = free.filter((i) => bounded[i] && x[i]! < 0)
    if (below.length > 0) {
      for (const i of below) held[i] = true
      continue
    }
    best = { x, free, factor }
    const wants = [...held.keys()].find((i) => held[i] && b[i]! - dot(a[i]!, x) > 1e-9)
    if (wants === undefined) return best
    held[wants] = false
  }
  if (!best) throw new RangeError('bounded minimum: expected a positive definite matrix')
  return best
}
