import type { ChainPicture } from '../core/drive'
import { spread } from './drawing'

/** A place on the screen, px. */
export interface Place {
  x: number
  y: number
}

/** A part to be labelled at one of the sides. */
export interface Labelled {
  part: string
  /** Where its leader may end, the plainest first; empty for a part without a place. */
  anchors: readonly Place[]
  /** The side it belongs to; null for whichever suits. */
  side: Side | null
}

export type Side = 'left' | 'right'

/** Where a label stands, and where its leader begins and ends. */
export interface PlacedLabel {
  part: string
  side: Side
  top: number
  from: Place
  to: Place | null
}

/** The plate that labels stand on, px. */
export interface Plate {
  width: number
  height: number
  /** Width of a column of labels, height of one, and the gap between two. */
  column: number
  tag: number
  gap: number
  /** Room kept free above and below. */
  margin: number
}

/** Costs beside a px of leader: to cross another leader, to run over a part, and over a chain. */
const [CROSSES, OVER_PART, OVER_CHAIN] = [1500, 70, 25]
/** px within which a leader runs over a point of a part, and about its end where it may. */
const [ON, NEAR_END] = [4, 16]
/** Rounds of improvement at most. */
const ROUNDS = 40

interface Kept {
  item: Labelled
  side: Side
  top: number
  anchor: number
}

/**
 * Labels at both sides of a drawing, each with a straight leader to its part. Sides first, so that leaders of one side
 * stay on it; then labels change places as long as leaders cross less, run over fewer parts or get shorter. Two of a
 * side that cross are shorter the other way round, so that none is left crossing.
 * @param solid points of what is drawn, by part; a chain's name is given as `chains`
 */
export function placeLabels(
  items: readonly Labelled[],
  plate: Plate,
  solid: ReadonlyMap<string, readonly Place[]> = new Map(),
  chains: ReadonlySet<string> = new Set()
): PlacedLabel[] {
  const kept = standing(items, plate)
  const start = ({ side, top }: Kept): Place => ({
    x: side === 'left' ? plate.column + 2 : plate.width - plate.column - 2,
    y: top + plate.tag / 2
  })
  const known = new Map<string, number>()
  const ownCost = (one: Kept): number => {
    const to = one.item.anchors[one.anchor]
    if (!to) return 0
    const key = `${one.item.part} ${one.anchor} ${one.top}`
    const found = known.get(key) ?? leaderCost(start(one), to, one.item.part, solid, chains) + 4 * one.anchor
    known.set(key, found)
    return found
  }
  const crossings = (one: Kept): number => {
    const to = one.item.anchors[one.anchor]
    if (!to) return 0
    return kept.filter((other) => {
      const end = other.item.anchors[other.anchor]
      return other !== one && end && doCross(start(one), to, start(other), end)
    }).length
  }
  const cost: Cost = (of) => of.reduce((sum, one) => sum + ownCost(one) + CROSSES * crossings(one), 0)
  improve(kept, cost)
  return kept.map((one) => ({
    part: one.item.part,
    side: one.side,
    top: one.top,
    from: start(one),
    to: one.item.anchors[one.anchor] ?? null
  }))
}

/** Labels on their sides, in the order of what they point at. */
function standing(items: readonly Labelled[], { width, height, tag, gap, margin }: Plate): Kept[] {
  const x = ({ anchors: [at] }: Labelled) => at?.x ?? width
  const room = Math.max(1, Math.floor((height - 2 * margin + gap) / (tag + gap)))
  const byX = [...items].sort((a, b) => x(a) - x(b))
  const free = byX.filter(({ side }) => side === null)
  const told = (side: Side) => byX.filter((one) => one.side === side)
  const leftMost = Math.ceil(items.length / 2) - told('left').length
  const count = Math.min(free.length, Math.max(0, leftMost))
  const sides = {
    left: [...told('left'), ...free.slice(0, count)],
    right: [...free.slice(count), ...told('right')]
  }
  // What a side has no room for goes to the other: what stands nearest to it.
  while (sides.left.length > room && sides.right.length < room)
    sides.right.unshift(sides.left.sort((a, b) => x(a) - x(b)).pop()!)
  while (sides.right.length > room && sides.left.length < room)
    sides.left.push(sides.right.sort((a, b) => x(a) - x(b)).shift()!)
  return (['left', 'right'] as const).flatMap((side) => {
    const list = [...sides[side]].sort((a, b) => (a.anchors[0]?.y ?? height) - (b.anchors[0]?.y ?? height))
    const tops = spread(
      list.map(({ anchors: [at] }) => (at?.y ?? height) - tag / 2),
      tag + gap,
      margin,
      height - tag - margin
    )
    return list.map((item, i): Kept => ({ item, side, top: tops[i]!, anchor: 0 }))
  })
}

/** What some labels cost: their leaders, and each crossing that they have a part in. */
type Cost = (of: readonly Kept[]) => number

/** Changes places and ends of leaders as long as that costs less. */
function improve(kept: readonly Kept[], cost: Cost): void {
  for (let round = 0; round < ROUNDS; round++) {
    const moved = kept.filter((one) => tryEnds(one, cost)).length
    const swapped = kept.filter((one, i) => trySwaps(one, kept.slice(i + 1), cost)).length
    if (moved + swapped === 0) return
  }
}

function trySwaps(one: Kept, others: readonly Kept[], cost: Cost): boolean {
  return others.filter((other) => other.side === one.side && trySwap(one, other, cost)).length > 0
}

const LEAST = 1e-6

function tryEnds(one: Kept, cost: Cost): boolean {
  const before = one.anchor
  let best = { anchor: before, cost: cost([one]) }
  for (let anchor = 0; anchor < one.item.anchors.length; anchor++) {
    one.anchor = anchor
    const now = cost([one])
    if (now < best.cost - LEAST) best = { anchor, cost: now }
  }
  one.anchor = best.anchor
  return best.anchor !== before
}

function trySwap(one: Kept, other: Kept, cost: Cost): boolean {
  const before = cost([one, other])
  const swap = () => ([one.top, other.top] = [other.top, one.top])
  swap()
  if (cost([one, other]) < before - LEAST) return true
  swap()
  return false
}

function leaderCost(
  from: Place,
  to: Place,
  part: string,
  solid: ReadonlyMap<string, readonly Place[]>,
  chains: ReadonlySet<string>
): number {
  let sum = 0.25 * Math.hypot(to.x - from.x, to.y - from.y)
  for (const [other, points] of solid)
    if (other !== part && runsOver(from, to, points)) sum += chains.has(other) ? OVER_CHAIN : OVER_PART
  return sum
}

/** Does a leader run over one of these points, but for where it ends? */
function runsOver(from: Place, to: Place, points: readonly Place[]): boolean {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const square = dx * dx + dy * dy || 1
  const reach = ON * Math.sqrt(square)
  for (const { x, y } of points) {
    const [px, py] = [x - from.x, y - from.y]
    if (Math.abs(px * dy - py * dx) > reach) continue
    const along = px * dx + py * dy
    if (along > 0 && along < square && (x - to.x) ** 2 + (y - to.y) ** 2 > NEAR_END ** 2) return true
  }
  return false
}

/** Do two leaders cross? Those that end at the same place do not. */
export function doCross(a: Place, b: Place, c: Place, d: Place): boolean {
  const turn = (p: Place, q: Place, r: Place) => Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
}

/** Directions in which a sprocket's leader may end, and how far out. */
const ROUND = [0, 45, 90, 135, 180, 225, 270, 315].map((angle) => (angle * Math.PI) / 180)

/** Where leaders may end on what is drawn, beside the middle of it; by part, px. */
export function endsOn(
  pictures: readonly ChainPicture[],
  { x, y, scale }: { x: (mm: number) => number; y: (mm: number) => number; scale: number }
): Map<string, Place[]> {
  const ends = new Map<string, Place[]>()
  const put = (part: string, places: Place[]) => ends.set(part, [...(ends.get(part) ?? []), ...places])
  for (const { chain, sprockets, rails, tensioner, pins } of pictures) {
    for (const { id, centre, radius } of sprockets)
      put(
        id,
        ROUND.map((angle) => ({
          x: x(centre[0]) + 0.6 * radius * scale * Math.cos(angle),
          y: y(centre[1]) + 0.6 * radius * scale * Math.sin(angle)
        }))
      )
    for (const { id, centre, radius, from, to } of rails)
      put(
        id,
        [0.15, 0.3, 0.7, 0.85].map((share) => {
          const angle = ((from + share * (to - from)) * Math.PI) / 180
          return { x: x(centre[0] + (radius - 8) * Math.cos(angle)), y: y(centre[1] + (radius - 8) * Math.sin(angle)) }
        })
      )
    if (tensioner) {
      const { id, seat, axis, stroke } = tensioner
      put(
        id,
        [0.4, 1].map((share) => ({
          x: x(seat[0] - share * (stroke + 8) * axis[0]),
          y: y(seat[1] - share * (stroke + 8) * axis[1])
        }))
      )
    }
    const every = Math.max(1, Math.floor(pins.length / 16))
    put(
      chain,
      pins.filter((_, i) => i % every === 0).map((pin) => ({ x: x(pin[0]), y: y(pin[1]) }))
    )
  }
  return ends
}
