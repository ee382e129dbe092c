import type { RefusedSays } from '../../core/paths'
import { type Catalogue, sayer } from '../say'
import { t, plural } from '../spoken'

/** Why a partial way is not open. */
export const REFUSALS: Catalogue<RefusedSays> = {
  held: (f, name) => t`${name(f.part)} must not be turned or run as it is.`,
  condemned: (f, name) => t`${name(f.part)} is condemned, and this way would keep it.`,
  'ran-on-metal': (f, name) => t`${name(f.chain)} ran on metal, or metal shows: its chips stay behind the covers.`,
  'not-looked-at': (f, name) =>
    t`${f.parts.map(name).join(', ')}: nobody has looked at ${plural(f.parts.length, t`it`, t`them`)}. Look first, by borescope or through the top.`
}

/** Why a partial way is not open. */
export const sayRefused = sayer(REFUSALS)
