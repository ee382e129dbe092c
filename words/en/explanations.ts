import type { Cause, Explanation } from '../../core/estimate'
import type { Names } from '../say'
import { fixDigits, lowerFirst, oddsWords, teethOff, upperFirst } from './figures'
import { KIND_NAMES } from './parts'
import { sayWay } from './slips'
import { t } from '../spoken'

/** What may lie behind a drive's readings. */

/** `Timing chain has stretched far`. */
export function sayCause(cause: Cause, name: Names): string {
  switch (cause.as) {
    case 'stretched':
      return t`${name(cause.of)} has stretched far`
    case 'rail-worn':
      return t`${name(cause.of)} is worn far`
    case 'pad-worn':
      return t`${name(cause.of)}: its pad is worn far`
    case 'jumped':
      return t`${name(cause.of)} has jumped ${teethOff(cause.teeth)}`
    case 'cam-moved':
      return t`${name(cause.of)} has moved on its shaft: by pin, phaser or setting`
    case 'misread':
      return t`${misreadWords(cause, name)} was read wrongly`
  }
}

function misreadWords({ kind, part }: Extract<Cause, { as: 'misread' }>, name: Names): string {
  return t`${kind === 'condition' ? t`What was seen` : KIND_NAMES[kind]} of ${lowerFirst(name(part))}`
}

/** In which way a reading would be wrong; empty where none is named. */
export function sayMisread({ way, value }: Extract<Cause, { as: 'misread' }>): string {
  return way === null || way === 'far-off' ? '' : sayWay(way, value ?? NaN)
}

/** An explanation's causes together: `Timing chain has stretched far, and fixed guide is worn far`. */
export function sayCauses(causes: readonly Cause[], name: Names): string {
  if (causes.length === 0) return t`Nothing beyond the usual wear`
  return upperFirst(
    causes.map((cause, i) => (i === 0 ? sayCause(cause, name) : lowerFirst(sayCause(cause, name)))).join(t`, and `)
  )
}

/** Odds of an explanation, alone or with more beside it. */
export function sayOddsOf({ odds, more }: Pick<Explanation, 'odds' | 'more'>): string {
  return oddsWords(odds + more)
}

/**
 * `Of what could explain the readings, … is likeliest (98 %), before … (1 %).`
 * @param of names of the chains it is about; none when it is about all
 */
export function sayLikeliest(
  stories: readonly Pick<Explanation, 'causes' | 'odds' | 'more'>[],
  name: Names,
  of: readonly string[] = []
): string {
  const [first, second] = stories
  if (!first) return ''
  const said = (story: typeof first) => t`${lowerFirst(sayCauses(story.causes, name))} (${sayOddsOf(story)})`
  const readings = of.length > 0 ? t`readings of ${of.map((chain) => lowerFirst(chain)).join(t` and `)}` : t`readings`
  const next = second ? t`; next comes: ${said(second)}` : ''
  return t`Of what could explain the ${readings}, this is likeliest: ${said(first)}${next}.`
}

/** How well a reading fits an explanation, by how many of its sigmas it misses. */
export function sayFit(misses: number): string {
  const by = Math.abs(misses)
  return by < 2
    ? t`fits`
    : by < 3.5
      ? t`${fixDigits(by, 1)} times its own doubt off`
      : t`does not fit: ${fixDigits(by, 0)} times its own doubt off`
}
