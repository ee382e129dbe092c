import type { Heard } from './listen'

/** Two recordings at the speeds that both have. */
export interface ComparedSound {
  /** How much louder the second clatters, dB. */
  decibels: number
  /** rpm between which they were compared. */
  low: number
  high: number
}

/** rpm that count as the same speed, and looks at it that each must have. */
const [STEP, FEWEST] = [50, 8]

/**
 * Before against after at the same speed: the mean difference, over the speeds that both have, of what clatters in the
 * band that clattered before, above what fires.
 * @returns null where they have no speed in common
 */
export function compareHeard(before: Heard, after: Heard): ComparedSound | null {
  const band = Math.min(before.bands.loudest, after.bands.decibels.length - 1)
  const [first, second] = [bySpeed(before, band), bySpeed(after, band)]
  const shared = [...first].flatMap(([step, levels]) => {
    const others = second.get(step)
    return others && levels.length >= FEWEST && others.length >= FEWEST
      ? [{ step, difference: loudness(others) - loudness(levels) }]
      : []
  })
  if (shared.length === 0) return null
  const steps = shared.map(({ step }) => step)
  return {
    decibels: mean(shared.map(({ difference }) => difference)),
    low: Math.min(...steps) * STEP,
    high: (Math.max(...steps) + 1) * STEP
  }
}

/** dB of a band, by steps of speed. */
function bySpeed({ bands: { decibels, rate }, speed }: Heard, band: number): Map<number, number[]> {
  const found = new Map<number, number[]>()
  decibels[band]?.forEach((level, i) => {
    const rpm = speed.rpm[Math.min(speed.rpm.length - 1, Math.round((i / rate) * speed.rate))]
    if (rpm === undefined) return
    const step = Math.floor(rpm / STEP)
    const levels = found.get(step)
    if (levels) levels.push(level)
    else found.set(step, [level])
  })
  return found
}

/** dB of the mean power: knocks that come now and then count as loud as they are. */
const loudness = (decibels: readonly number[]) => 10 * Math.log10(mean(decibels.map((level) => 10 ** (level / 10))))

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
