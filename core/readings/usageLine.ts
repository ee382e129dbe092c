import { type Message, messagesOf } from '../check'
import type { Usage, UsageUnit } from './jobFile'

/** What a vehicle had on the clock, and on which day (ISO). */
export interface SeenUsage {
  usage: Usage
  at: string
}

/** Why a usage is asked about before it is kept. */
export interface UsageSays {
  'less-than-before': { value: number; unit: string; on: string }
  'far-from-line': { low: number; high: number; unit: string }
  'more-than-possible': { days: number; unit: string; most: number }
}

const say = messagesOf<UsageSays>()

/** What can be put on a clock in a day, driven day and night. */
const MOST_A_DAY: Readonly<Record<UsageUnit, number>> = { km: 1500, mi: 950, h: 24 }
const DAY = 86_400_000
/** A vehicle's own line is drawn from what was seen this many days apart at least. */
const LINE_DAYS = 30
/** Used so many times as much as until then is asked about; and so much of its clock is nothing to ask about. */
const TIMES = 4
const SLACK = 0.02

/**
 * Is this usage one that a vehicle can have, by what was seen of it? Only what is counted in the same unit bears on it.
 * @param seen in any order. @param at the day (ISO) on which it stood so
 * @returns what to ask; null where it fits
 */
export function askOfUsage(seen: readonly SeenUsage[], { value, unit }: Usage, at: string): Message | null {
  const mine = seen
    .filter(({ usage }) => usage.unit === unit)
    .sort((a, b) => a.at.localeCompare(b.at) || a.usage.value - b.usage.value)
  const before = mine.filter((one) => one.at <= at)
  const highest = before.reduce<SeenUsage | null>(
    (most, one) => (most && most.usage.value >= one.usage.value ? most : one),
    null
  )
  if (!highest) return null
  if (value < highest.usage.value)
    return say('less-than-before', { value: highest.usage.value, unit, on: highest.at.slice(0, 10) })
  const days = Math.max(1, (Date.parse(at) - Date.parse(highest.at)) / DAY)
  const more = value - highest.usage.value
  if (more > days * MOST_A_DAY[unit])
    return say('more-than-possible', { days: Math.ceil(days), unit, most: MOST_A_DAY[unit] })
  const first = before[0]!
  const span = (Date.parse(highest.at) - Date.parse(first.at)) / DAY
  const used = highest.usage.value - first.usage.value
  if (span < LINE_DAYS || used <= 0) return null
  const high = highest.usage.value + (TIMES * used * days) / span + SLACK * highest.usage.value
  return value > high ? say('far-from-line', { low: highest.usage.value, high: Math.round(high), unit }) : null
}
