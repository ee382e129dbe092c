import type { Shown } from '../../say'
import { t, texts, plural, known } from '../../spoken'

export const OTHER_SCHOOLS = texts({
  theSameReadingsUnderThe: 'The same readings under the other schools',
  underTheOtherSchools: 'Under the other schools',
  theyCouldNotBeWeighed: 'They could not be weighed here.',
  comesToTheSameCalls: 'Comes to the same calls.',
  insteadOf: (there: Shown, here: Shown) => t`: ${there} instead of ${here}.`
})

export const PART_VERDICT = texts({
  decideOtherwise: 'Decide otherwise',
  decided: (by: Shown, call: Shown) => t`${by} decided: ${call}.`,
  theReadingsSay: (call: Shown) => t`The readings say: ${call}.`,
  theReadingsSayNothingOf: 'The readings say nothing of this part.',
  whatHappensToIt: 'What happens to it',
  why: 'Why',
  sayWhyTheReasonStands: 'Say why: the reason stands beside the call from now on.',
  decide: 'Decide',
  leaveItToTheReadings: 'Leave it to the readings',
  limitFromTheMakersManual: (limit: Shown, unit: Shown, source: Shown) =>
    t`Limit ${limit} ${known(String(unit))}, from ${source}; the maker's manual decides.`,
  whatWouldSettleIt: 'What would settle it:',
  photoOf: (part: Shown) => t`Photo of ${part}`
})

export const SCHOOL_PICKER = texts({
  judgedUnder: 'Judged under'
})

export const SIGN_OFF = texts({
  signOff: 'Sign-off',
  revisionSignedBy: (revision: Shown, by: Shown) => t`Revision ${revision} signed by ${by}`,
  computation: (sheetRevision: number | null | undefined, core: Shown) =>
    t`; ${sheetRevision ? t`sheet revision ${sheetRevision}, ` : ''}computation ${core}.`,
  fromAFileNotChecked: 'From a file, not checked here: it does not come out the same on this machine.',
  notSignedOffSigningFreezes:
    'Not signed off. Signing freezes the verdict with its readings, its sheet and what it was computed with.',
  changedSince: 'Changed since:',
  judgedInsteadOf: (name: Shown, name2: Shown) => t`Judged ${name} instead of ${name2}.`,
  added: (reading: Shown, reading2: Shown, by: Shown) => t`Added: ${reading} ${reading2} (${by})`,
  noLongerStands: (reading: Shown, reading2: Shown) => t`No longer stands: ${reading} ${reading2}`,
  became: (chain: Shown, was: Shown, is: Shown) => t`${chain}: ${was} became ${is}`,
  became2: (part: Shown, was: Shown, is: Shown) => t`${part}: ${was} became ${is}`,
  decidedOtherwise: (part: Shown, is: string | null) => t`${part}: decided otherwise${is ? t`, ${is}` : t` no longer`}`,
  nothingThatItRestsOn: 'Nothing that it rests on has changed since.',
  signRevision: (revision: Shown) => t`Sign revision ${revision}`,
  signTheVerdict: 'Sign the verdict',
  entriesWaitOnThisDevice: 'Entries wait on this device; the verdict can be signed once they are kept.'
})

export const VERDICT_PAGE = texts({
  verdict: (usage: Shown) => t`verdict, ${usage}`,
  whatHappened: 'What happened',
  atOddsWithTheRest: 'At odds with the rest: measure again',
  theOtherReadingsImply: (reading: Shown, reading2: Shown) => t`${reading} ${reading2}; the other readings imply`,
  callsPartByPart: 'Calls, part by part',
  nobodyLooked: (parts: number) =>
    plural(parts, t`Nobody has looked at this part yet`, t`Nobody has looked at these ${parts} parts yet`),
  eachOfThem: 'What is missing on each, and deciding otherwise',
  theMakersManualForThis: (note: Shown = '') =>
    t`The maker's manual for this engine is the authority for every figure; local rules and qualified practice come first. The customer decides what is done. ${note}`,
  judgedChooseWhoIsAt: (name: Shown) => t`Judged ${name}. Choose who is at the bench to judge under another school.`
})
