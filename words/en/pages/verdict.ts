import type { Shown } from '../../say'

export const OTHER_SCHOOLS = {
  theSameReadingsUnderThe: 'The same readings under the other schools',
  underTheOtherSchools: 'Under the other schools',
  theyCouldNotBeWeighed: 'They could not be weighed here.',
  comesToTheSameCalls: 'Comes to the same calls.',
  insteadOf: (there: Shown, here: Shown) => `: ${there} instead of ${here}.`
}

export const PART_VERDICT = {
  decideOtherwise: 'Decide otherwise',
  decided: (by: Shown, call: Shown) => `${by} decided: ${call}.`,
  theReadingsSay: (call: Shown) => `The readings say: ${call}.`,
  theReadingsSayNothingOf: 'The readings say nothing of this part.',
  whatHappensToIt: 'What happens to it',
  why: 'Why',
  sayWhyTheReasonStands: 'Say why: the reason stands beside the call from now on.',
  decide: 'Decide',
  leaveItToTheReadings: 'Leave it to the readings',
  limitFromTheMakersManual: (limit: Shown, unit: Shown, source: Shown) =>
    `Limit ${limit} ${unit}, from ${source}; the maker's manual decides.`,
  whatWouldSettleIt: 'What would settle it:',
  photoOf: (part: Shown) => `Photo of ${part}`
}

export const SCHOOL_PICKER = {
  judgedUnder: 'Judged under'
}

export const SIGN_OFF = {
  signOff: 'Sign-off',
  revisionSignedBy: (revision: Shown, by: Shown) => `Revision ${revision} signed by ${by}`,
  computation: (sheetRevision: number | null | undefined, core: Shown) =>
    `; ${sheetRevision ? `sheet revision ${sheetRevision}, ` : ''}computation ${core}.`,
  fromAFileNotChecked: 'From a file, not checked here: it does not come out the same on this machine.',
  notSignedOffSigningFreezes:
    'Not signed off. Signing freezes the verdict with its readings, its sheet and what it was computed with.',
  changedSince: 'Changed since:',
  judgedInsteadOf: (name: Shown, name2: Shown) => `Judged ${name} instead of ${name2}.`,
  added: (reading: Shown, reading2: Shown, by: Shown) => `Added: ${reading} ${reading2} (${by})`,
  noLongerStands: (reading: Shown, reading2: Shown) => `No longer stands: ${reading} ${reading2}`,
  became: (chain: Shown, was: Shown, is: Shown) => `${chain}: ${was} became ${is}`,
  became2: (part: Shown, was: Shown, is: Shown) => `${part}: ${was} became ${is}`,
  decidedOtherwise: (part: Shown, is: string | null) => `${part}: decided otherwise${is ? `, ${is}` : ' no longer'}`,
  nothingThatItRestsOn: 'Nothing that it rests on has changed since.',
  signRevision: (revision: Shown) => `Sign revision ${revision}`,
  signTheVerdict: 'Sign the verdict',
  entriesWaitOnThisDevice: 'Entries wait on this device; the verdict can be signed once they are kept.'
}

export const VERDICT_PAGE = {
  verdict: (usage: Shown) => `verdict, ${usage}`,
  whatHappened: 'What happened',
  atOddsWithTheRest: 'At odds with the rest: measure again',
  theOtherReadingsImply: (reading: Shown, reading2: Shown) => `${reading} ${reading2}; the other readings imply`,
  callsPartByPart: 'Calls, part by part',
  nobodyLooked: (parts: number) =>
    parts === 1 ? 'Nobody has looked at this part yet' : `Nobody has looked at these ${parts} parts yet`,
  eachOfThem: 'What is missing on each, and deciding otherwise',
  theMakersManualForThis: (note: Shown = '') =>
    `The maker's manual for this engine is the authority for every figure; local rules and qualified practice come first. The customer decides what is done. ${note}`,
  judgedChooseWhoIsAt: (name: Shown) => `Judged ${name}. Choose who is at the bench to judge under another school.`
}
