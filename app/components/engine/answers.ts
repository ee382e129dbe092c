import { told } from '../../../words/problems'
import { COUNTED_NAMES, ANSWERS } from '../../../words/en'
import {
  type Fault,
  flag,
  listOf,
  needed,
  num,
  oneOf,
  schemaFaults,
  shape,
  text,
  whole,
  words
} from '../../../core/check'
import { type CountedAnswers, type DriveSheet, sheetFromCounts } from '../../../core/sheet'
import { sheetFaults } from '../../../core/drive'
import { numberOf } from '../bench/draft'
import { slug } from './slug'

/** What was typed of an engine's counts, as it was typed. */
export interface TypedAnswers {
  name: string
  rotation: 'clockwise' | 'anticlockwise'
  cylinders: string
  layout: string
  interference: boolean
  fuel: string
  pitch: string
  links: string
  chainType: string
  crankTeeth: string
  camTeeth: string
  camNames: string[]
  counts: string[]
  stroke: string
  tensionerType: string
  newExtension: string
  limitExtension: string
  notchFirst: string
  notchPitch: string
  elongationLimit: string
  lagLimit: string
  grooveLimit: string
  source: string
}

export const FIRST_ANSWERS: TypedAnswers = {
  name: '',
  rotation: 'clockwise',
  cylinders: '4',
  layout: 'inline',
  interference: true,
  fuel: 'petrol',
  pitch: '8',
  links: '',
  chainType: 'bush',
  crankTeeth: '',
  camTeeth: '',
  camNames: [ANSWERS.intakeCam],
  counts: ['', ''],
  stroke: '',
  tensionerType: 'hydraulic-ratchet',
  newExtension: '',
  limitExtension: '',
  notchFirst: '',
  notchPitch: '',
  elongationLimit: '',
  lagLimit: '',
  grooveLimit: '',
  source: ''
}

const schema = shape({
  id: text(64),
  name: words(120, told('engine-name')),
  rotation: oneOf('clockwise', 'anticlockwise').required(needed),
  cylinders: whole(1, 64).required(needed),
  layout: words(40),
  interference: flag().required(needed),
  fuel: words(40),
  pitch: num(1, 100).required(needed),
  links: whole(8, 2000).required(needed),
  chainType: words(60),
  crankTeeth: whole(6, 400).required(needed),
  cams: listOf(shape({ name: words(120), teeth: whole(6, 400).required(needed) }).required(needed), 8).required(needed),
  counts: listOf(whole(0, 2000).required(needed), 9).required(needed),
  stroke: num(0.1, 500).required(needed),
  tensionerType: words(60),
  newExtension: num(0, 500).required(needed),
  limitExtension: num(0, 500).required(needed),
  ratchet: shape({ first: num(0, 500).required(needed), pitch: num(0.05, 100).required(needed) }),
  elongationLimit: num(0.01, 5).required(needed),
  lagLimit: num(0, 90),
  grooveLimit: num(0, 20),
  source: words(200, told('limit-source'))
}).required(needed)

/** What stands at which field of the form. */
const FIELD_OF: readonly [place: RegExp, field: string][] = [
  [/^cams\[\d+\]\.teeth/, 'camTeeth'],
  [/^cams\[(\d+)\]\.name/, 'camNames'],
  [/^counts/, 'counts'],
  [/^ratchet\.first/, 'notchFirst'],
  [/^ratchet\.pitch/, 'notchPitch'],
  [/^chains\[0\]\.counts/, 'counts'],
  [/^chains\[0\]\.counted/, 'counts'],
  [/^tensioners\[0\]\.gainFrom/, 'limitExtension'],
  [/^sprockets/, 'camTeeth'],
  [/^chains/, 'links'],
  [/^tensioners/, 'stroke']
]

/**
 * The counted sheet that the answers come to, or what is wrong by field; what is empty still is not called wrong before
 * anybody wants to keep it.
 */
export function sheetFromAnswers(typed: TypedAnswers): {
  sheet: DriveSheet | null
  faults: ReadonlyMap<string, Fault>
} {
  const answers = numbersOf(typed)
  const found = schemaFaults(schema, answers)
  const own = (place: string) => FIELD_OF.find(([pattern]) => pattern.test(place))?.[1] ?? place
  const byField = (faults: readonly Fault[]) => new Map(faults.map((fault) => [own(fault.place), fault]))
  if (found.length > 0) return { sheet: null, faults: byField(found) }
  const sheet = sheetFromCounts(answers as unknown as CountedAnswers, COUNTED_NAMES)
  const faults = sheetFaults(sheet)
  return { sheet: faults.length > 0 ? null : sheet, faults: byField(faults) }
}

/** Is it only that nothing has been said there yet? */
export function isMissing({ code }: Fault): boolean {
  return MISSING.has(code)
}
const MISSING: ReadonlySet<string> = new Set(['missing', 'engine-name', 'limit-source'])

function numbersOf(typed: TypedAnswers): Record<string, unknown> {
  const figure = (text: string) => (text.trim() === '' ? undefined : (numberOf(text) ?? text))
  const { notchFirst, notchPitch, camTeeth, camNames, counts, ...others } = typed
  const figures = [
    'cylinders',
    'pitch',
    'links',
    'crankTeeth',
    'stroke',
    'newExtension',
    'limitExtension',
    'elongationLimit',
    'lagLimit',
    'grooveLimit'
  ] as const
  return {
    ...others,
    ...Object.fromEntries(figures.map((key) => [key, figure(typed[key])])),
    id: slug(typed.name),
    cams: camNames.map((name) => ({ name, teeth: figure(camTeeth) })),
    counts: counts.map(figure),
    ...(notchFirst.trim() || notchPitch.trim()
      ? { ratchet: { first: figure(notchFirst), pitch: figure(notchPitch) } }
      : {})
  }
}
