import { CholeskyDecomposition, Matrix } from 'ml-matrix'

/** A least-squares fit: where it came to, how uncertain that is, and the sum of its squared residuals. */
export interface Fit {
  at: number[]
  covariance: number[][]
  cost: number
}

const ROUNDS = 60
/** Of the cost: a round that wins less has come to the end. */
const ENOUGH = 1e-10

/**
 * Least squares by damped Gauss–Newton (K. Levenberg 1944, D. Marquardt 1963) with differences for derivatives.
 * @param residuals each divided by its own uncertainty; priors are residuals like others
 * @param steps for the derivatives, one for each unknown
 * @returns null where the unknowns cannot be told from what is seen
 */
export function fitLeastSquares(
  residuals: (at: readonly number[]) => number[],
  start: readonly number[],
  steps: readonly number[]
): Fit | null {
  let at = [...start]
  let now = residuals(at)
  let cost = sumOfSquares(now)
  if (!Number.isFinite(cost)) return null
  let damping = 1e-3
  for (let round = 0; round < ROUNDS; round++) {
    const { normal, gradient } = linearise(residuals, at, now, steps)
    let won = 0
    while (damping < 1e12) {
      const step = solve(damped(normal, damping), gradient)
      const next = step && at.map((value, i) => value - step[i]!)
      const there = next ? residuals(next) : []
      const nextCost = next ? sumOfSquares(there) : Infinity
      if (next && nextCost <= cost) {
        won = cost - nextCost
        ;[at, now, cost] = [next, there, nextCost]
        damping = Math.max(damping / 8, 1e-12)
        break
      }
      damping *= 8
    }
    if (won <= ENOUGH * (1 + cost)) break
  }
  const covariance = inverted(linearise(residuals, at, now, steps).normal)
  return covariance && { at, covariance, cost }
}

/** JᵀJ and Jᵀr at a place. */
function linearise(
  residuals: (at: readonly number[]) => number[],
  at: readonly number[],
  now: readonly number[],
  steps: readonly number[]
): { normal: Matrix; gradient: Matrix } {
  const jacobian = new Matrix(now.length, at.length)
  at.forEach((value, i) => {
    const moved = (by: number) => residuals(at.map((other, k) => (k === i ? value + by : other)))
    const [ahead, behind] = [moved(steps[i]!), moved(-steps[i]!)]
    for (let row = 0; row < now.length; row++) jacobian.set(row, i, (ahead[row]! - behind[row]!) / (2 * steps[i]!))
  })
  const transposed = jacobian.transpose()
  return { normal: transposed.mmul(jacobian), gradient: transposed.mmul(Matrix.columnVector([...now])) }
}

function damped(normal: Matrix, damping: number): Matrix {
  const stiff = normal.clone()
  for (let i = 0; i < stiff.rows; i++) stiff.set(i, i, stiff.get(i, i) * (1 + damping) + 1e-12)
  return stiff
}

function solve(normal: Matrix, gradient: Matrix): number[] | null {
  const factor = new CholeskyDecomposition(normal)
  return factor.isPositiveDefinite() ? factor.solve(gradient).to1DArray() : null
}

function inverted(normal: Matrix): number[][] | null {
  const factor = new CholeskyDecomposition(normal)
  return factor.isPositiveDefinite() ? factor.solve(Matrix.eye(normal.rows)).to2DArray() : null
}

function sumOfSquares(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value * value, 0)
}
