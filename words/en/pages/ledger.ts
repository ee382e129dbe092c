import type { Shown } from '../../say'

export const BUDGET_BAR = {
  says: (tensioner: Shown, extension: Shown, stroke: Shown, causes: readonly string[]) =>
    `${tensioner}: extension ${extension} of ${stroke} stroke: ${causes.join(', ')}`,
  of: (stroke: Shown, units: Shown) => ` of ${stroke} ${units}`,
  expectedNotRead: 'expected, not read',
  left: (toStroke: Shown, brief: boolean) => `${toStroke} ${brief ? '' : 'of travel '}left`
}

export const CAM_DIAL = {
  noJump: 'no jump',
  giveOrTake: (name: Shown, mean: Shown, half: Shown, jump: Shown) =>
    `${name}: ${mean}, give or take ${half}°. ${jump}`,
  jumpNotKnown: (half: Shown) => `±${half}°, jump not known`
}

export const STRETCH_LEDGER = {
  explain: 'What else could explain it',
  stretchLedger: 'Stretch ledger',
  stretch: 'Stretch',
  camsAgainstTheirMarks: 'Cams, against their marks',
  camSprocket: ' cam sprocket',
  extensionAndWhatItIs: 'Extension, and what it is made of',
  atOddsWithTheRest: (reading: Shown, by: Shown) => `At odds with the rest: ${reading}, ${by}`,
  leftOut: (reading: Shown) => `Left out: ${reading}`,
  worthReadingNext: 'Worth reading next',
  everythingThatCanBeRead: 'Everything that can be read on this drive was read.',
  enoughIsKnown: 'Enough is known',
  nothingIsWorthIts: 'Nothing that is left to read is worth its minutes.',
  minutesAndWorth: (minutes: Shown, worth: Shown) => `${minutes} min, worth about ${worth}`,
  inUnits: (units: Shown) => `${units} of a part`,
  enterAs: (corrected: Shown) => `Enter as ${corrected}`,
  readAgain: 'Read it again',
  onceMore: 'once more',
  by: (method: string) => (method.startsWith('by ') ? method : `by ${method}`)
}

export const UNTOLD = {
  asked: {
    skim: 'Head or block machined?',
    temperature: 'Engine when read?',
    offsetKeys: 'Offset key or dowel?'
  },
  ask: {
    skim: 'Ask whether head or block was machined',
    temperature: 'Ask whether the engine was cold',
    offsetKeys: 'Ask for an offset key'
  },
  none: { skim: 'No', temperature: 'Cold', offsetKeys: 'None' },
  some: { skim: 'Yes …', temperature: 'Warm …', offsetKeys: 'Yes …' },
  untilItIsTold: 'Until it is told, it is part of the doubt.'
}

export const DOUBT = {
  whatTheDoubtIsMadeOf: 'What the doubt is made of',
  title: (name: Shown, half: Shown, unit: Shown) => `${name}: ±${half}${unit === '°' ? '°' : ` ${unit}`}`,
  ofWhich: (half: Shown, cause: Shown) => `of which ±${half} because ${cause}`,
  ofIt: (half: Shown, cause: Shown) => `±${half} of it because ${cause}`,
  causes: {
    skim: 'nobody said whether the head or block was machined',
    temperature: 'nobody said whether the engine was warm',
    offsetKeys: 'nobody said whether a key is an offset one',
    bend: 'the sheet has no third point of the extension',
    hand: (by: string) => `${by || 'one hand'} read it each time`,
    elongation: (of: string) => `the length of ${of} is not known better`,
    wear: (of: string) => `the wear of ${of} is not known better`,
    padWear: () => 'the wear of the pad is not known better',
    scatter: (of: string) => `engines differ as new at ${of}`
  },
  theRestIsReading: 'The rest is how finely it was read.',
  shrinksItMost: 'Shrinks it most per minute',
  fromTo: (what: Shown, from: Shown, to: Shown, minutes: Shown) => `${what}: ±${from} to ±${to}, ${minutes} min`,
  anotherPerson: 'Another person reading the same, as a hand repeats its own error.',
  nothingShrinksIt: 'Nothing that is left to read or ask shrinks it.',
  why: 'why?',
  open: (name: Shown) => `What the doubt of ${name} is made of`
}

export const STRETCH_LINE = {
  says: (name: Shown, mean: Shown, low: Shown, high: Shown, limit: number | undefined) =>
    `${name}: elongation ${mean}, 90 % between ${low} and ${high}, ${limit === undefined ? 'no limit on the sheet' : `limit ${limit} %`}`,
  pastLimit: (overLimit: Shown) => `Past limit: ${overLimit}`,
  noLimitOnTheSheet: 'no limit on the sheet',
  ninetyInterval: (limit: Shown, unit: Shown, source: Shown) => `90 % interval. Limit ${limit} ${unit} (${source})`
}
