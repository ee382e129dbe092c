import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

const CAUSES: Readonly<Record<string, string>> = {
  'as new': 'As new',
  corrections: 'Skim, heat',
  stretch: 'Stretch',
  pad: 'Pad',
  unexplained: 'Unexplained'
}

/** What a reading says, and what of. */
export const READINGS = texts({
  crankDegrees: '° crank',
  noToothJumped: 'no tooth jumped',
  from: (least: number) => t`${least} to `,
  moves: (value: number, usage: string, unit: string) => t` and ${value} more every ${usage} ${unit}`,
  gap: (length: string) => t`gap of ${length} left`,
  notches: (notches: number) => t`${notches} ${plural(notches, t`notch`, t`notches`)}`,
  links: (links: Shown) => t`${links} links`,
  over: (links: Shown, place: Shown | undefined) =>
    t` over ${links} links${place === undefined ? '' : t`, place ${place}`}`,
  run: (from: Shown, to: Shown) => t`${from} to ${to}`,
  /** The causes of a tensioner's extension. */
  causes: CAUSES
})

/** What is said of a finding in one line, and the choices behind it. */
export const FINDING_SAYS = texts({
  sensors: { intake: 'intake', exhaust: 'exhaust', crank: 'crank' },
  places: {
    pan: 'pan',
    pickup: 'oil pickup',
    filter: 'filter',
    cover: 'cover',
    sprocket: 'a sprocket',
    elsewhere: 'elsewhere'
  },
  cylinder: (cylinder: Shown) => t`cyl. ${cylinder}`,
  bank: (bank: Shown) => t`bank ${bank}`,
  speed: (speed: Shown) => t`at ${speed} rpm`,
  temperature: (temperature: Shown) => t`${temperature} °C`
})
