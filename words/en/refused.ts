import type { RefusedSays } from '../../core/paths'
import { type Catalogue, sayer } from '../say'

/** Why a partial way is not open. */
export const REFUSALS: Catalogue<RefusedSays> = {
  held: (f, name) => `${name(f.part)} must not be turned or run as it is.`,
  condemned: (f, name) => `${name(f.part)} is condemned, and this way would keep it.`,
  'ran-on-metal': (f, name) => `${name(f.chain)} ran on metal, or metal shows: its chips stay behind the covers.`,
  'not-looked-at': (f, name) =>
    `${f.parts.map(name).join(', ')}: nobody has looked at ${f.parts.length === 1 ? 'it' : 'them'}. Look first, by borescope or through the top.`
}

/** Why a partial way is not open. */
export const sayRefused = sayer(REFUSALS)
