import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

/** What the bench shows at times: apart, as it is loaded then. */

export const ABOUT_PART = texts({
  knownBy: (sign: string, numbers: readonly string[]) =>
    t`Known by ${[sign, numbers.length > 0 ? t`its number: ${numbers.join(', ')}` : ''].filter(Boolean).join(t`, or `)}.`,
  isSuperseded: (design: Shown) => t`That is a superseded design (${design}): it is noted as found with it.`,
  writeTheAtWhichIt: (unit: Shown, usage: Shown) => t`Write the ${unit} at which it was fitted, from 0 to ${usage}.`,
  superseded: (design: Shown, onSight: boolean, source: Shown) =>
    t`Superseded: ${design}. ${onSight ? t`Renewed on sight` : t`Its readings decide`} (${source}).`,
  designOrPartMark: 'Design or part mark',
  make: 'Make',
  fittedAtEmptyCameWith: (unit: Shown) => t`Fitted at, ${unit} (empty: came with the engine)`,
  aPartRenewedBeforeIs: 'A part renewed before is not thereby good: what was done earlier rules nothing out.'
})

export const ENGINE_FACTS = texts({
  aSkimIsANumber: 'A skim is a number up to 5 mm.',
  anOffsetKeyIsA: 'An offset key is a number of crank degrees, minus for early, up to 30.',
  theTemperatureIsANumber: 'The temperature is a number of °C.',
  asLargeAsWearSo:
    'As large as wear, so asked once. What is left empty counts as told: not machined, no key, as cold as the workshop.',
  headOrBlockFaceSkimmed: (bank: Shown | null, unit: Shown) =>
    t`Head or block face skimmed, ${bank === null ? '' : t`bank ${bank}, `}${unit}`,
  offsetKeyAtCrankDegrees: (id: Shown) => t`Offset key at ${id}, crank degrees (minus: early)`,
  engineTemperatureWhenReadC: 'Engine temperature when read, °C',
  block: 'Block',
  aluminium: 'aluminium',
  iron: 'iron'
})

export const FRAGMENT_LEDGER = texts({
  missingFrom: (pieces: Shown, target: Shown) => t`${pieces} missing from ${target}`,
  accountedFor: (pieces: Shown, found: boolean) => t`${pieces} ${found ? t`found` : t`accepted in writing`}`,
  writeWhereItWasFound: 'Write where it was found.',
  writeWhyItMayStay: 'Write why it may stay: this stands under your name.',
  fragmentLedger: 'Fragment ledger',
  noPieceIsMissingAs: 'No piece is missing, as far as has been noted on the rails.',
  ofNotAccountedForThe: (missing: number) =>
    t`of ${missing} ${plural(missing, t`piece is`, t`pieces are`)} not accounted for. The engine is not closed.`,
  allAccountedFor: (missing: Shown) => t`All ${missing} accounted for.`,
  onePieceFewer: 'One piece fewer',
  onePieceMore: 'One piece more',
  whereFoundOrWhyAccepted: 'Where found, or why accepted',
  found: 'Found',
  acceptedInWriting: 'Accepted in writing',
  aPieceLeftBehindTurns:
    'A piece left behind turns up in the pickup or a sprocket. Look in pan, pickup, and behind the crank sprocket.'
})

export const KEY_PAD = texts({
  keypad: 'Keypad',
  deleteLastDigit: 'Delete last digit',
  decimalPoint: 'Decimal point'
})

export const LAG_HELPER = texts({
  openingFound: 'Opening, found',
  openingShould: 'Opening, should',
  closingFound: 'Closing, found',
  closingShould: 'Closing, should',
  enteredAs: 'Entered as',
  crankDegrees: 'crank degrees',
  camDegrees: 'cam degrees',
  clockPosition: 'clock position',
  valveLift: 'valve lift',
  clockPositionOfTheMark: 'Clock position of the mark',
  camDegreesMinusForEarly: 'Cam degrees, minus for early',
  crankAngleAtTheSame: 'Crank angle at the same small lift, on both flanks of the lobe.',
  theFlanksDifferByThe: (flanks: Shown) => t` The flanks differ by ${flanks}°: the lobe's wear.`,
  fillInAbove: 'Fill in above',
  use: (lag: Shown) => t`Use ${lag}`
})

export const PHOTO_PANE = texts({
  thePictureIsLargerThan: (shown: Shown) =>
    t`The picture is larger than ${shown} MB: set the camera to a smaller size and take it again.`,
  thisBrowserHasNoRoom: 'This browser has no room to keep the picture: free some, or send one that is smaller.',
  measure: 'Measure on it',
  practiceCamera: 'Hold the practice camera over it',
  practiceFront: 'Hold it before the open front',
  practiceNote: 'Practice camera',
  findingSeen: 'Finding that is seen on it',
  noneOfThem: 'None of them',
  whatItShows: 'What it shows',
  sending: 'Sending …',
  takeOrChooseAPhoto: 'Take or choose a photo',
  photoOfThisPart: 'Photo of this part',
  jpegPngOrWebpUp: (shown: Shown) =>
    t`JPEG, PNG or WebP up to ${shown} MB. Turned upright; what the camera wrote into it, the place too, is left out.`,
  onThisDevice: (waiting: number) => t`${waiting} ${plural(waiting, t`photo waits`, t`photos wait`)} on this device.`,
  sendNow: 'Send now',
  noPhotoOfItYet: 'No photo of it yet.'
})

export const PLUG_VIEW = texts({
  ofAtMostNotchesShowing: (shownNotches: Shown, most: Shown, shownNotches2: Shown) =>
    t`${shownNotches} of at most ${most} notches showing, about ${shownNotches2} out`,
  edgeOfTheBody: 'edge of the body',
  oneNotchFewer: 'One notch fewer',
  oneNotchMore: 'One notch more'
})

export const SHEET_MOVE = texts({
  chooseWhoIsAtThe: 'Choose who is at the bench first.',
  newerSheet: 'Newer sheet',
  fromRevisionTo: (sheetRevision: Shown | null, newest: Shown) => t`From revision ${sheetRevision} to ${newest}`,
  aNewerSheet: 'A newer sheet',
  whatChangesInTheSheet: 'What changes in the sheet',
  inTheSheet: 'In the sheet',
  was: 'Was',
  becomes: 'Becomes',
  theJobCannotMoveAs: 'The job cannot move as it is. The newer sheet',
  elongation: (name: Shown) => t`${name}: elongation`,
  becomes2: 'becomes',
  becomes3: (was: Shown, is: Shown) => t`: ${was} becomes ${is}.`,
  noCallChanges: 'No call changes.',
  judgingTheReadingsUnderThe: 'Judging the readings under the newer sheet …',
  moveTheJobToIt: 'Move the job to it',
  stayWithRevision: (sheetRevision: Shown | null) => t`Stay with revision ${sheetRevision}`
})

export const SHORTCUT_SHEET = texts({
  oneToSeven: '1 to 7',
  goToThatStation: 'go to that station',
  verdict: 'verdict',
  saveTheFigure: 'save the figure and go on',
  leaveAField: 'leave a field, so that keys work',
  theReadingWorthTakingNext: 'the reading worth taking next',
  takeBackTheLastEntry: 'take back the last entry',
  findingsOfThePart: 'findings of the part',
  photosOfThePart: 'photos of the part',
  whileCountingALinkOne: 'while counting: a link, one back, a half',
  enter: 'Enter',
  esc: 'Esc',
  thisSheet: 'this sheet',
  keys: 'Keys',
  close: 'Close'
})

export const FINDING_FORM = texts({
  figure: (unit: Shown) => (unit ? t`Figure, ${unit}` : t`Figure`),
  usageThen: (unit: Shown) => t`Renewed at which usage, ${unit}`,
  cylinder: 'Cylinder',
  bank: 'Bank',
  sensor: 'Of which cam',
  speed: 'Engine speed when it was stored, rpm',
  temperature: 'Engine temperature when it was stored, °C',
  where: 'Where',
  note: 'Note',
  writeAFigure: (least: Shown, greatest: Shown, unit: Shown) => t`Write a figure from ${least} to ${greatest} ${unit}.`,
  chooseACylinder: 'Choose the cylinder.'
})
