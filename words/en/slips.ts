import type { SaidSlip, WrongWay } from '../../core/estimate'
import { READING_KINDS } from '../../core/readings'
import { degreesWords, fixDigits, oddsWords } from './figures'
import { t, known } from '../spoken'

/** What a reading looks like that was taken wrongly. */

/** `20.4° late`, `8 notches`, `160.4 mm`: what was read. */
function readWords({ kind, value, notches }: Pick<SaidSlip, 'kind' | 'value' | 'notches'>): string {
  if (notches) return t`${value} notches`
  if (kind === 'camLag') return degreesWords(value)
  const { unit, digits } = READING_KINDS[kind]
  return t`${fixDigits(value, unit === 'links' ? (Number.isInteger(value) ? 0 : 1) : digits)} ${unit === 'crank degrees' ? '°' : known(unit)}`
}

const LOOKS_LIKE: { readonly [W in WrongWay]: (said: Pick<SaidSlip, 'value'>) => string } = {
  'next-mark': () => t`fits the next tooth's mark`,
  'cam-half-turn': () => t`fits a mark half a turn of the cam away`,
  'crank-half-turn': () => t`fits a mark half a crank turn away`,
  'cam-degrees': () => t`looks like cam degrees given as crank degrees`,
  'crank-degrees': () => t`looks like crank degrees doubled as if they were of the cam`,
  'turned-round': () => t`looks like late and early turned round`,
  'notches-as-mm': ({ value }) => t`looks like ${fixDigits(value, 0)} notches typed as mm`,
  'mm-as-notches': ({ value }) => t`looks like ${fixDigits(value, 0)} mm typed as notches`,
  'inches-as-mm': () => t`looks like inches typed as mm`,
  'mm-as-inches': () => t`looks like mm taken for inches`,
  'link-missed': () => t`looks like one link missed`,
  'link-twice': () => t`looks like one link counted twice`,
  'other-run': () => t`fits another run's marks`,
  'link-more': () => t`looks like one link too many between the calliper`,
  'link-less': () => t`looks like one link too few between the calliper`,
  'other-number': () => t`fits another number of links`,
  'far-off': () => t`fits nothing else that was read`
}

/** What a reading of this value looks like when it is wrong in a way: `fits the next tooth's mark`. */
export function sayWay(way: WrongWay, value: number): string {
  return LOOKS_LIKE[way]({ value })
}

/** What a wrong reading looks like: `20.4° late fits the next tooth's mark (98 %)`. */
export function saySlip(said: SaidSlip): string {
  const looks = LOOKS_LIKE[said.as](said)
  const many = said.notches || said.kind === 'linkCount'
  return t`${readWords(said)} ${many ? looks.replace(/^(look|fit)s/, '$1') : looks} (${oddsWords(said.odds)})`
}

/** What it should have read then: `0.4° late`. */
export function sayCorrected({ kind, would }: Pick<SaidSlip, 'kind' | 'would'>): string {
  return readWords({ kind, value: would, notches: false })
}
