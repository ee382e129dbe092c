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
  wouldNarrowTheStretchFrom: (now: Shown, then: Shown) => `would narrow the stretch from ±${now} to ±${then}`,
  takesOfTheDoubtAbout: (cut: Shown, part: Shown) => `takes ${cut} of the doubt about ${part}`,
  aboutMin: (minutes: Shown) => `about ${minutes} min`,
  stretchLedger: 'Stretch ledger',
  stretch: 'Stretch',
  camsAgainstTheirMarks: 'Cams, against their marks',
  camSprocket: ' cam sprocket',
  extensionAndWhatItIs: 'Extension, and what it is made of',
  atOddsWithTheRest: (reading: Shown, by: Shown) => `At odds with the rest: ${reading}, ${by}`,
  leftOut: (reading: Shown) => `Left out: ${reading}`,
  worthReadingNext: 'Worth reading next',
  everythingThatCanBeRead: 'Everything that can be read on this drive was read.'
}

export const STRETCH_LINE = {
  says: (name: Shown, mean: Shown, low: Shown, high: Shown, limit: number | undefined) =>
    `${name}: elongation ${mean}, 90 % between ${low} and ${high}, ${limit === undefined ? 'no limit on the sheet' : `limit ${limit} %`}`,
  pastLimit: (overLimit: Shown) => `Past limit: ${overLimit}`,
  noLimitOnTheSheet: 'no limit on the sheet',
  ninetyInterval: (limit: Shown, unit: Shown, source: Shown) => `90 % interval. Limit ${limit} ${unit} (${source})`
}
