import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const BUDGET_BAR = texts({
  says: (tensioner: Shown, extension: Shown, stroke: Shown, causes: readonly string[]) =>
    t`${tensioner}: extension ${extension} of ${stroke} stroke: ${causes.join(', ')}`,
  of: (stroke: Shown, units: Shown) => t` of ${stroke} ${units}`,
  expectedNotRead: 'expected, not read',
  left: (toStroke: Shown, brief: boolean) => t`${toStroke} ${brief ? '' : t`of travel `}left`
})

export const CAM_DIAL = texts({
  noJump: 'no jump',
  giveOrTake: (name: Shown, mean: Shown, half: Shown, jump: Shown) =>
    t`${name}: ${mean}, give or take ${half}°. ${jump}`,
  jumpNotKnown: (half: Shown) => t`±${half}°, jump not known`
})

export const STRETCH_LEDGER = texts({
  explain: 'What else could explain it',
  stretchLedger: 'Stretch ledger',
  stretch: 'Stretch',
  camsAgainstTheirMarks: 'Cams, against their marks',
  camSprocket: ' cam sprocket',
  extensionAndWhatItIs: 'Extension, and what it is made of',
  atOddsWithTheRest: (reading: Shown, by: Shown) => t`At odds with the rest: ${reading}, ${by}`,
  leftOut: (reading: Shown) => t`Left out: ${reading}`,
  worthReadingNext: 'Worth reading next',
  everythingThatCanBeRead: 'Everything that can be read on this drive was read.',
  enoughIsKnown: 'Enough is known',
  nothingIsWorthIts: 'Nothing that is left to read is worth its minutes.',
  minutesAndWorth: (minutes: Shown, worth: Shown) => t`${minutes} min, worth about ${worth}`,
  inUnits: (units: Shown) => t`${units} of a part`,
  enterAs: (corrected: Shown) => t`Enter as ${corrected}`,
  readAgain: 'Read it again',
  onceMore: 'once more',
  by: (method: string) => (method.startsWith('by ') ? method : t`by ${method}`)
})

export const UNTOLD = texts({
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
})

export const DOUBT = texts({
  whatTheDoubtIsMadeOf: 'What the doubt is made of',
  title: (name: Shown, half: Shown, unit: Shown) => t`${name}: ±${half}${unit === '°' ? '°' : t` ${unit}`}`,
  ofWhich: (half: Shown, cause: Shown) => t`of which ±${half} because ${cause}`,
  ofIt: (half: Shown, cause: Shown) => t`±${half} of it because ${cause}`,
  causes: {
    skim: 'nobody said whether the head or block was machined',
    temperature: 'nobody said whether the engine was warm',
    offsetKeys: 'nobody said whether a key is an offset one',
    bend: 'the sheet has no third point of the extension',
    hand: (by: string) => t`${by || t`one hand`} read it each time`,
    elongation: (of: string) => t`the length of ${of} is not known better`,
    wear: (of: string) => t`the wear of ${of} is not known better`,
    padWear: () => t`the wear of the pad is not known better`,
    scatter: (of: string) => t`engines differ as new at ${of}`
  },
  theRestIsReading: 'The rest is how finely it was read.',
  shrinksItMost: 'Shrinks it most per minute',
  fromTo: (what: Shown, from: Shown, to: Shown, minutes: Shown) => t`${what}: ±${from} to ±${to}, ${minutes} min`,
  anotherPerson: 'Another person reading the same, as a hand repeats its own error.',
  nothingShrinksIt: 'Nothing that is left to read or ask shrinks it.',
  why: 'why?',
  open: (name: Shown) => t`What the doubt of ${name} is made of`
})

export const STRETCH_LINE = texts({
  says: (name: Shown, mean: Shown, low: Shown, high: Shown, limit: number | undefined) =>
    t`${name}: elongation ${mean}, 90 % between ${low} and ${high}, ${limit === undefined ? t`no limit on the sheet` : t`limit ${limit} %`}`,
  pastLimit: (overLimit: Shown) => t`Past limit: ${overLimit}`,
  noLimitOnTheSheet: 'no limit on the sheet',
  ninetyInterval: (limit: Shown, unit: Shown, source: Shown) => t`90 % interval. Limit ${limit} ${unit} (${source})`
})
