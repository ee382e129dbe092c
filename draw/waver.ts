/** Where a loop's pins are, px. */
type At = readonly [x: number, y: number]

/**
 * A ribbon on the outside of a chain's loop: wide where the chain runs late, gone where it runs early, once round.
 * @param pins the loop's pins, px
 * @param phase where along the loop it is latest, degrees of once round from the first pin
 * @param wide px at its widest
 * @returns paths: the loop, and the ribbon, to be filled by evenodd
 */
export function waverRibbon(pins: readonly At[], phase: number, wide: number): { chain: string; ribbon: string } {
  const middle = [0, 1].map((axis) => pins.reduce((sum, pin) => sum + pin[axis as 0 | 1], 0) / pins.length)
  const outer = pins.map(([a, b], i): At => {
    const [before, after] = [pins[(i + pins.length - 1) % pins.length]!, pins[(i + 1) % pins.length]!]
    const [dx, dy] = [after[0] - before[0], after[1] - before[1]]
    const far = Math.hypot(dx, dy) || 1
    // Outwards is away from the loop's middle.
    const sign = Math.sign(dy * (a - middle[0]!) - dx * (b - middle[1]!)) || 1
    const late = Math.cos((2 * Math.PI * i) / pins.length - (phase * Math.PI) / 180)
    const out = wide * (0.5 + 0.5 * late)
    return [a + (sign * out * dy) / far, b - (sign * out * dx) / far]
  })
  return { chain: pathOf(pins), ribbon: pathOf(outer) + pathOf(pins) }
}

const pathOf = (points: readonly At[]) => `M${points.map(([a, b]) => `${a.toFixed(1)} ${b.toFixed(1)}`).join('L')}Z`
