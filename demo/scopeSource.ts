import { randomness } from '../core/math'
import type { DriveSheet } from '../core/sheet'
import { chainRounds, triggersOf } from '../core/trace'
import { standTrue, type Truth } from '../core/views/practice'

/** Samples a second, and seconds, of the practice scope. */
const [RATE, SECONDS] = [20_000, 4]
/** crank degrees of waver for an elongation of 1: a stretched chain is stretched unevenly. */
const UNEVEN = 140

/**
 * A stand-in for a scope clipped to crank and cam sensors of an idling engine: speed that ripples, noise of the wires,
 * a few spikes, each cam as late as its drive lets it, as CSV.
 * @returns null for a sheet without trigger wheels
 */
export function simulatedScope(sheet: DriveSheet, truth: Truth, seed: number): string | null {
  const triggers = triggersOf(sheet)
  if (!triggers) return null
  const { between, normal, below } = randomness(70_000 + seed)
  const { lag } = standTrue(sheet, truth)
  const rounds = chainRounds(sheet)
  const cams = Object.entries(triggers.cams)
  const { teeth, gaps, first, sensor } = triggers.crank
  const missing = new Set(gaps)
  const [rpm, phase] = [between(680, 900), between(0, 6.28)]
  const wavers = new Map(
    cams.map(([id]) => {
      const chain = sheet.chains.find(({ path }) => path.includes(id))
      return [id, UNEVEN * (truth.elongation?.[chain?.id ?? ''] ?? 0)] as const
    })
  )
  const spikes = new Set([below(RATE), below(2 * RATE), below(3 * RATE)])
  let angle = between(0, 720)
  const rows = Array.from({ length: RATE * SECONDS }, (_, i) => {
    const firings = sheet.engine.cylinders / 2
    const ripple = 1 + 0.02 * Math.sin((firings * angle * Math.PI) / 180 + phase) + 0.006 * Math.sin((i / RATE) * 8)
    angle += (rpm * 6 * ripple) / RATE
    const place = (((((angle - first) % 360) + 360) % 360) * teeth) / 360
    const there = !missing.has(Math.floor(place))
    const level =
      sensor === 'hall' ? (there && place % 1 < 0.5 ? 5 : 0) : there ? -2 * Math.sin(2 * Math.PI * (place % 1)) : 0
    const crank = level + normal(0.12) + (spikes.has(i) ? 8 : 0)
    const signals = cams.map(([id, pattern]) => {
      const waver = wavers.get(id)! * Math.sin((2 * Math.PI * angle) / (360 * (rounds[id] ?? 7)))
      const at = (((angle - lag[id]! - waver) % 720) + 720) % 720
      return ((pattern.some(([from, to]) => (at >= from && at < to) || at + 720 < to) ? 5 : 0) + normal(0.12)).toFixed(
        2
      )
    })
    return [(i / RATE).toFixed(5), crank.toFixed(2), ...signals].join(',')
  })
  return `${['time_s', 'crank', ...cams.map(([id]) => id)].join(',')}\n${rows.join('\n')}\n`
}
