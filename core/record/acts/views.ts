import { checkView } from './check'
import { choiceView } from './choice'
import { correctionsView } from './corrections'
import { holeView } from './hole'
import { overruleView } from './overrule'
import { partView } from './part'
import { pathView } from './path'
import { photoView } from './photo'
import { pricingView } from './pricing'
import { readView } from './read'
import { rebuiltView } from './rebuilt'
import { releaseView } from './release'
import { schoolView } from './school'
import { sheetView } from './sheet'
import { signoffView } from './signoff'
import { stateView } from './state'
import { taskView } from './task'
import { undoView } from './undo'
import { waitsView } from './waits'
import type { JobRecord } from './record'
import type { ActOf, ActType } from './registry'

/** What a type of act comes to: all that a page needs of it, apart from how it is checked. */
export interface ActView<T extends ActType> {
  /** Begins a sentence on what the act did: `The photo …`. */
  subject: string
  /** Adds what it says to what the acts before it came to. */
  fold?: (record: JobRecord, act: ActOf<T>) => void
}

export const ACT_VIEWS: { readonly [T in ActType]: ActView<T> } = {
  read: readView, undo: undoView, corrections: correctionsView, part: partView, photo: photoView, state: stateView, waits: waitsView, sheet: sheetView, overrule: overruleView, pricing: pricingView,
  path: pathView, signoff: signoffView, choice: choiceView, task: taskView, rebuilt: rebuiltView, hole: holeView, release: releaseView, check: checkView, school: schoolView
}
