import { messagesOf } from '../check'
import type { SaidSlip } from '../estimate'
import type { CylinderPattern } from '../readings'
import type { PartKind } from '../sheet'

/** A wear with its 90 % interval, in the unit of its limit (elongations in per cent). */
type Spread = { mean: number; low: number; high: number }
/** What is held against a limit, and the odds of being past it. */
type Against = { limit: number; odds: number }
type Extension = { read: number; stroke: number } & Against

/** What the rules say of a part, by code; parts are named by their ids. */
export interface ReasonSays {
  /** A finding of the closed list; as what releases a hold, what is done about it. */
  found: { kind: PartKind; finding: string }
  /** A finding's figure against its limit; `least` of a limit that goes both ways. */
  figure: { finding: string; value: number; limit: number; least: number | null; past: boolean }
  'figure-no-limit': { finding: string; value: number }
  cylinders: { pattern: CylinderPattern; low: readonly number[]; complete: boolean }
  'scan-limit': { lag: number; limit: number }
  /** Paint burnt off condemns the chain, by who says so. */
  'paint-condemns': { source: string }
  'new-chain': { chain: string }
  'sprockets-follow': { odds: number }
  'whole-set': {}
  'pieces-missing': { missing: number; still: number }
  'pieces-accounted': { missing: number }
  'pieces-unknown': {}
  'compression-low': {}
  'ran-on-metal': {}
  'runs-on-metal': {}
  'metal-shows': { rail: string }
  'pin-after-loose-phaser': { phaser: string }
  'loose-phaser': {}
  'superseded-unknown': {}
  'superseded-on-sight': { design: string; source: string }
  'superseded-by-readings': { design: string; source: string }
  'chain-on-bad-teeth': {}
  'jump-unread': {}
  'no-jump': { lag: number; odds: number }
  /** Its odds rest on nothing that sees whole teeth: why. */
  'jump-not-seen': { lag: number; odds: number; why: 'not-locked' | 'half-link' | 'both' }
  /** `teeth` 0: it may have jumped, one cannot say how far. */
  'jump-undecided': { lag: number; teeth: number; odds: number }
  /** It has jumped, or its mark was read wrongly: the odds of each. */
  'jump-or-mark': { lag: number; teeth: number; odds: number; wrong: number; argued: boolean; hidden: number | null }
  /** `argued`: wear cannot explain it; `hidden`: crank degrees of it that wear hides. */
  jumped: {
    lag: number
    teeth: number
    odds: number
    argued: boolean
    hidden: number | null
    then: 'compression-sound' | 'set-again' | 'hold'
  }
  /** A cam that gears drive stands some of their teeth off; a shaft that is no cam stands off its mark. */
  'gears-off': { lag: number; teeth: number; odds: number }
  'shaft-off': { lag: number; teeth: number; odds: number }
  'why-it-jumped': { cam: string }
  'groove-unread': {}
  /** Found sound by looking; mm that a finer method tells. */
  'groove-looked': { limit: number | null; coarse: number; fine: number }
  /** Read past its limit with a method that another tells better. */
  'coarse-past-limit': { value: number; method: string; finer: string; odds: number }
  'groove-no-limit': Spread
  groove: Spread & Against
  'stands-clear': {}
  'extension-unread': {}
  'extension-no-limit': { read: number; stroke: number }
  extension: Extension
  'out-of-travel': { slack: number }
  'extension-unexplained': Extension & { unexplained: number; grown: number }
  /** `cause`: `stretch` or the id of what is worn. */
  'extension-cause': Extension & { cause: string; mm: number; grown: number }
  'extension-of-other': Extension & { cause: string }
  'pad-no-limit': { mean: number }
  pad: { mean: number } & Against
  'play-unread': {}
  'play-no-limit': { play: number }
  play: { play: number } & Against
  'elongation-no-limit': {}
  'elongation-unread': {}
  elongation: Spread & Against
  'late-by-wear': { cam: string; lag: number } & Against
  'late-not-stretched': { cam: string }
  'measures-as-new': {}
  /** `spread` in per cent points of elongation. */
  'uneven-wear': { places: number; spread: number }
  'readings-at-odds': { count: number }
  /** A reading that is wrong most likely: in which way, and what it should have read then. */
  'reading-wrong': SaidSlip
  'lag-unexplained': { cam: string; off: number }
  'not-settled': {}
  'weighed-by-odds': {}
  /** Money in the sheet's currency, over so much usage. */
  'weighed-renew': { saves: number; currency: string; horizon: number; unit: string }
  'weighed-keep': { saves: number; currency: string; horizon: number; unit: string }
  /** A reason that an older version gave in its own words. */
  'as-signed': { text: string }
}

/** What releases a hold. */
export interface ReleaseSays {
  found: { kind: PartKind; finding: string }
  'pieces-found': {}
  'head-looked-at': {}
  'chain-and-rails-renewed': {}
  'set-and-compression': {}
  'links-counted': {}
  'gears-set': {}
  'as-signed': { text: string }
}

export const say = messagesOf<ReasonSays>()
export const release = messagesOf<ReleaseSays>()
