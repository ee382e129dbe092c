import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const FIGURE_PANE = texts({
  linksOnTheSheetColoured: (to: Shown, chain: Shown) =>
    t`${to} links on the sheet. Coloured links stand at the marks again after ${chain} crank turns: do not hunt for them before.`,
  newOverLinksSamePull: (pitch: Shown, links: Shown) =>
    t`New: ${pitch} over ${links} links. Same pull, at three places.`,
  itsMarkBelongsAtTurning: (at: Shown, rotation: Shown, mean: Shown) =>
    t`Its mark belongs at ${at}, turning ${rotation}; by all readings it stands near ${mean}. Half a turn away: turn the crank once more.`,
  limit: (limit: Shown) => t`Limit ${limit}`,
  theSheetHasNoLimit: "The sheet has no limit for this: the maker's manual decides.",
  ifItLetsGoOf: (slack: Shown, from: Shown, to: Shown) =>
    t`If it lets go, ${slack} of slack gathers between ${from} and ${to}. Slack between the cams with the engine stopped is only kick-back.`
})

export const PART_PANEL = texts({
  knownAndFound: 'Known and found',
  found: 'Found',
  photos: 'Photos',
  fittedPart: 'Fitted part',
  readingSheet: 'Reading sheet',
  anEntry: 'an entry',
  notTaken: (anEntry: Shown) => t`Not taken: ${anEntry}`,
  partsAtThisStation: 'Parts at this station',
  whatIsReadHere: 'What is read here'
})

export const READING_FORM = texts({
  chooseWhoIsAtThe: 'Choose who is at the bench: the name stands on the reading.',
  correctedFigure: 'Corrected figure',
  figure: 'Figure',
  keypad: 'Keypad',
  theCamStands: 'The cam stands',
  lateRetarded: 'late (retarded)',
  earlyAdvanced: 'early (advanced)',
  readIn: 'Read in',
  millimetres: 'millimetres',
  notchesShowing: 'notches showing',
  gapLeft: 'gap left at its hole',
  gapSays: (free: Shown) =>
    t`Lifter out and let go, pushed home by hand: what is left of it outside is the gap. It stands out ${free} by itself.`,
  atWhichPlaceOfThe: 'At which place of the chain',
  notSaid: 'not said',
  one: 'one',
  two: 'two',
  three: 'three',
  overHowManyLinks: 'Over how many links',
  readWith: 'Read with',
  turnedForwardLast: 'Turned forward last?',
  yes: 'Yes',
  no: 'No',
  notKnown: 'Not known',
  phaserLockedAtRest: 'Phaser locked at rest?',
  note: 'Note',
  saveCorrection: 'Save correction',
  saveReading: 'Save reading'
})

export const READING_LIST = texts({
  by: (reading: Shown, by: Shown) => t`${reading} by ${by}`,
  correctedAtTheSameTime: (others: readonly string[]) =>
    t`Corrected at the same time to ${others.join(t` and `)}: both are kept until one is taken back.`,
  notches: 'Notches',
  gap: 'Gap at its hole',
  origins: { photo: 'On its photo', trace: 'On its trace' },
  atOddsWithTheRest: (digits: Shown) => t`At odds with the rest (they give ${digits}): measure again.`,
  readItAgain: (slip: Shown) => t`${slip}: read it again.`,
  enterAs: (corrected: Shown) => t`Enter as ${corrected}`,
  leftOut: (fault: Shown) => t`Left out: ${fault}.`,
  correct: 'Correct',
  earlier: (open: boolean, past: number) =>
    t`${open ? t`Hide` : t`Show`} ${past} earlier ${plural(past, t`reading`, t`readings`)}`,
  gone: (undone: boolean, by: Shown) => t`${undone ? t`Taken back` : t`Corrected`} by ${by},`,
  putBack: 'Put back'
})

export const STATION_SPINE = texts({
  buildUp: 'Build-up',
  proof: 'Proof',
  ofRead: (read: Shown, all: Shown) => t`${read} of ${all} read`,
  found: (findings: Shown) => t`${findings} found`,
  nothingYet: 'nothing yet',
  stationsOfThisJob: 'Stations of this job',
  next: 'next',
  verdict: 'Verdict',
  whatGoesBackIn: 'what goes back in'
})

export const DRAFT = texts({
  countWholeNotches: 'Count whole notches.',
  writeAtMostCharacters: (shown: Shown) => t`Write at most ${shown} characters.`,
  enterTheFigureThatWas: 'Enter the figure that was read.',
  isNoNumberWriteDigits: (figure: Shown) => t`“${figure}” is no number: write digits, such as 14.2`,
  writeTheFigureWithoutA: 'Write the figure without a sign and choose late or early.',
  enterOverHowManyWhole: 'Enter over how many whole links it was measured.'
})

export const JOB_FRAME = texts({
  umbrette: (vehicle: Shown) => t`${vehicle} · Umbrette`,
  openingTheJob: 'Opening the job …',
  judgedBefore: (acts: number) =>
    plural(
      acts,
      t`One entry came since these figures. They are being worked out anew.`,
      t`${acts} entries came since these figures. They are being worked out anew.`
    )
})

export const BENCH = texts({
  export: 'Export',
  keys: 'Keys',
  mapLarger: 'Open the map',
  mapSmaller: 'Smaller map'
})

export const LINK_COUNTER = texts({
  touchForEachLink: 'touch for each link',
  oneBack: 'One back',
  half: '+ half',
  lostCountAgain: 'Lost count: again',
  theSheetHas: 'The sheet has',
  halfWhenTheMarkStands: '. Half when the mark stands between two links. Keys: + one, − one back, h half.',
  togetherTheyCloseTheLoop: (sum: Shown) => t`Together ${sum}: they close the loop.`,
  togetherButTheChainHas: (sum: Shown, total: Shown, off: number) =>
    t`Together ${sum}, but the chain has ${total}: ${Math.abs(off)} too ${off > 0 ? t`many` : t`few`}. Count again.`
})

export const FINDING_KEYS = texts({
  oneOf: ', one of',
  howMany: (counting: Shown) => t`${counting}: how many?`,
  oneFewer: 'One fewer',
  oneMore: 'One more',
  whichAndWhere: 'Which, and where',
  whoFoundIt: 'Who found it',
  say: 'say more',
  photo: 'photo',
  another: 'another',
  takeBack: (finding: Shown) => t`Take back: ${finding}`
})
