import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const CALLS_PANE = texts({
  calls: 'Calls',
  whatHappensToEachPart: 'What happens to each part?',
  theEngineItselfStopWhile: 'The engine itself: stop, while something must be settled before it is started.',
  onTheBill: 'on the bill',
  notOnTheBill: 'not on the bill',
  partsAndSundries: 'Parts and sundries',
  comesWithIt: (brought: Shown) => t`Comes with it: ${brought}.`,
  noCallYetThatCounts: (open: number) =>
    t`${open} ${plural(open, t`part has`, t`parts have`)} no call yet: that counts as not judged.`,
  judging: 'Judging …',
  doneShowTheTruth: 'Done: show the truth'
})

export const INSPECTION_LIST = texts({
  n1Complaint: '1 Complaint',
  n2BeforeTheCovers: '2 Before the covers',
  n3SetToTheMark: '3 Set to the mark',
  n4Tension: '4 Tension',
  n5Rails: '5 Rails',
  n6Phasers: '6 Phasers',
  n7ChainOnTheBench: '7 Chain on the bench',
  inspections: 'Inspections',
  lookedAt: ', looked at'
})

export const PLATE_PICTURE = texts({
  closeUpToBeMoved: 'Close up, to be moved about',
  wipeTheChalk: 'Wipe the chalk',
  wholeDrive: 'Whole drive',
  closer: 'Closer'
})

export const SCORE_LINE = {
  scoresOfTheLastCases: (runs: Shown, score: Shown) => t`Scores of the last ${runs} cases, oldest first: ${score}`
}

export const SIGHT_PANE = texts({
  isNoWriteItLike: (text: Shown, notches: boolean) =>
    t`"${text}" is no ${notches ? t`number of notches: write it like 4` : t`figure: write it like 3.5`}.`,
  ofItsOwn: 'Of its own',
  whatComesOffStaysOff: '; what comes off stays off.',
  look: (inspection: Shown) => t`Look, ${inspection}`,
  whatIsSaidHeardAnd: 'What is said, heard and stored:',
  noNoiseNowNoCode: 'No noise now, no code, nothing renewed before.',
  stands: (asked: Shown) => t`${asked} · stands`,
  writeDown: 'Write down',
  whatYouSee: 'What you see',
  pieces: 'Pieces',
  lookAgain: (minutes: Shown) => t`Look again, ${minutes}`,
  writtenDownOf: (entered: Shown, part: Shown) => t`${entered} written down of ${part}`
})

export const SIGHT_PHOTO = texts({
  onAPhoto: 'On a photo',
  photoOf: (inspection: Shown) => t`Photo: ${inspection}`,
  findsTheCard: 'Looking for the card …',
  writeDown: (value: Shown, within: Shown) => t`Write down ${value} (${within})`
})

export const TELL_AS_CASE = texts({
  tellItAsAPractice: 'Tell it as a practice case',
  standsAmongThe: (title: Shown) => t`“${title}” stands among the`,
  casesOfTheWorkshop: 'cases of the workshop',
  whatWasReadBecomesThe:
    'What was read becomes the truth of an engine for others to judge. Vehicle, names and photos stay out: see that the complaint names nobody either.',
  title: 'Title',
  tellIt: 'Tell it'
})

export const TURN_BAR = texts({
  turnTheEngineByHand: 'Turn the engine by hand',
  holdToTurn: 'Hold to turn',
  onToTheCranksMark: "On to the crank's mark",
  n5Back: '5° back',
  back: 'Back …',
  againstItsRunningDirectionSlack:
    'Against its running direction slack goes to the wrong side, and on some engines the chain jumps. Overshot: go round again.'
})

export const TURNING_MAP = texts({
  frontCoverOnTheCams: 'Front cover on: the cams can be seen, the chain cannot.',
  coversOnOnlyTheCranks: "Covers on: only the crank's pulley can be seen.",
  theEngineOnTheStand: (covered: Shown) => t`The engine on the stand. ${covered}`,
  crankPastItsMark: (crank: Shown) => t`Crank ${crank}° past its mark.`
})

export const PRACTICE_WORDS = texts({
  min: (whole: Shown) => t`${whole} min`,
  notchesThatShow: 'Notches that show',
  late: (sprocket: Shown) => t`${sprocket}, + late`,
  ofCylinder: (asked: Shown, cylinder: Shown) => t`${asked}, cylinder ${cylinder}`
})

export const PRACTICE_CASE = texts({
  umbrette: (practice: Shown) => t`${practice} · Umbrette`,
  broughtInForALook: 'Brought in for a look at its timing drive.',
  allCases: 'All cases',
  whatIsShown: 'What is shown',
  whatYouSee: 'What you see',
  soFar: 'so far',
  aMadeUpEngine: 'A made-up engine',
  chooseWhatToLookAt:
    'Choose what to look at. Every look costs its minutes, and covers cost theirs once. What is seen is read like on an engine and written down by you. Then make the calls.',
  turnInTheRunningDirection: 'Turn in the running direction until the marks stand where they should.',
  onARealEngine: 'On a real engine:',
  batteryOffBeforeTheStarter:
    "battery off before the starter can turn, no hand near a chain that is turned, and the maker's manual decides.",
  chooseWhoIsPractisingAt: 'Choose who is practising, at the top, before the truth is shown.',
  makeTheCalls: 'Make the calls',
  lookAtMoreFirst: 'Look at more first'
})

export const PRACTICE = texts({
  practiceUmbrette: 'Practice · Umbrette',
  onePlainFault: 'One plain fault',
  oneFaultPerhapsATrap: 'One fault, perhaps a trap',
  oneOrTwoFaultsAnd: 'One or two faults and a trap',
  twoFaultsAndTraps: 'Two faults and traps',
  everythingTogether: 'Everything together',
  practiceStand: 'Practice stand',
  enginesThatDoNotExist:
    'Engines that do not exist, each with something wrong that nobody is told: look, read, judge, and see what it was. A mistake here costs nothing.',
  caseOfTheDay: 'Case of the day',
  levelTheSameForEverybody: (engine: Shown, level: Shown) => t`${engine}, level ${level}. The same for everybody.`,
  onceMore: 'Once more',
  begin: 'Begin',
  forYou: 'For you',
  itHoldsSomethingYouHave: 'It holds something you have missed before.',
  aNewCase: 'A new case',
  level: 'Level',
  any: 'Any',
  drawAnEngine: 'Draw an engine',
  byCodeOrFile: 'By code or file',
  caseCode: 'Case code',
  a37kq2md: 'A3-7KQ2MD',
  open: 'Open',
  file: 'File …',
  caseFile: 'Case file',
  begunOnThisDevice: 'Begun on this device',
  begun: 'Begun',
  aCaseOfTheWorkshop: 'A case of the workshop',
  moves: (moves: Shown) => t`${moves} moves`,
  howItWent: 'How it went',
  nothingFinishedYet: (known: boolean) =>
    t`Nothing finished yet${known ? '' : t`: choose who is practising, at the top`}.`,
  missedMost: 'Missed most',
  of: (missed: Shown, met: Shown) => t`${missed} of ${met}`,
  casesOfTheWorkshop: 'Cases of the workshop',
  isOffTheList: (title: Shown) => t`“${title}” is off the list.`,
  putItBack: 'Put it back',
  file2: 'File'
})

export const DEBRIEF_PAGE = texts({
  theTruthUmbrette: (practice: Shown) => t`${practice}, the truth · Umbrette`,
  minutes: 'Minutes',
  billNow: 'Bill now',
  whatItWillCostLater: 'What it will cost later',
  theTruth: (practice: Shown) => t`${practice}: the truth`,
  whatWasWrong: 'What was wrong',
  missed: 'missed',
  found: 'found',
  toldFromAJobOf: 'Told from a job of the workshop: its readings are the truth.',
  trap: (name: Shown) => t`Trap: ${name}`,
  walkedInto: 'walked into',
  seen: 'seen',
  toTakeAlong: 'To take along',
  calls: 'Calls',
  yours: 'Yours',
  right: 'Right',
  why: 'Why',
  notJudged: 'not judged',
  right2: 'right',
  rightButNothingRead: 'right, but nothing read',
  notSo: 'not so',
  whatEachEntryWasWorth: 'What each entry was worth',
  entry: 'Entry',
  written: 'Written',
  there: 'There',
  told: 'Told',
  stretchTo: (from: Shown, to: Shown) => t`stretch ±${from} to ±${to} %`,
  decided: (name: Shown) => t` decided ${name}`,
  score: 'Score',
  of100: 'of 100',
  money: 'Money',
  aCallCountsInFull:
    'A call counts in full where something was read that it rests on; money and minutes count as far as the calls are right.',
  againstTheBestPath: 'Against the best path',
  you: 'You',
  best: 'Best',
  whatTheSoftwareWouldHave: 'What the software would have read',
  share: 'Share',
  itsCode: 'Its code:',
  copied: 'Copied',
  copyTheCode: 'Copy the code',
  asAFile: 'As a file',
  onceMore: 'Once more',
  allCases: 'All cases'
})
