import type { Shown } from '../../say'
import { t, texts, midSentence, plural, known } from '../../spoken'

export const CLOSING_NOTE = texts({
  rightUp: (from: Shown, from2: Shown) => t`${from} right, ${from2} up`,
  closes: (name: Shown) => t`${name} closes:`,
  linksOf: (links: Shown) => t`links of ${links}.`,
  is: (name: Shown) => t`${name} is`,
  linksMmTheDriveAs: (mm: Shown, short: boolean) =>
    t`links (${mm} mm) ${short ? t`too short for` : t`too long for`} the drive as measured.`,
  theSmallestShiftThatCloses: 'The smallest shift that closes it, mm:',
  takeThisCorrection: 'Take this correction',
  noSmallShiftClosesIt:
    'No small shift closes it: check the links, the teeth and the path, or measure the centres again.'
})

export const COUNTS_FIELD = texts({
  layThePathFirst: 'Lay the path first.',
  together: 'Together',
  ofLinks: (links: Shown) => t`of ${links} links`
})

export const EDIT_SHEET = texts({
  chooseWhoIsAtThe: 'Choose who is at the bench first: the name stands on the revision.',
  driveSheet: 'Drive sheet',
  workedOnFromRevisionKept: (basedOn: Shown) =>
    t`Worked on from revision ${basedOn}. Kept on this device until it is saved; jobs keep the revision they were measured with.`,
  whatChangedAndWhy: 'What changed, and why',
  saveRevision: (basedOn: Shown) => t`Save revision ${basedOn}`,
  saveAsACopy: 'Save as a copy',
  leave: 'Leave',
  revisionWasSavedSinceYour: (newest: Shown) =>
    t`Revision ${newest} was saved since. Your work is kept: save it as a copy, or`,
  giveItUpAndStart: (newest: Shown) => t`give it up and start from revision ${newest}`,
  changedOnThisDeviceNot: 'Changed on this device, not saved.',
  giveTheChangesUp: 'Give the changes up'
})

export const ENTRY_LIST_EDITOR = texts({
  placeUpAndDownArrow: (i: Shown, i2: Shown) => t`${i}, place ${i2}: up and down arrow move it`,
  faults: (i: Shown) => t`${i} faults`,
  remove: (i: Shown) => t`Remove ${i}`,
  withCoordinates: 'With coordinates',
  add: (one: string) => (/^[aeio]/.test(one) ? t`Add an ${one}` : t`Add a ${one}`)
})

export const IMPORT_SHEET = texts({
  chooseWhoIsAtThe: 'Choose who is at the bench first: the name stands on the revision.',
  theFileIsLargerThan: (shown: Shown) => t`The file is larger than ${shown} kB: it is no drive sheet.`,
  from: (name: Shown) => t`From ${name}`,
  thatIsNotJsonSend: 'That is not JSON: send a whole, unbroken file.',
  importASheet: 'Import a sheet',
  driveSheetToImport: 'Drive sheet to import'
})

export const PATH_FIELD = {
  placeLeftAndRightArrow: (id: Shown, i: Shown) => t`${id}, place ${i}: left and right arrow move it`,
  takeOffThePath: (id: Shown) => t`Take ${id} off the path`
}

export const REFERENCES_FIELD = texts({
  noneYet: 'none yet'
})

export const SHEET_EDITOR = texts({
  sectionsOfTheSheet: 'Sections of the sheet',
  faults: (count: number) => t`${count} ${plural(count, t`fault`, t`faults`)}`,
  undo: 'Undo',
  redo: 'Redo',
  theDriveSoFar: 'The drive so far',
  beforeItCanBeKept: (count: number) => t`${plural(count, t`One fault`, t`${count} faults`)} before it can be kept`,
  sheet: 'sheet',
  soundItCanBeUsed: 'Sound: it can be used.',
  leftOpen: 'Left open:'
})

export const SHEET_FIELD = texts({
  none: 'none',
  least: 'least',
  driving: 'driving',
  greatest: 'greatest',
  driven: 'driven',
  oneAnother: 'one, another'
})

export const SHEET_FIGURES = texts({
  extension: 'Extension',
  play: 'Play',
  everyCam: 'every cam',
  linksOf: (name: Shown, links: Shown, pitch: Shown, type: Shown) => t`${name}: ${links} links of ${pitch}, ${type}`,
  links: (links: Shown) => t`${links} links`,
  notOnSprockets: 'Not on sprockets',
  links2: (freeLinks: Shown) => t`${freeLinks} links`,
  tightSideToTheDriver: (cam: Shown) => t`Tight side, ${cam} to the driver`,
  sprocketsAndMarks: 'Sprockets and marks',
  sprocket: 'Sprocket',
  teeth: 'Teeth',
  markAt: 'Mark at',
  tensioners: 'Tensioners',
  tensioner: 'Tensioner',
  firstNotchPitch: 'First notch, pitch',
  limitsAndWhereTheyCome: 'Limits and where they come from'
})

export const SHEET_MAP = texts({
  asNew: (name: Shown) => t`${name} as new`,
  theDrive: 'The drive',
  countedWithoutCoordinatesNothingTo: 'Counted, without coordinates: nothing to draw yet. It measures all the same.',
  theDriveIsDrawnAs: 'The drive is drawn as soon as the sheet is sound.',
  asItWasBeforeThe: 'As it was before the faults named.'
})

export const SHEET_WORK = texts({
  /** Between the steps of a torque. */
  then: ', then ',
  operations: 'Operations',
  operation: 'Operation',
  comesAfter: 'Comes after',
  partsLabourAnHour: (hourRate: Shown, currency: Shown) => t`Parts (labour ${hourRate} ${currency} an hour)`,
  price: 'Price',
  for: (fits: Shown) => t`for ${fits}`,
  torques: 'Torques',
  stretchBoltRenewedEachTime: 'stretch bolt, renewed each time',
  leftHandThread: 'left-hand thread'
})

export const STEPS_FIELD = texts({
  step: (i: Shown) => t`Step ${i}`,
  unitOfStep: (i: Shown) => t`Unit of step ${i}`,
  degrees: 'degrees',
  takeOff: 'Take off',
  addAStep: 'Add a step'
})

export const ANSWERS = texts({
  camNames: ['Intake cam', 'Exhaust cam', 'Third cam', 'Fourth cam'] as readonly string[]
})

export const MARK_PICKER = {
  at: (time: Shown) => t`at ${time}`
}

export const SLUG = {
  copy: (name: Shown, number: number | null) => t`${name} (copy${number === null ? '' : t` ${number}`})`
}

export const EDIT_PAGE = texts({
  driveSheetUmbrette: 'Drive sheet · Umbrette',
  openingTheSheet: 'Opening the sheet …'
})

/** What sheets say of an engine by habit. */
const ENGINE_KINDS = texts<Readonly<Record<string, string>>>({
  inline: 'inline',
  flat: 'flat',
  single: 'single',
  petrol: 'petrol',
  diesel: 'diesel'
})

const kindOf = (word: string) => (Object.hasOwn(ENGINE_KINDS, word) ? ENGINE_KINDS[word]! : word)

export const ENGINE_PAGE = texts({
  fromAPhoto: 'Coordinates from a photo',
  linksOf: (name: Shown, links: Shown, links2: Shown) => t`${name} ${links} links of ${links2}`,
  umbrette: (engine: Shown) => t`${engine} · Umbrette`,
  cylindersCrankTurns: (
    {
      cylinders,
      layout,
      fuel,
      interference
    }: { cylinders: number; layout: string; fuel: string; interference: boolean },
    rotation: Shown
  ) =>
    t`${cylinders} cylinders, ${kindOf(layout)}, ${kindOf(fuel)}; ${interference ? t`interference: valves can meet pistons` : t`valves clear of the pistons`}. Crank turns ${known(String(rotation))}.`,
  export: 'Export',
  editOrCopy: 'Edit or copy',
  thisIsRevision: (revision: Shown) => t`This is revision ${revision}.`,
  seeTheNewest: (newest: Shown) => t`See the newest, ${newest}`,
  thisEngineWasTakenOff: 'This engine was taken off the list; jobs keep it.',
  asNew: (closes: Shown) => t`As new: ${closes}.`,
  whatItLeavesOpen: 'What it leaves open',
  revisions: 'Revisions',
  theMakersManualForThis: (note: Shown = '') =>
    t`The maker's manual for this engine is the authority for every figure; local rules and qualified practice come first. ${note}`
})

export const ENGINES = texts({
  enginesUmbrette: 'Engines · Umbrette',
  removedEngines: 'Removed engines',
  searchEngines: 'Search engines',
  searchByName: 'Search by name',
  bringYourOwnEngine: 'Bring your own engine',
  takenOffTheListJobs: (name: Shown) => t`${name}: taken off the list. Jobs keep theirs.`,
  drawn: 'Drawn',
  counted: 'Counted',
  revision: (revision: Shown, savedBy: Shown) => t`Revision ${revision}, ${savedBy},`,
  job: 'job',
  jobs: 'jobs',
  putBack: 'Put back',
  noEngineHasAName: 'No engine has a name like that. Bring your own: it takes five minutes.',
  noEngineWasRemoved: 'No engine was removed.',
  noEngineYetBringYour: 'No engine yet. Bring your own: it takes five minutes.',
  backToTheEngines: 'Back to the engines'
})

export const NEW_ENGINE = texts({
  camNames: ANSWERS.camNames,
  crank: 'Crank',
  driver: 'Driver',
  /**
   * From one sprocket to the next, those by their names that have any; the driver is before the first and after the
   * last.
   */
  run: (i: number, driven: readonly string[], driver: string) =>
    t`${i === 0 ? driver : driven[i - 1] || t`sprocket ${i}`} to ${midSentence(driven[i] ?? driver) || t`sprocket ${i + 1}`}`,
  bringYourOwnEngineUmbrette: 'Bring your own engine · Umbrette',
  chooseWhoIsAtThe: 'Choose who is at the bench first: the name stands on the sheet.',
  fromCounts: 'From counts',
  bringYourOwnEngine: 'Bring your own engine',
  whatCanBeCountedAt:
    "What can be counted at the stand and looked up in the maker's manual is enough to measure with. Coordinates, operations and prices can be added later.",
  theEngine: 'The engine',
  cylinders: 'Cylinders',
  fuel: 'Fuel',
  crankTurnsSeenFromThe: 'Crank turns, seen from the chain',
  clockwise: 'clockwise',
  anticlockwise: 'anticlockwise',
  canValvesMeetPistons: 'Can valves meet pistons?',
  yesOrNotKnown: 'yes, or not known',
  no: 'no',
  layout: 'Cylinders stand',
  layouts: [
    { value: 'inline', label: 'in line' },
    { value: 'V', label: 'in a V' },
    { value: 'flat', label: 'flat' },
    { value: 'single', label: 'single' }
  ] as const,
  theChain: 'The chain',
  chainNumber: (number: Shown) => t`Chain ${number}`,
  addAChain: 'Add another chain',
  removeChain: 'Take this chain off',
  drivenBy: 'Driven by',
  byTheCrank: 'the crank, by a row of its own',
  byShaftOf: (sprocket: Shown, chain: Shown) => t`the shaft of ${sprocket}, chain ${chain}`,
  chainType: 'What the chain is like, from the side',
  chainTypes: [
    { value: 'bush', label: 'bushes' },
    { value: 'roller', label: 'rollers' },
    { value: 'inverted-tooth', label: 'toothed plates' }
  ] as const,
  teethDriver: 'Teeth, driver',
  teethOf: (sprocket: Shown) => t`Teeth, ${sprocket}`,
  drivenOnThisChain: 'Sprockets it drives',
  drivenFromTheSlackSide: (i: Shown) => t`Sprocket ${i}, from the slack side`,
  itIs: (sprocket: Shown) => t`${sprocket} turns`,
  uses: [
    { value: 'cam', label: 'a cam' },
    { value: 'shaft', label: 'a shaft between' }
  ] as const,
  bankOfCams: 'Bank of its cams',
  banks: [
    { value: '1', label: '1' },
    { value: '2', label: '2' }
  ] as const,
  markOf: (sprocket: Shown) => t`Mark, ${sprocket}`,
  tensionerWorks: 'Its tensioner works',
  places: [
    { value: 'slack', label: 'on the slack side' },
    { value: 'between', label: 'between the strands' },
    { value: 'none', label: 'there is none' }
  ] as const,
  limits: 'Limits',
  countsAt: (chain: Shown, counted: Shown, links: Shown) => t`${chain}: ${counted} of ${links} links counted.`,
  pitch: 'Pitch',
  links: 'Links',
  teethCrankSprocket: 'Teeth, crank sprocket',
  teethEachCam: 'Teeth, each cam',
  wholeLinksFromMarkTo: 'Whole links from mark to mark, in the direction of travel, slack side first',
  togetherOfLinks: (counted: Shown, links: Shown) => t`Together ${counted} of ${links} links`,
  extensionNewDrive: 'Extension, new drive',
  extensionAtTheLimit: 'Extension at the limit',
  elongationLimit: 'Elongation limit',
  firstNotchAtIfAny: 'First notch at, if any',
  notchToNotch: 'Notch to notch',
  lagLimitIfKnown: 'Lag limit, if known',
  crank2: '° crank',
  grooveLimitIfKnown: 'Groove limit, if known',
  whereTheLimitsComeFrom: 'Where the limits come from (manual, edition, page)',
  whatItSaysSoFar: 'What it says so far',
  withThisSheet: 'With this sheet',
  whatTheDriveShowsAt: 'What the drive shows at an elongation',
  extension: 'Extension',
  lag: 'Lag',
  mm: (extension: Shown) => t`${extension} mm`,
  checkOneOfThemAgainst: 'Check one of them against what the manual says.',
  whatTheDriveShowsAt2: 'What the drive shows at its limit stands here as soon as the figures allow it.',
  leftOpenForLater: 'Left open for later',
  notYetWhatIsMissing: 'Not yet: what is missing or wrong is named at its field.',
  keepThisEngine: 'Keep this engine',
  whatIsTypedStaysOn:
    "What is typed stays on this device until it is kept. The maker's manual is the authority for every figure."
})

export const SHEET_FORM = texts({
  triggers: 'Trigger wheels',
  whatATraceIsReadBy:
    'What a trace of crank and cams is read by; optional. Crank degrees from the setting point in the running direction, of a new drive.',
  wheelTeeth: 'Crank wheel: teeth, the missing ones counted',
  wheelMissing: 'Missing at its gap',
  wheelFirst: 'First tooth after the gap',
  crankDegrees: 'crank degrees',
  wheelSensor: 'Sensor',
  hall: 'Hall',
  inductive: 'inductive',
  wheelCams: 'Where each cam signal is high, 0 to 720',
  stretchesLike: '30-120, 200-250',
  stretchesDrawn: 'The crank wheel with its gap at the left, and each cam over the cycle',
  shiftedBy: 'Shifted by a plunger between two strands',
  slidesStraight: 'Slides straight (its pivot is far off and no part)',
  stopGaps: 'Stop-gaps',
  stopGap: 'stop-gap',
  holdsFor: 'Looked at again after so much usage',
  orMonths: 'And after so many months',
  least: 'And at least',
  leastSays: 'Of a limit that goes both ways: its lower end.',
  perValue: 'Moves by',
  perSays: 'A limit that moves: so much more for every so much usage.',
  perUsage: 'For every usage of',
  perUnit: 'In',
  perMost: 'Up to',
  valves: 'Its cam opens',
  turns: 'Turns',
  aCamshaft: 'a camshaft',
  offsetKey: 'Offset key or dowel, if it may have one',
  offsetKeySays: 'How far it turns the sprocket on its shaft. Which way round it sits is asked at the bench.',
  tipRadius: 'Radius to the tips of its teeth',
  tipRadiusSays: 'Empty: pitch radius and a third of the pitch.',
  beside: 'Beside the chain',
  besideOne: 'part beside the chain',
  liesAt: 'Lies at, or is the shaft of',
  paintCondemns: 'Burnt-off paint condemns it, by',
  paintCondemnsSays: 'Who says so. Empty: it only asks for a length.',
  freeExtension: 'Stands out by itself when removed',
  visibleSign: 'Known by',
  itsNumbers: 'Its part numbers',
  limit: 'Limit',
  limitFrom: 'Limit from',
  whichEngineThisIs: 'Which engine this is.',
  cylinders: 'Cylinders',
  layout: 'Layout',
  fuel: 'Fuel',
  crankTurnsSeenFromThe: 'Crank turns, seen from the chain end',
  valvesCanMeetPistonsInterference: 'Valves can meet pistons (interference engine)',
  note: 'Note',
  sprockets: 'Sprockets',
  teethAndWhereTheyStand:
    'Teeth, and where they stand. Centres are in mm, x to the right and y up, seen from the chain end; leave all of them empty for a counted sheet.',
  sprocket: 'sprocket',
  teeth: 'Teeth',
  bank: 'Bank',
  shaftWhereTwoShareOne: 'Shaft, where two share one',
  drivenBy: 'Driven by',
  insideOfTheChain: 'inside of the chain',
  itsBack: 'its back',
  centre: 'Centre',
  gearPairs: 'Gear pairs',
  gearPair: 'gear pair',
  drivenFrom: 'Driven from',
  drives: 'Drives',
  teethDrivingAndDriven: 'Teeth, driving and driven',
  rails: 'Rails',
  guidesStandStillAnArm:
    'Guides stand still, an arm is pushed by the tensioner, a bridge stands clear of a tight chain.',
  rail: 'rail',
  kind: 'Kind',
  stands: 'Stands',
  outsideTheLoop: 'outside the loop',
  inside: 'inside',
  touchesATightChain: 'Touches a tight chain',
  centreOfTheShoesCurve: "Centre of the shoe's curve",
  radiusOfTheChainsPitch: "Radius of the chain's pitch line on it",
  pivotOfAnArm: 'Pivot of an arm',
  chains: 'Chains',
  pitchAndLinksTheWay: 'Pitch and links, the way the chain runs, and the links between the marks.',
  chain: 'chain',
  pitch: 'Pitch',
  links: 'Links',
  type: 'Type',
  strands: 'Strands',
  whatTheChainMeetsIn: 'What the chain meets, in its direction of travel from the driver on',
  linksFromMarkToMark: 'Links from mark to mark',
  linksNotOnSprockets: 'Links not on sprockets',
  forACountedSheet: 'For a counted sheet.',
  ofThoseOnTheTight: 'Of those on the tight side, from each cam to the driver',
  tensioners: 'Tensioners',
  strokeNotchesAndHowFar: 'Stroke, notches and how far it stands out when new.',
  tensioner: 'tensioner',
  tensions: 'Tensions',
  pushes: 'Pushes',
  firstNotchShowsAt: 'First notch shows at',
  notchToNotch: 'Notch to notch',
  extensionOfANewDrive: 'Extension of a new drive',
  secondPointElongationAFraction: 'Second point: elongation, a fraction',
  secondPointExtension: 'Second point: extension',
  orMmOutPerMm: 'Or: mm out per mm of slack',
  mmOutPerMmOf: 'mm out per mm of wear, by rail',
  plungerTipFullyRetracted: 'Plunger tip, fully retracted',
  plungerMovesTowards: 'Plunger moves towards',
  aPointOfTheArms: "A point of the arm's contact face",
  theFaceRunsTowards: 'The face runs towards',
  leastAndGreatestArmAngle: 'Least and greatest arm angle',
  marksPhasers: 'Marks, phasers',
  whereTheMarksStandAt: 'Where the marks stand at the setting point, 12:00 up, and the phasers on their sprockets.',
  marks: 'Marks',
  mark: 'mark',
  on: 'On',
  clockPosition: 'Clock position',
  phasers: 'Phasers',
  phaser: 'phaser',
  lockedAtRest: 'Locked at rest',
  range: 'Range',
  playLimit: 'Play limit',
  limits: 'Limits',
  eachWithWhereItComes: 'Each with where it comes from: a part without a limit is never passed silently.',
  limit2: 'limit',
  of: 'Of',
  unit: 'Unit',
  from: 'From',
  chain2: 'Chain',
  rail2: 'Rail',
  tensioner2: 'Tensioner',
  camEmptyEveryCam: 'Cam (empty: every cam)',
  operationsParts: 'Operations, parts',
  whatItTakesToGet:
    'What it takes to get there and what it costs. An operation is paid once however many parts need it.',
  currency: 'Currency',
  labourAnHour: 'Labour, an hour',
  partNumber: 'Part number',
  supplier: 'Supplier',
  stock: 'Where it is, or how long it takes',
  operations: 'Operations',
  operation: 'operation',
  hoursOfItsOwn: 'Hours of its own',
  comesAfter: 'Comes after',
  usesUp: 'Uses up',
  toolsThatMakeOrBreak: 'Tools that make or break it',
  part: 'part',
  takesThePlaceOf: 'Takes the place of',
  price: 'Price',
  hoursOnceReached: 'Hours once reached',
  reachedBy: 'Reached by',
  comesWith: 'Comes with',
  alwaysRenewed: 'Always renewed',
  item: 'item',
  howMany: 'How many',
  otherWaysIn: 'Other ways in',
  wayIn: 'way in',
  partsReachedAnotherWayAnd: 'Parts reached another way, and by what',
  torquesCautions: 'Torques, cautions',
  howBoltsAreTightenedIn:
    "How bolts are tightened, in steps, and what is said before it can go wrong. The maker's manual is the authority.",
  torques: 'Torques',
  torque: 'torque',
  bolt: 'Bolt',
  at: 'At',
  steps: 'Steps',
  stretchBoltRenewedEachTime: 'Stretch bolt: renewed each time',
  leftHandThread: 'Left-hand thread',
  cautions: 'Cautions',
  caution: 'caution',
  standsAt: 'Stands at',
  says: 'Says',
  supersededDesigns: 'Superseded designs',
  design: 'design',
  oldDesign: 'Old design',
  renewedOnSight: 'Renewed on sight',
  source: 'Source'
})
