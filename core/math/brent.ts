/**
 * Root of `f` between `lo` and `hi` by Brent's method (inverse quadratic interpolation, secant and bisection;
 * R. P. Brent, Algorithms for Minimization without Derivatives, 1973, chapter 4).
 * @param f continuous, of opposite sign at `lo` and `hi`
 * @param tolerance half width to which the root is known, in the unit of `lo`
 * @throws RangeError when the ends do not bracket a root
 */
export function brent(f: (x: number) => number, lo: number, hi: number, tolerance: number): number {
  let [a, b] = [lo, hi]
  let [fa, fb] = [f(a), f(b)]
  if (!(fa * fb <= 0)) throw new RangeError(`brent: expected a change of sign between ${lo} and ${hi}`)
  let [c, fc] = [a, fa]
  let step = b - a
  let before = step
  for (let i = 0; i < 100; i++) {
    if (Math.sign(fb) === Math.sign(fc)) {
      ;[c, fc] = [a, fa]
      step = before = b - a
    }
    if (Math.abs(fc) < Math.abs(fb)) {
      ;[a, b, c] = [b, c, b]
      ;[fa, fb, fc] = [fb, fc, fb]
    }
    const near = 2 * Number.EPSILON * Math.abs(b) + tolerance
    const half = (c - b) / 2
    if (Math.abs(half) <= near || fb === 0) return b
    const guess = Math.abs(before) >= near && Math.abs(fa) > Math.abs(fb) ? interpolate(a, b, c, fa, fb, fc) : null
    const keep =
      guess !== null && 2 * Math.abs(guess) < Math.min(3 * Math.abs(half) - near, Math.abs(before)) && guess * half > 0
    before = keep ? step : half
    step = keep ? guess : half
    ;[a, fa] = [b, fb]
    b += Math.abs(step) > near ? step : Math.sign(half) * near
    fb = f(b)
  }
  return b
}

/** Step from b by inverse quadratic interpolation, or the secant where only two points differ. */
function interpolate(a: number, b: number, c: number, fa: number, fb: number, fc: number): number | null {
  const s = fb / fa
  let p: number
  let q: number
  if (a === c) {
    p = (c - b) * s
    q = 1 - s
  } else {
    const r = fb / fc
    const t = fa / fc
    p = s * ((c - b) * t * (t - r) - (b - a) * (r - 1))
    q = (t - 1) * (r - 1) * (s - 1)
  }
  return q === 0 ? null : -p / q
}
