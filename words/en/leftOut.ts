import type { ArgumentSays, EstimateSays } from '../../core/estimate'
import type { UntrueSays } from '../../core/readings'
import { type Catalogue, sayer } from '../say'
import { KIND_NAMES } from './parts'
import { t, midSentence, known } from '../spoken'
import { fixDigits } from './figures'

/** Why a reading cannot be true, or was left out of the estimate. */

export const untrue: Catalogue<UntrueSays> = {
  'method-unknown': (f) => t`method "${f.method}" is not one of ${f.methods.join(', ')}, and no sigma is given`,
  'below-0': (f) => t`${midSentence(KIND_NAMES[f.kind])} cannot be below 0 ${known(f.unit)}: check the sign`,
  'out-of-range': (f) => t`expected ${f.least} to ${f.greatest} ${known(f.unit)}: read it again`,
  'gap-beyond-free': (f) =>
    t`a gap of ${f.gap} mm is more than the lifter stands out when it is let go (${f.free} mm): measure both again`,
  'no-ratchet': () => t`this tensioner has no ratchet on its sheet: give the extension in mm`,
  'notches-at-most': (f) => t`the stroke of ${f.stroke} mm shows at most ${f.most} notches: count again`,
  'extension-below-0': () => t`tensioner extension cannot be below 0 mm: measure from fully retracted`,
  'beyond-stroke': (f) =>
    t`${f.value} mm is beyond the stroke of ${f.stroke} mm: measure from the fully retracted tip, and check the unit`,
  'whole-links': () => t`count whole links, or halves where a mark stands between two`,
  'no-counts': () => t`the sheet has no counts for this chain to compare with`,
  'count-off': (f) =>
    t`${f.value} links is ${Math.abs(f.value - f.expected)} ${f.value > f.expected ? t`more` : t`fewer`} than the sheet's ${f.expected}: check which marks the run goes between, and count again`,
  'links-of-chain': (f) => t`the chain has ${f.links} links: check over how many it was measured`,
  'length-unfit': (f) =>
    t`${f.value} mm does not fit ${f.links} links (new: ${fixDigits(f.asNew, 2)} mm): check the number of links, and pin to pin`
}

const estimate: Catalogue<EstimateSays> = {
  'counts-do-not-close': (f) =>
    t`the counts come to ${f.sum} links round the loop, but the chain has ${f.links}: count again (or it is another chain); no jump is inferred from them`,
  'lag-impossible': (f) =>
    t`no wear and no jump of up to ${f.teeth} teeth gives ${f.lag} crank degrees${f.wholeTurn ? t`: it is about a whole crank turn; turn the crank once more and read again` : t`: check the mark, the sign and crank against cam degrees`}`,
  'not-together': () =>
    t`could not be computed together with the others on this chain: none of them is used. Check the sheet's figures, then the last one entered`,
  'as-signed': (f) => f.text
}

export const LEFT_OUT = { ...untrue, ...estimate }

/** Why a reading was left out. */
export const sayLeftOut = sayer(LEFT_OUT)

export const ARGUMENTS: Catalogue<ArgumentSays> = {
  moved: (f) =>
    t`Wear cannot make a cam early: it has jumped, or was set wrong.${f.hidden === null ? '' : t` Of the jump, ${fixDigits(f.hidden, 1)}° is hidden by wear.`}`
}

export const sayArgument = sayer(ARGUMENTS)
