import { t, texts } from '../spoken'

/** Where in a drive sheet something stands, as a mechanic would say it and not as the file does. */

const LISTS: Readonly<Record<string, string>> = texts({
  sprockets: 'Sprocket',
  rails: 'Rail',
  tensioners: 'Tensioner',
  chains: 'Chain',
  phasers: 'Phaser',
  marks: 'Mark',
  limits: 'Limit',
  gears: 'Pair of gears',
  operations: 'Operation',
  parts: 'Part to buy',
  alwaysRenewed: 'What is always renewed',
  waysIn: 'Way in',
  torques: 'Torque',
  cautions: 'Caution',
  superseded: 'Older design',
  readings: 'Reading',
  acts: 'Entry',
  photos: 'Picture'
})

const FIELDS: Readonly<Record<string, string>> = texts({
  shoe: 'its curve',
  centre: 'where it stands',
  radius: 'radius',
  pivot: 'where it turns',
  side: 'inside or outside the loop',
  touches: 'does it touch a tight chain',
  axis: 'which way the plunger moves',
  seat: 'where the plunger sits',
  pad: 'the face that it pushes',
  point: 'a point on it',
  face: 'its direction',
  armRange: 'how far the arm reaches',
  stroke: 'stroke',
  ratchet: 'notches',
  first: 'the first',
  pitch: 'pitch',
  newExtension: 'extension with a new drive',
  gain: 'extension for each mm of slack',
  gainFrom: 'a second known point',
  gainVia: 'a third known point',
  railGain: 'what wear of a rail adds',
  counted: 'links not on sprockets',
  freeLinks: 'all round',
  tight: 'on the tight side',
  counts: 'link counts',
  links: 'links',
  path: 'what the chain meets, in order',
  driver: 'what drives it',
  teeth: 'teeth',
  name: 'name',
  id: 'id',
  note: 'note',
  value: 'value',
  unit: 'unit',
  source: 'where it comes from',
  at: 'clock position',
  sprocket: 'sprocket',
  chain: 'chain',
  rail: 'rail',
  tensioner: 'tensioner',
  arm: 'arm',
  limit: 'limit',
  rotation: 'which way the crank turns',
  engine: 'the engine',
  drive: 'the drive sheet',
  openedOn: 'the drive sheet it was opened on',
  usage: 'usage',
  school: 'school',
  format: 'what kind of file it is',
  version: 'version of the format',
  steps: 'steps',
  hours: 'hours',
  price: 'price',
  needs: 'what it needs',
  requires: 'what it requires',
  brings: 'what it brings',
  fits: 'what it fits'
})

/** One step of a place: a field, and which of a list. */
const STEP = /([\w-]+)(?:\[(\d+)\])?/g

/**
 * A place in words: `rails[0].shoe.centre` is "Tension-side guide: its curve, where it stands".
 * @param file what the place is in, where it is known: names stand in it
 */
export function sayPlace(place: string, file?: unknown): string {
  const said: string[] = []
  let at: unknown = file
  for (const [, field = '', index] of place.matchAll(STEP)) {
    at = inner(at, field)
    if (index === undefined) {
      said.push(FIELDS[field] ?? field)
      continue
    }
    at = inner(at, index)
    const called = inner(at, 'name') ?? inner(at, 'bolt')
    const list = LISTS[field] ?? FIELDS[field] ?? field
    said.push(typeof called === 'string' && called ? called.slice(0, 80) : t`${list} ${Number(index) + 1}`)
  }
  const [first = '', ...rest] = said
  return rest.length === 0 ? first : t`${first}: ${rest.join(', ')}`
}

function inner(of: unknown, name: string): unknown {
  return typeof of === 'object' && of !== null && Object.hasOwn(of, name)
    ? (of as Record<string, unknown>)[name]
    : undefined
}
