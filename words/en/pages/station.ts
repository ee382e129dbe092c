import type { Shown } from '../../say'
import { t, texts, midSentence } from '../../spoken'

export const BEFORE_COVERS = texts({
  traceOfCrankAndCams: 'Trace of crank and cams',
  readATrace: 'Read a scope trace',
  traceIsWorth: 'Lag to a few tenths of a degree, with no cover off.',
  openIt: 'Open it',
  leaveItClosed: 'Leave it closed',
  measureFirst: 'Measure first',
  beforeTheCovers: 'Before the covers',
  whatIsWrongLiesBehind: (odds: Shown, quiet: Shown | null) =>
    t`Something behind the covers has to be mended: ${odds} likely.${quiet ? t` Harmless noise from there: ${quiet}.` : ''}`,
  looksThatTellMost: 'Looks that tell most',
  ofTheDoubtMin: (gain: Shown, minutes: Shown) => t`${gain} of the doubt, ${minutes} min`,
  tensionerThroughItsPlugOr: 'Tensioner through its plug or filler',
  read: (part: Shown) => t`Read ${part}`,
  hotOilAndCoolantWhen:
    'Hot oil and coolant when a plug is opened warm. Springs and lifters fly: eye protection, a rag over the hole. On a small single: compression dead centre, valves at rest, before the lifter comes out, or the chain jumps.'
})

export const COMPLAINT_SHEET = texts({
  listenToIt: 'Listen to a recording',
  whatIsItBroughtIn: 'What is it brought in for?',
  noComplaintWasWrittenDown: 'No complaint was written down.',
  openedBy: (usage: Shown, openedBy: Shown) => t`${usage}, opened by ${openedBy}`
})

export const SCAN_PANE = texts({
  theLogIsLargerThan: (shown: Shown) => t`The log is larger than ${shown} MB: cut it to a few minutes of warm idle.`,
  practiceSource: 'Practice source',
  samplesAtAWarmIdle: (name: Shown, samples: Shown) => t`${name}, ${samples} samples at a warm idle`,
  camDeviation: 'Cam deviation',
  camDeviationCommandedAgainstActual: 'Cam deviation, commanded against actual',
  readACsvLog: 'Read a CSV log',
  plugInThePracticeSource: 'Plug in the practice source',
  csvLog: 'CSV log',
  orTypeItIn: 'Or type it in:',
  ofSamplesAtAWarm: (used: Shown, all: Shown, coolant: Shown, rpm: Shown) =>
    t`${used} of ${all} samples at a warm idle (from ${coolant} °C, up to ${rpm} rpm).`,
  scatter: (scatter: Shown) => t`scatter ${scatter}°`,
  aCamThatScattersSo: 'A cam that scatters so much at a steady idle is loose on its phaser: read its play.',
  takeAsReadings: 'Take as readings'
})

export const SUSPECT_LIST = texts({
  suspects: 'Suspects',
  lookFirst: 'Look first',
  for: 'For',
  against: 'Against',
  nothingSaidYetBearsOn: 'Nothing said yet bears on it.',
  lookAt: (look: Shown) => t`Look at ${look}.`,
  likelier: (parts: readonly string[]) => t`Likelier ${midSentence(parts.join(t`, then `))}.`,
  theTable: 'The table',
  sharesOfTheWholeBy:
    'Shares of the whole, by a table of judgement, not of measurement. What was renewed before is not thereby good: new is not good, so it rules nothing out.'
})
