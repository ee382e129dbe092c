import { type PartKind, STANDING_KINDS } from './partKinds'
import { LIMIT_KINDS, type LimitKindSpec } from './limitKinds'
import type { Beside, Chain, DriveSheet, LimitKind, LimitValue, Mark, Phaser, Rail, Sprocket, Tensioner } from './types'

/** What can be asked of a drive sheet, worked out once: nothing behind it searches the sheet's lists again. */
export interface CompiledSheet {
  readonly sheet: DriveSheet
  readonly chains: ReadonlyMap<string, Chain>
  readonly rails: ReadonlyMap<string, Rail>
  readonly tensioners: ReadonlyMap<string, Tensioner>
  readonly sprockets: ReadonlyMap<string, Sprocket>
  readonly phasers: ReadonlyMap<string, Phaser>
  /** What stands beside the chain: camshafts, covers, trigger wheels, auxiliary drives. */
  readonly beside: ReadonlyMap<string, Beside>
  /** The part of that id. @throws RangeError when the sheet has none */
  chain(id: string): Chain
  rail(id: string): Rail
  tensioner(id: string): Tensioner
  sprocket(id: string): Sprocket
  phaser(id: string): Phaser
  /** The one tensioner that works on a chain. */
  tensionerOf(chain: string): Tensioner | null
  /** The phaser on a sprocket. */
  phaserOn(sprocket: string): Phaser | null
  markOf(sprocket: string): Mark | null
  /** The chain that a rail lies on, or that drives a sprocket, be it by a gear pair behind one of its own. */
  chainAt(part: string): Chain | null
  /** What kind of part an id is, oil, fasteners and engine among them; null when it is none. */
  kindOf(id: string): PartKind | null
  /** The name of a part of the sheet; null for anything else. */
  nameOf(id: string): string | null
  /** The limit of a kind that holds for a part: its own, else the one without a target, where its kind may have one. */
  limit(kind: LimitKind, part: string): LimitValue | null
}

const compiled = new WeakMap<DriveSheet, CompiledSheet>()

/**
 * A sheet's look-ups, made once for each sheet that somebody holds. The sheet must be sound, or at least of sound
 * structure.
 */
export function compileSheet(sheet: DriveSheet): CompiledSheet {
  const known = compiled.get(sheet) ?? compile(sheet)
  compiled.set(sheet, known)
  return known
}

function compile(sheet: DriveSheet): CompiledSheet {
  const [chains, rails, tensioners, sprockets, phasers, beside] = [
    mapById(sheet.chains),
    mapById(sheet.rails),
    mapById(sheet.tensioners),
    mapById(sheet.sprockets),
    mapById(sheet.phasers),
    mapById(sheet.beside ?? [])
  ]
  const tensionerOn = firstBy(sheet.tensioners, ({ chain }) => chain)
  const phaserAt = firstBy(sheet.phasers, ({ sprocket }) => sprocket)
  const marks = firstBy(sheet.marks, ({ sprocket }) => sprocket)
  const chainsAt = firstBy(
    sheet.chains.flatMap((chain) => chain.path.filter((id) => id !== chain.driver).map((id) => ({ id, chain }))),
    ({ id }) => id
  )
  const gearedFrom = firstBy(sheet.gears ?? [], ({ driven }) => driven)
  const limits = limitsOf(sheet)
  return {
    sheet,
    chains,
    rails,
    tensioners,
    sprockets,
    phasers,
    beside,
    chain: needFrom(chains, 'chain'),
    rail: needFrom(rails, 'rail'),
    tensioner: needFrom(tensioners, 'tensioner'),
    sprocket: needFrom(sprockets, 'sprocket'),
    phaser: needFrom(phasers, 'phaser'),
    tensionerOf: (chain) => tensionerOn.get(chain) ?? null,
    phaserOn: (sprocket) => phaserAt.get(sprocket) ?? null,
    markOf: (sprocket) => marks.get(sprocket) ?? null,
    chainAt: (part) => (chainsAt.get(part) ?? chainsAt.get(gearedFrom.get(part)?.driver ?? ''))?.chain ?? null,
    kindOf(id) {
      if (chains.has(id)) return 'chain'
      const rail = rails.get(id)
      if (rail) return rail.kind
      if (tensioners.has(id)) return 'tensioner'
      if (phasers.has(id)) return 'phaser'
      if (sprockets.has(id)) return 'sprocket'
      return beside.get(id)?.kind ?? (Object.hasOwn(STANDING_KINDS, id) ? STANDING_KINDS[id as 'engine'] : null)
    },
    nameOf: (id) =>
      [sprockets, rails, tensioners, chains, phasers, beside].find((map) => map.has(id))?.get(id)?.name ?? null,
    limit: (kind, part) =>
      limits.get(`${kind} ${part}`) ??
      ((LIMIT_KINDS[kind] as LimitKindSpec).everywhere ? limits.get(kind) : undefined) ??
      null
  }
}

/** What kind of part a finding's target is; null when the sheet has no such part. */
export function partKindOf(sheet: DriveSheet, target: string): PartKind | null {
  return compileSheet(sheet).kindOf(target)
}

/** The first of each id: a sheet that is not checked yet may have two. */
function mapById<T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> {
  return firstBy(list, ({ id }) => id)
}

function firstBy<T>(list: readonly T[], key: (one: T) => string): ReadonlyMap<string, T> {
  const map = new Map<string, T>()
  for (const one of list) if (!map.has(key(one))) map.set(key(one), one)
  return map
}

/** By kind and part; a lag limit without a target by its kind alone. */
function limitsOf({ limits }: DriveSheet): ReadonlyMap<string, LimitValue> {
  return firstBy(limits, ({ kind, chain, rail, tensioner, sprocket, phaser }) =>
    [kind, chain ?? rail ?? tensioner ?? sprocket ?? phaser].filter(Boolean).join(' ')
  )
}

function needFrom<T>(map: ReadonlyMap<string, T>, what: string): (id: string) => T {
  return (id) => {
    const found = map.get(id)
    if (found === undefined) throw new RangeError(`${what} ${id}: expected one of this sheet`)
    return found
  }
}
