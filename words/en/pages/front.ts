import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

/** An engine's coordinates from a photo of its open front. */
export const FRONT = texts({
  title: (name: Shown) => t`${name} on a photo · Umbrette`,
  heading: 'Coordinates from a photo',
  back: 'Engine',
  take: 'Take or choose a photo of the open front',
  practice: 'Practice camera before',
  practiceChoose: 'Practice camera …',
  howTo: [
    'Crank at its setting marks, covers off, chain on.',
    'A scale card beside it in the plane of the chain makes it better; the sprockets alone are a scale too.',
    'Stand square before it, a step back, everything in the picture.'
  ],
  noPhoto: 'No photo yet. Take one of the open front, or try it with the practice camera.',
  chainIs: 'The chain on the photo',
  chainNew: 'new',
  chainRan: 'has run',
  parts: 'Parts on the photo',
  sprocket: (teeth: number, pitch: Shown) => t`${teeth} teeth, pitch ${pitch} mm`,
  tapRim: 'Tap pins of the chain on it, or where they would sit: three or more, far apart all round.',
  tapShoe: 'Tap pins of the chain that lie on its shoe: three or more, from end to end.',
  tapPivot: 'Tap the middle of the bolt or pin that it turns about.',
  tapPlunger:
    'Tap three points: the far end of the housing on the axis of the plunger, the face it comes out of, its tip.',
  tapMark: 'Tap the mark on it (where marks are set, their clock positions are taken from here).',
  stepNames: { rim: 'Pins', curve: 'Shoe', pivot: 'Pivot', plunger: 'Plunger', mark: 'Mark' },
  tapsOf: (put: number, least: number) => (put >= least ? t`${put} put` : t`${put} of ${least}`),
  tapName: (part: Shown, n: number) => t`${part}, point ${n}`,
  takeBack: 'Take one back',
  clear: 'Take all back',
  settled: 'How it settles',
  notYet: 'Tap the pins of two sprockets or more: the drawing settles over the photo.',
  closes: (chain: Shown, taken: Shown, links: number) => t`${chain}: ${taken} of ${links} links`,
  closesAlone: (seen: Shown) => t`(by the taps alone ${seen})`,
  farOff: 'That is far off: look for a pin tapped on a neighbour, or check teeth, pitch and links.',
  within: (mm: Shown) => t`Parts stand within ± ${mm} mm (90 %), the least certain of them.`,
  lacks: 'Still missing',
  lacksNone: 'Nothing: the sheet has all its coordinates.',
  lack: {
    rim: (part: Shown) => t`pins on ${part}`,
    curve: (part: Shown) => t`the curve of ${part}`,
    pivot: (part: Shown) => t`the pivot of ${part}`,
    plunger: (part: Shown) => t`the plunger of ${part}`
  },
  put: 'Put it into the sheet',
  putSays: 'The editor opens beside the photo; nothing is kept before you save the revision there.',
  stays: 'The photo and its points stay on this device.',
  noRoom: 'This browser has no room to keep the photo: it is lost when the page is left.',
  overlay: 'The sheet as it settled over the photo',
  again: 'Go back to the photo',
  another: 'Another photo'
})
