import type { Shown } from '../../say'

/** Measuring on a photo. */
export const MEASURE = {
  title: (vehicle: Shown) => `Measure on a photo · ${vehicle} · Umbrette`,
  heading: 'Measure on a photo',
  back: 'Bench',
  plate: 'The photo: tap to put a point, drag it, nudge it with the arrow keys (Shift: further)',
  closer: 'Closer',
  farther: 'Farther',
  opening: 'Opening the photo …',
  noPhoto: 'This photo is not here: go back to the bench and choose one of the part.',
  cannotOpen: 'This browser cannot open the photo. Take it again as JPEG, or measure with a calliper.',
  looking: 'Looking for the scale card …',
  cardFound: (codes: number) =>
    codes === 4 ? 'Scale card found: all four of its codes.' : `Scale card found by ${codes} of its four codes.`,
  noCardSo: 'Without a card, tap two points whose distance you know.',
  ask: 'What is measured',
  askExtension: 'Extension, face to tip',
  askLength: 'A length',
  askCompare: 'Old chain beside new',
  points: 'Points',
  ends: {
    extension: ['Face of the housing', 'Tip of the plunger'],
    length: ['One end', 'Other end'],
    compare: ['Old: first pin', 'Old: last pin']
  },
  newEnds: ['New: first pin', 'New: last pin'],
  knownEnds: ['Known length: one end', 'Known length: other end'],
  tapNext: (label: Shown) => `Tap: ${label}`,
  allPut: 'All points are put. Drag one under the magnifier, or nudge it with the arrow keys.',
  linksBetween: 'Links from first to last pin',
  knownLength: (unit: Shown) => `Length between the two points, ${unit}`,
  behind: (unit: Shown) => `Card lies behind the part by, ${unit} (empty: not measured)`,
  printed: (unit: Shown) => `The card's 100 mm line as it is printed, ${unit}`,
  result: 'Result',
  notYet: 'Put every point.',
  longer: (value: Shown, unit: Shown) => `${value} ${unit} longer than new`,
  within: (value: Shown, unit: Shown) => `± ${value} ${unit}, 90 %`,
  camera: (distance: Shown, tilt: Shown) => `Camera about ${distance} away, tilted ${tilt}°.`,
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
  aid: 'A photo is an aid: where a limit decides, measure with the calliper as the maker says.'
}

/** The printed card. */
export const SCALE_CARD = {
  title: 'Scale card',
  lay: 'Lay it flat in the plane of what is measured, all four codes in the picture, in focus, without glare.',
  print: 'Print at 100 %, not to fit. Measure the line once for each printer: it should be 100 mm.',
  line: '100 mm'
}
