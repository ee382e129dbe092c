import { told } from '../../../words/problems'
import { ANSWERS, COUNTED_NAMES } from '../../../words/en'
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

/** What was typed of a driven sprocket: a cam's, whose teeth stand with the chain, or one on a shaft between. */
export interface TypedSprocket {
  name: string
  use: 'cam' | 'shaft'
  teeth: string
  mark: string
}

/** What was typed of a chain, as it was typed. */
export interface TypedChain {
  /** `crank`, or the shaft of a sprocket before it: `0.1`, the second of the first chain. */
  driver: string
  pitch: string
  links: string
  chainType: string
  driverTeeth: string
  driverMark: string
  camTeeth: string
  bank: '1' | '2'
  driven: TypedSprocket[]
  counts: string[]
  place: 'slack' | 'between' | 'none'
  tensionerType: string
  stroke: string
  newExtension: string
  limitExtension: string
  notchFirst: string
  notchPitch: string
  elongationLimit: string
}

/** What was typed of an engine's counts. */
export interface TypedAnswers {
  name: string
  rotation: 'clockwise' | 'anticlockwise'
  cylinders: string
  layout: string
  interference: boolean
  fuel: string
  chains: TypedChain[]
  lagLimit: string
  grooveLimit: string
  source: string
}

export const FIRST_CHAIN: TypedChain = {
  driver: 'crank',
  pitch: '8',
  links: '',
  chainType: 'bush',
  driverTeeth: '',
  driverMark: '6:00',
  camTeeth: '',
  bank: '1',
  driven: [{ name: ANSWERS.camNames[0]!, use: 'cam', teeth: '', mark: '12:00' }],
  counts: ['', ''],
  place: 'slack',
  tensionerType: 'hydraulic-ratchet',
  stroke: '',
  newExtension: '',
  limitExtension: '',
  notchFirst: '',
  notchPitch: '',
  elongationLimit: ''
}

export const FIRST_ANSWERS: TypedAnswers = {
  name: '',
  rotation: 'clockwise',
  cylinders: '4',
  layout: 'inline',
  interference: true,
  fuel: 'petrol',
  chains: [FIRST_CHAIN],
  lagLimit: '',
  grooveLimit: '',
  source: ''
}

/** What an earlier version of this page kept on a device: of one chain, its fields beside the engine's. */
type OlderAnswers = Record<string, unknown> & { crankTeeth?: string; camNames?: string[] }

/** Answers as this page keeps them; those of an earlier version become an engine of one chain. */
export function upgradeAnswers(kept: TypedAnswers | OlderAnswers): TypedAnswers {
  if (Array.isArray(kept.chains)) return kept as TypedAnswers
  const older = kept as OlderAnswers
  const known = <T extends object>(like: T) =>
    Object.fromEntries(
      Object.keys(like).flatMap((key) => (typeof older[key] === 'undefined' ? [] : [[key, older[key]]]))
    ) as Partial<T>
  const chain = {
    ...FIRST_CHAIN,
    ...known(FIRST_CHAIN),
    driverTeeth: older.crankTeeth ?? '',
    driven: (older.camNames ?? ANSWERS.camNames.slice(0, 1)).map((name) => ({ ...FIRST_CHAIN.driven[0]!, name }))
  }
  return { ...FIRST_ANSWERS, ...known(FIRST_ANSWERS), chains: [chain] }
}

const teeth = () => whole(6, 400).required(needed)
const clock = () => text(8)

const sprocket = shape({ name: words(120), teeth: teeth(), mark: clock(), bank: whole(1, 16) }).required(needed)

const tensioner = shape({
  place: oneOf('slack', 'between').required(needed),
  type: words(60),
  stroke: num(0.1, 500).required(needed),
  newExtension: num(0, 500).required(needed),
  limitExtension: num(0, 500).required(needed),
  ratchet: shape({ first: num(0, 500).required(needed), pitch: num(0.05, 100).required(needed) })
})

const chain = shape({
  pitch: num(1, 100).required(needed),
  links: whole(8, 2000).required(needed),
  chainType: words(60),
  driverTeeth: teeth(),
  driverMark: clock(),
  driven: listOf(sprocket, 8).required(needed),
  counts: listOf(whole(0, 2000).required(needed), 9).required(needed),
  tensioner: tensioner.nullable(),
  elongationLimit: num(0.01, 5).required(needed)
}).required(needed)

const schema = shape({
  name: words(120, told('engine-name')),
  rotation: oneOf('clockwise', 'anticlockwise').required(needed),
  cylinders: whole(1, 64).required(needed),
  layout: words(40),
  interference: flag().required(needed),
  fuel: words(40),
  chains: listOf(chain, 16).required(needed),
  lagLimit: num(0, 90),
  grooveLimit: num(0, 20),
  source: words(200, told('limit-source'))
}).required(needed)

/** What stands at which field of a chain's form. */
const FIELD_OF: readonly [place: RegExp, field: string][] = [
  [/^driven\[(\d+)\]\.teeth/, 'teeth.$1'],
  [/^driven\[(\d+)\]\.name/, 'name.$1'],
  [/^counts|^counted/, 'counts'],
  [/^tensioner\.ratchet\.first/, 'notchFirst'],
  [/^tensioner\.ratchet\.pitch/, 'notchPitch'],
  [/^tensioner\.(\w+)/, '$1'],
  [/^path/, 'camTeeth']
]

/** The field that a fault of the answers, or of the sheet that they make, stands at: `0.links` of the first chain. */
function fieldOf(place: string, sheet: DriveSheet | null): string {
  const [, list, index = '0', rest = ''] = /^(chains|tensioners)\[(\d+)\]\.?(.*)$/.exec(place) ?? []
  if (list === undefined) return place.startsWith('sprockets') ? '0.camTeeth' : place
  if (list === 'tensioners') {
    const of = sheet?.tensioners[Number(index)]?.chain
    const at = sheet?.chains.findIndex(({ id }) => id === of) ?? 0
    return `${at}.${rest.startsWith('gainFrom') ? 'limitExtension' : 'stroke'}`
  }
  const [pattern, field] = FIELD_OF.find(([one]) => one.test(rest)) ?? [null, rest || 'links']
  return `${index}.${pattern ? pattern.exec(rest)![0].replace(pattern, field) : field}`
}

/**
 * The counted sheet that the answers come to, or what is wrong by field; what is empty still is not called wrong before
 * anybody wants to keep it.
 */
export function sheetFromAnswers(typed: TypedAnswers): {
  sheet: DriveSheet | null
  faults: ReadonlyMap<string, Fault>
} {
  const answers = numbersOf(typed)
  const byField = (faults: readonly Fault[], sheet: DriveSheet | null) =>
    new Map(faults.map((fault) => [fieldOf(fault.place, sheet), fault]))
  const found = schemaFaults(schema, answers)
  if (found.length > 0) return { sheet: null, faults: byField(found, null) }
  const lost = typed.chains.findIndex((_, i) => !isDriver(typed.chains, i))
  if (lost >= 0) return { sheet: null, faults: new Map([[`${lost}.driver`, { place: '', ...needed }]]) }
  const checked = answers as unknown as Omit<CountedAnswers, 'id'>
  const chains = checked.chains.map((one, i) => ({ ...one, driver: driverOf(typed.chains[i]!.driver) }))
  const sheet = sheetFromCounts({ ...checked, id: slug(typed.name), chains }, COUNTED_NAMES)
  const faults = sheetFaults(sheet)
  return { sheet: faults.length > 0 ? null : sheet, faults: byField(faults, sheet) }
}

/** Is what drives a chain still there, and before it? */
function isDriver(chains: readonly TypedChain[], index: number): boolean {
  const driver = driverOf(chains[index]!.driver)
  return driver === 'crank' || (driver.chain < index && driver.driven < chains[driver.chain]!.driven.length)
}

/** The chains without one of them; those that it drove are left to be put to another. */
export function withoutChain(chains: readonly TypedChain[], index: number): TypedChain[] {
  return chains
    .filter((_, i) => i !== index)
    .map((chain) => {
      const driver = driverOf(chain.driver)
      if (driver === 'crank' || driver.chain < index) return chain
      return { ...chain, driver: driver.chain === index ? 'crank' : `${driver.chain - 1}.${driver.driven}` }
    })
}

function driverOf(typed: string): CountedAnswers['chains'][number]['driver'] {
  const [, before, driven] = /^(\d+)\.(\d+)$/.exec(typed) ?? []
  return before === undefined ? 'crank' : { chain: Number(before), driven: Number(driven) }
}

/** Is it only that nothing has been said there yet? */
export function isMissing({ code }: Fault): boolean {
  return MISSING.has(code)
}
const MISSING: ReadonlySet<string> = new Set(['missing', 'engine-name', 'limit-source'])

const figure = (typed: string) => (typed.trim() === '' ? undefined : (numberOf(typed) ?? typed))

function numbersOf({ chains, cylinders, lagLimit, grooveLimit, ...others }: TypedAnswers): Record<string, unknown> {
  return {
    ...others,
    cylinders: figure(cylinders),
    lagLimit: figure(lagLimit),
    grooveLimit: figure(grooveLimit),
    chains: chains.map(chainOf)
  }
}

function chainOf(typed: TypedChain): Record<string, unknown> {
  const { pitch, links, chainType, driverTeeth, driverMark, camTeeth, driven, counts, elongationLimit, bank } = typed
  return {
    pitch: figure(pitch),
    links: figure(links),
    chainType,
    driverTeeth: figure(driverTeeth),
    driverMark,
    driven: driven.map(({ name, use, teeth: own, mark }) => ({
      name,
      teeth: figure(use === 'cam' ? camTeeth : own),
      mark,
      bank: Number(bank)
    })),
    counts: counts.map(figure),
    tensioner: tensionerOf(typed),
    elongationLimit: figure(elongationLimit)
  }
}

function tensionerOf(typed: TypedChain): Record<string, unknown> | null {
  const { place, tensionerType, stroke, newExtension, limitExtension, notchFirst, notchPitch } = typed
  if (place === 'none') return null
  const notched = notchFirst.trim() !== '' || notchPitch.trim() !== ''
  return {
    place,
    type: tensionerType,
    stroke: figure(stroke),
    newExtension: figure(newExtension),
    limitExtension: figure(limitExtension),
    ...(notched ? { ratchet: { first: figure(notchFirst), pitch: figure(notchPitch) } } : {})
  }
}
