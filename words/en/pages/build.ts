import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const FASTENER_MAP = texts({
  holeBoltOf: (hole: Shown, length: Shown, unit: Shown, isBack: boolean) =>
    t`Hole ${hole}, bolt of ${length} ${unit}, ${isBack ? t`back in` : t`still out`}`,
  writeTheBoltsLengthFirst: "Write the bolt's length first, then touch where its hole is.",
  whichBoltFromWhichHole: 'Which bolt from which hole',
  cover: 'Cover',
  boltLength: (units: Shown) => t`Bolt length, ${units}`,
  addAHole: 'Add a hole',
  atTeardownWriteALength:
    'At teardown: write a length, touch its hole. At assembly: touch each hole as its bolt goes back.',
  allAreBackIn: (mine: Shown) => t`All ${mine} are back in.`,
  ofStillOutTouchA: (left: Shown, mine: Shown) => t`${left} of ${mine} still out. Touch a hole as its bolt goes back.`,
  takeTheLastTouchedHole: 'Take the last touched hole off the picture'
})

export const HOLD_PANEL = texts({
  readyToStart: 'Ready to start',
  notReadyToStart: 'Not ready to start',
  batteryOnLastNobodyNear:
    "Battery on last, nobody near belt and chain, plugs in, oil pressure watched. The maker's manual decides over the first start.",
  releasedBy: (by: Shown) => t`Released by ${by}:`,
  whyItMayBeStarted: 'Why it may be started all the same',
  sayWhyItStandsUnder: 'Say why: it stands under your name.',
  release: 'Release',
  leaveItHeld: 'Leave it held',
  releaseByName: 'Release by name'
})

export const TASK_ROW = texts({
  numberMake: 'Number, make',
  over20Links: (units: Shown) => t`Over 20 links, ${units}`,
  howMany: 'How many',
  further: (degrees: Shown) => t`${degrees}° further`,
  writeItsNumberOrMake: 'Write its number or make first.',
  writeHowManyAWhole: 'Write how many, a whole number.',
  writeTheLengthFirst: 'Write the length first.'
})

export const TURN_CHECK = texts({
  asSet: 'As set',
  afterTwoTurns: 'After two turns',
  links: (shown: Shown) => t`${shown} links`,
  expectedANumber: 'Expected a number.',
  setAndCheck: 'Set and check',
  marksSetTensionerPinnedPin: 'Marks set, tensioner pinned; pin pulled; read. Then',
  twoFullCrankTurnsBy: 'two full crank turns by hand',
  inTheRunningDirectionNever: 'in the running direction, never a hand near the chain, and read again.',
  lineAndWhatItShould: 'Line, and what it should read',
  right: 'right',
  differs: 'differs',
  stopHere: 'Stop here.'
})

export const BUILD_PAGE = texts({
  theUsualWay: 'The usual way',
  asTheCustomerChose: 'as the customer chose',
  asAdvised: 'as advised',
  asTheCallsHoldAdvise: 'as the calls hold; advise a path or let the customer choose to change it',
  buildUp: (usage: Shown) => t`build-up, ${usage}`,
  renewed: 'Renewed:',
  nothing: 'nothing',
  wayIn: 'Way in',
  chooseWhoIsAtThe: 'Choose who is at the bench: the name stands on each step.',
  of: (tasks: Shown, tasks2: Shown) => t`${tasks} of ${tasks2}`,
  setSoMarksAndCounts: (rotation: Shown) =>
    t`Set so: marks and counts. Turn only in the running direction, ${rotation} seen from here.`,
  batteryOffBeforeTheEngine:
    "Battery off before the engine can turn, plugs out; springs fly, eyes protected. The maker's manual is the authority for torques and order; local rules and qualified practice come first."
})

export const PROOF_PAGE = texts({
  traceOfIt: 'Trace of the running engine',
  traced: (cam: Shown, lag: Shown, file: Shown) => t`${cam}: ${lag}, from ${file}`,
  /** Between the date and the usage at which it is looked at again. */
  orAtNext: ', or at ',
  links: (shown: Shown) => t`${shown} links`,
  notRead: 'not read',
  notCounted: 'not counted',
  writeTheAtWhichIt: (unit: Shown, usage: Shown) => t`Write the ${unit} at which it is looked at, above ${usage}.`,
  nameADateOrThe: 'Name a date, or the usage.',
  aStopGapNeedsA: 'A stop-gap needs a date: it is no repair.',
  proof: (usage: Shown) => t`proof, ${usage}`,
  beforeAndAfter: 'Before and after',
  asFound: 'As found',
  shouldRead: 'Should read',
  afterTwoTurns: 'After two turns',
  running: 'Running',
  theRebuiltDriveFromWhat: 'The rebuilt drive, from what was read on it',
  nothingHasBeenReadOn:
    'Nothing has been read on it yet: marks, counts and extension are read at the build-up, deviations here.',
  camDeviationOfTheRunning: 'Cam deviation of the running engine',
  theBuildUpHoldsThe: 'The build-up holds the engine:',
  openDoNotStartIt: (open: number) => t`${open} ${plural(open, t`hold is`, t`holds are`)} open. Do not start it.`,
  lookedAtAgain: 'Looked at again',
  stopGap: 'Stop-gap: ',
  intoACalendar: 'Into a calendar',
  on: 'On',
  orAt: (unit: Shown) => t`Or at, ${unit}`,
  thisWasAStopGap: 'This was a stop-gap, no repair',
  whatToLookAt: 'What to look at',
  keep: 'Keep',
  closed: 'Closed',
  closeTheJob: 'Close the job'
})

export const HOURS_PANEL = texts({
  title: 'Hours taken',
  says: 'What each operation took, out and in again. Learnt from over your jobs.',
  onSheet: (hours: Shown) => t`${hours} h`,
  took: (operation: Shown) => t`Hours taken: ${operation}`,
  writeHours: 'Write hours from 0 to 200, or nothing.'
})
