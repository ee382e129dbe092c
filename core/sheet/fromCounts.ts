import type { Chain, DriveSheet, Limit, Mark, Rail, Rotation, Sprocket, Tensioner } from './types'

/** What a shop has of an engine nobody here has heard of: no coordinates, only what can be counted and looked up. */
export interface CountedAnswers {
  id: string
  name: string
  rotation: Rotation
  cylinders: number
  layout: string
  interference: boolean
  fuel: string
  /** From the crank on: a chain may be driven by a shaft of one before it. */
  chains: readonly CountedChain[]
  /** crank degrees; absent where the manual gives none. */
  lagLimit?: number
  /** mm; absent where the manual gives none. */
  grooveLimit?: number
  /** Where the limits come from. */
  source: string
}

/** One chain as it can be counted. */
export interface CountedChain {
  /** mm. */
  pitch: number
  links: number
  chainType: string
  /** What drives it: the crank, or the shaft of a sprocket that an earlier chain drives; both counted from 0. */
  driver: 'crank' | { readonly chain: number; readonly driven: number }
  driverTeeth: number
  /** Clock position of the driver's mark at the setting point; 6:00 where nobody says. */
  driverMark?: string
  /** Driven sprockets in the order the chain meets them after the driver, slack side first. */
  driven: readonly CountedSprocket[]
  /**
   * Whole links from mark to mark in the direction of travel: driver to the first, on to each next, and back to the
   * driver.
   */
  counts: readonly number[]
  /** Null for a chain without one. */
  tensioner: CountedTensioner | null
  /** Per cent. */
  elongationLimit: number
}

export interface CountedSprocket {
  name: string
  teeth: number
  /** Clock position of its mark; 12:00 where nobody says. */
  mark?: string
  /** Bank of a V, from 1. */
  bank?: number
}

export interface CountedTensioner {
  /** On the slack side by an arm; or between the two strands, pushing a shoe on each. */
  place: 'slack' | 'between'
  type: string
  /** mm, fully retracted to fully out. */
  stroke: number
  /** mm with a new drive, and at the elongation limit. */
  newExtension: number
  limitExtension: number
  /** Where notches show, if there are any. */
  ratchet?: { first: number; pitch: number }
}

/** What the parts of such a drive are called; `of` puts a chain's number to one where there are several chains. */
export type CountedNames = Readonly<
  Record<'crank' | 'arm' | 'guide' | 'slackShoe' | 'tightShoe' | 'tensioner' | 'chain', string>
> & {
  readonly of: (part: string, chain: number) => string
  readonly driving: (shaft: string, chain: number) => string
}

/** A chain's sprockets by their ids, as they stand in the sheet. */
interface Named {
  driver: Sprocket
  driven: Sprocket[]
}

/**
 * A counted sheet from what a shop has. The chain lies half round the driver and the other half turn is shared by the
 * driven sprockets: that gives the links not on sprockets, all round and on each one's tight side. A second row on the
 * crank, or a second sprocket on a driven shaft, turns with its first.
 *
 * Free links = links − z_driver/2 − Σ z_k/(2·n). On the tight side of sprocket k: what was counted from its mark to the
 * driver's, less the half wrap after its mark, the whole wrap of each later one and the half wrap before the driver's
 * mark.
 * @throws RangeError when there is not one count a run, or a driver is no shaft of an earlier chain
 */
export function sheetFromCounts(answers: CountedAnswers, names: CountedNames): DriveSheet {
  const named = namedSprockets(answers, names)
  const parts = answers.chains.map((chain, i) => chainParts(answers, chain, named[i]!, i, names))
  return {
    format: 'umbrette-drive',
    version: 1,
    id: answers.id,
    name: answers.name,
    rotation: answers.rotation,
    engine: {
      cylinders: answers.cylinders,
      layout: answers.layout,
      interference: answers.interference,
      fuel: answers.fuel
    },
    sprockets: named.flatMap(({ driver, driven }) => [driver, ...driven]),
    rails: parts.flatMap(({ rails }) => rails),
    tensioners: parts.flatMap(({ tensioner }) => tensioner ?? []),
    chains: parts.map(({ chain }) => chain),
    phasers: [],
    marks: answers.chains.flatMap(({ driverMark = '6:00', driven }, i): Mark[] => [
      { sprocket: named[i]!.driver.id, at: driverMark },
      ...driven.map(({ mark = '12:00' }, k) => ({ sprocket: named[i]!.driven[k]!.id, at: mark }))
    ]),
    limits: limitsOf(answers, parts)
  }
}

/** Ids and names of all sprockets; those on one shaft say so. */
function namedSprockets({ chains }: CountedAnswers, names: CountedNames): Named[] {
  const onCrank = chains.filter(({ driver }) => driver === 'crank').length
  const several = chains.reduce((sum, { driven }) => sum + driven.length, 0) > 1
  const drives = (chain: number, driven: number) =>
    chains.some(({ driver }) => driver !== 'crank' && driver.chain === chain && driver.driven === driven)
  let cams = 0
  const idOf = (chain: number, driven: number) => `sprocket-${chain + 1}-${driven + 1}`
  const driven = chains.map((chain, i) =>
    chain.driven.map(({ name, teeth, bank = 1 }, k): Sprocket => {
      const further = drives(i, k)
      const id = further ? idOf(i, k) : several ? `cam-${++cams}` : 'cam'
      return { id, name, teeth, ...(further ? { shaft: `shaft-${id}` } : { bank }) }
    })
  )
  return chains.map((chain, i) => {
    const of = chain.driver
    const suffix = i === 0 ? '' : `-${i + 1}`
    if (of === 'crank')
      return {
        driver: {
          id: `crank${suffix}`,
          name: i === 0 ? names.crank : names.of(names.crank, i),
          teeth: chain.driverTeeth,
          ...(onCrank > 1 ? { shaft: 'crankshaft' } : {})
        },
        driven: driven[i]!
      }
    const before = of.chain < i ? driven[of.chain]?.[of.driven] : undefined
    if (!before?.shaft)
      throw new RangeError(`chain ${i + 1}: expected a driver on the crank or on the shaft of an earlier chain`)
    return {
      driver: {
        id: `driver${suffix}`,
        name: names.driving(before.name, i),
        teeth: chain.driverTeeth,
        shaft: before.shaft
      },
      driven: driven[i]!
    }
  })
}

interface ChainParts {
  chain: Chain
  rails: Rail[]
  tensioner: Tensioner | null
  elongationLimit: number
}

function chainParts(
  { source, chains }: CountedAnswers,
  chain: CountedChain,
  { driver, driven }: Named,
  i: number,
  names: CountedNames
): ChainParts {
  const { counts, tensioner, elongationLimit } = chain
  if (counts.length !== driven.length + 1)
    throw new RangeError(`counts: expected ${driven.length + 1}, one from each mark to the next, got ${counts.length}`)
  const suffix = i === 0 ? '' : `-${i + 1}`
  const called = (part: string) => (chains.length > 1 ? names.of(part, i) : part)
  const between = tensioner?.place === 'between'
  const rail = (id: 'arm' | 'guide', name: string): Rail => ({
    id: `${id}${suffix}`,
    name: called(name),
    kind: id,
    side: between ? 'inside' : 'outside'
  })
  const arm = rail('arm', between ? names.slackShoe : names.arm)
  const guide = rail('guide', between ? names.tightShoe : names.guide)
  const stops = [driver.id, ...driven.map(({ id }) => id), driver.id]
  return {
    chain: {
      id: `chain${suffix}`,
      name: called(names.chain),
      pitch: chain.pitch,
      links: chain.links,
      type: chain.chainType,
      driver: driver.id,
      path: [driver.id, ...(tensioner ? [arm.id] : []), ...driven.map(({ id }) => id), guide.id],
      counts: counts.map((links, k) => ({ from: stops[k]!, to: stops[k + 1]!, links })),
      counted: freeLinks(chain, driven)
    },
    rails: tensioner ? [arm, guide] : [guide],
    tensioner: tensioner && {
      id: `tensioner${suffix}`,
      name: called(names.tensioner),
      chain: `chain${suffix}`,
      arm: arm.id,
      stroke: tensioner.stroke,
      type: tensioner.type,
      ...(tensioner.ratchet ? { ratchet: tensioner.ratchet } : {}),
      limit: { value: tensioner.limitExtension, unit: 'mm', source },
      newExtension: tensioner.newExtension,
      gainFrom: { elongation: elongationLimit / 100, extension: tensioner.limitExtension },
      // Both shoes lie on the plunger: what either loses, it comes out by.
      ...(between ? { railGain: { [arm.id]: 1, [guide.id]: 1 } } : {})
    },
    elongationLimit
  }
}

/** Links not on sprockets, by halves of wrap. */
function freeLinks({ links, driverTeeth, counts }: CountedChain, driven: readonly Sprocket[]): Chain['counted'] {
  const wrap = (teeth: number) => teeth / (2 * driven.length)
  const free = links - driverTeeth / 2 - driven.reduce((sum, { teeth }) => sum + wrap(teeth), 0)
  const tight = driven.map(({ id, teeth }, k) => {
    const counted = counts.slice(k + 1).reduce((sum, run) => sum + run, 0)
    const lying =
      wrap(teeth) / 2 + driven.slice(k + 1).reduce((sum, later) => sum + wrap(later.teeth), 0) + driverTeeth / 4
    return [id, tenth(Math.max(0, counted - lying))] as const
  })
  return { freeLinks: tenth(free), tight: Object.fromEntries(tight) }
}

function limitsOf({ lagLimit, grooveLimit, source }: CountedAnswers, parts: readonly ChainParts[]): Limit[] {
  const rails = parts.flatMap(({ rails: of }) => of)
  return [
    ...parts.map(({ chain, elongationLimit }): Limit => ({
      kind: 'elongation',
      chain: chain.id,
      value: elongationLimit,
      unit: '%',
      source
    })),
    ...(lagLimit === undefined ? [] : [{ kind: 'camLag' as const, value: lagLimit, unit: 'crank degrees', source }]),
    ...(grooveLimit === undefined
      ? []
      : rails.map(({ id }) => ({ kind: 'groove' as const, rail: id, value: grooveLimit, unit: 'mm', source })))
  ]
}

function tenth(links: number): number {
  return Math.round(links * 10) / 10
}
