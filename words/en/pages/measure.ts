import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

/** Measuring on a photo. */
export const MEASURE = texts({
  title: (vehicle: Shown) => t`Measure on a photo · ${vehicle} · Umbrette`,
  heading: 'Measure on a photo',
  back: 'Bench',
  plate: 'The photo: tap to put a point, drag it, nudge it with the arrow keys (Shift: further)',
  closer: 'Closer',
  farther: 'Farther',
  opening: 'Opening the photo …',
  noPhoto: 'This photo is not here: go back to the bench and choose one of the part.',
  tooLarge: 'This photo is larger than 60 megapixels: take it at a smaller setting, or send a smaller copy.',
  cannotOpen: 'This browser cannot open the photo. Take it again as JPEG, or measure with a calliper.',
  looking: 'Looking for the scale card …',
  cardFound: (codes: number) =>
    codes === 4 ? t`Scale card found: all four of its codes.` : t`Scale card found by ${codes} of its four codes.`,
  noCardSo: 'Without a card, tap two points whose distance you know.',
  ask: 'What is measured',
  asks: {
    extension: 'Extension, face to tip',
    padWear: 'Wear of the pad',
    groove: 'Depth of a groove, at its cut end',
    compare: 'Old chain beside new',
    marks: 'A mark against its pointer',
    links: 'Links from mark to mark',
    length: 'A length'
  },
  points: 'Points',
  ends: {
    extension: ['Face of the housing', 'Tip of the plunger'],
    length: ['One end', 'Other end'],
    padWear: ['Unworn face of the pad', 'Deepest place of the wear'],
    groove: ['Face of the shoe beside the groove', 'Deepest place of the groove'],
    compare: ['Old: first pin', 'Old: last pin'],
    marks: ['Mark on the sprocket', 'Pointer'],
    links: []
  },
  newEnds: ['New: first pin', 'New: last pin'],
  rimPin: (n: number) => t`Pin ${n} of the chain on the sprocket`,
  knownEnds: ['Known length: one end', 'Known length: other end'],
  tapNext: (label: Shown) => t`Tap: ${label}`,
  allPut: 'All points are put. Drag one under the magnifier, or nudge it with the arrow keys.',
  linksBetween: 'Links from first to last pin',
  knownLength: (unit: Shown) => t`Length between the two points, ${unit}`,
  behind: (unit: Shown) => t`Card lies behind the part by, ${unit} (empty: not measured)`,
  printed: (unit: Shown) => t`The card's 100 mm line as it is printed, ${unit}`,
  result: 'Result',
  notYet: 'Put every point.',
  late: (degrees: Shown, isLate: boolean) => t`${degrees}° ${isLate ? t`late` : t`early`}, crank`,
  withinDegrees: (degrees: Shown) => t`± ${degrees}°, 90 %`,
  rimAll: 'Tap pins all round the sprocket that carries the mark, far apart: its rim gives scale and tilt.',
  drawn: { old: 'Old', fresh: 'New', limit: 'Limit' },
  compared: (links: number, limit: Shown) => t`Longer over ${links} links, against the limit of ${limit}`,
  longer: (value: Shown, unit: Shown) => t`${value} ${unit} longer than new`,
  within: (value: Shown, unit: Shown) => t`± ${value} ${unit}, 90 %`,
  camera: (distance: Shown, tilt: Shown) => t`Camera about ${distance} away, tilted ${tilt}°.`,
  limits: {
    taps: 'What limits it: the taps. Come closer, or set each point under the magnifier.',
    behind: 'What limits it: how far the card lies behind the part is not known. Measure it and say so.',
    camera: 'What limits it: the view. Lay the card closer to the part, or tilt the phone less.'
  },
  tiltLess: 'Tilt the phone less: look at the part squarely.',
  save: 'Save as reading',
  saved: 'Saved as a reading, with the photo and its points.',
  notSaved: 'This length is shown, not kept: choose what it is of.',
  whoFirst: 'Choose who is at the bench first.',
  cardPdf: 'Print the scale card',
  a6: 'A6',
  a5: 'A5',
  linksLine: 'Tap along the chain from mark to mark, on its pins: at the ends, and wherever it bends.',
  linksRun: 'Run',
  counting: 'Counting …',
  runFromTo: (from: Shown, to: Shown, links: number) => t`${from} to ${to} (new: ${links})`,
  linksCounted: (links: Shown) => t`${links} links`,
  linksSure: 'Each link has its tick: look along them once.',
  linksDoubt: 'There is a doubt: look at every tick, move wrong ones, and count the ends yourself.',
  linksMoved: 'Counted from the ticks as you left them.',
  linksChoose: 'Drag a tick to move it. Choose one to take it away or to put another after it.',
  tickAway: 'Take the tick away',
  tickAfter: 'Put a tick after it',
  tickOf: (n: number) => t`Link ${n}`,
  halfAtEnd: 'The end mark stands between two links: half a link more',
  startAgain: 'Draw the line again',
  linePoint: (n: number) => t`Point ${n} of the line`,
  aid: 'A photo is an aid: where a limit decides, measure with the calliper as the maker says.'
})

/** The printed card. */
export const SCALE_CARD = texts({
  title: 'Scale card',
  lay: 'Lay it flat in the plane of what is measured, all four codes in the picture, in focus, without glare.',
  print: 'Print at 100 %, not to fit. Measure the line once for each printer: it should be 100 mm.',
  line: '100 mm'
})
