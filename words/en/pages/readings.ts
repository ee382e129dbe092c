import type { Shown } from '../../say'

const CAUSES: Readonly<Record<string, string>> = {
  'as new': 'As new',
  corrections: 'Skim, heat',
  stretch: 'Stretch',
  pad: 'Pad',
  unexplained: 'Unexplained'
}

/** What a reading says, and what of. */
export const READINGS = {
  crankDegrees: '° crank',
  noToothJumped: 'no tooth jumped',
  from: (least: number) => `${least} to `,
  moves: (value: number, usage: string, unit: string) => ` and ${value} more every ${usage} ${unit}`,
  gap: (length: string) => `gap of ${length} left`,
  notches: (notches: number) => `${notches} ${notches === 1 ? 'notch' : 'notches'}`,
  links: (links: Shown) => `${links} links`,
  over: (links: Shown, place: Shown | undefined) =>
    ` over ${links} links${place === undefined ? '' : `, place ${place}`}`,
  run: (from: Shown, to: Shown) => `${from} to ${to}`,
  /** The causes of a tensioner's extension. */
  causes: CAUSES
}

/** What is said of a finding in one line, and the choices behind it. */
export const FINDING_SAYS = {
  sensors: { intake: 'intake', exhaust: 'exhaust', crank: 'crank' },
  places: {
    pan: 'pan',
    pickup: 'oil pickup',
    filter: 'filter',
    cover: 'cover',
    sprocket: 'a sprocket',
    elsewhere: 'elsewhere'
  },
  cylinder: (cylinder: Shown) => `cyl. ${cylinder}`,
  bank: (bank: Shown) => `bank ${bank}`,
  speed: (speed: Shown) => `at ${speed} rpm`,
  temperature: (temperature: Shown) => `${temperature} °C`
}
