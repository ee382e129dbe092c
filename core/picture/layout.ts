import type { Message } from '../check'
import type { Point } from '../math'
import { type Arc, circleOf, inOrder, offArc } from './arcs'
import { type Loop, type LoopStop, wayRound } from './loops'
import { propagate } from './propagate'
import { say } from './says'
import type { SceneState } from './scene'
import type { Measure } from './schema'
import type { Circle, Seen, Tapped } from './seen'

type Layouts = Extract<Measure, { kind: 'layout' }>

/** Where something stands, mm, x right, y up, from the first sprocket; `sigma` of the less certain of the two. */
export interface Placed {
  x: number
  y: number
  sigma: number
}

/** An engine's front: sprockets, shoes and points, and how its chains close round them. */
export interface Layout {
  centres: { [id: string]: Placed }
  points: { [name: string]: Placed }
  /** Circles of the shoes' curves; `sigma` of the curve in its middle, across it. */
  shoes?: { [id: string]: Placed & { radius: number } }
  /** Links that a new chain takes round it. */
  closing?: Closed[]
}

/** Links that a new chain takes round a front, and those that it has. */
export interface Closed {
  taken: number
  links: number
}

/**
 * Of the elongation of a chain that has run, as a fraction: what is expected and its standard deviation. A new one
 * closes but for what is under its pull.
 */
const RAN = { more: 0.0015, sigma: 0.0015 }
/** Links by which a new chain's way may be off: pins lie beside the pitch line, plays are taken up. */
const NEW = 0.03

/** Every curve and every chain of layouts, beside circles of known teeth. */
export function tappedOf(measures: readonly Measure[], circles: readonly Circle[]): Tapped {
  const layouts = measures.filter((one): one is Layouts => one.kind === 'layout')
  const arcs = layouts.flatMap((owner) =>
    Object.entries(owner.shoes ?? {}).map(([id, { points, side }]) => ({
      owner,
      id,
      points: inOrder(points, middleBeside(owner, id), side === 'inside')
    }))
  )
  const loops = layouts.flatMap((owner) =>
    (owner.chains ?? []).flatMap((chain, i) => {
      const stops = stopsOf(chain.path, owner, circles, arcs)
      return stops ? [{ ...loopOf(stops, { ...chain, ran: chain.ran === true }), owner, chain: i }] : []
    })
  )
  return { circles, arcs, loops }
}

/** px: the middle of the sprockets whose chain lies on a shoe; of all, where no chain says. */
function middleBeside({ sprockets, chains = [] }: Layouts, shoe: string): Point {
  const path = chains.find(({ path: ids }) => ids.includes(shoe))?.path
  const rims = Object.entries(sprockets).flatMap(([id, { rim }]) => (!path || path.includes(id) ? rim : []))
  const mean = (k: 0 | 1) => rims.reduce((sum, at) => sum + at[k], 0) / rims.length
  return [mean(0), mean(1)]
}

/** What a chain meets; null while one of it is not tapped. */
function stopsOf(
  path: readonly string[],
  owner: Layouts,
  circles: Tapped['circles'],
  arcs: Tapped['arcs']
): LoopStop[] | null {
  const stops = path.map((id): LoopStop | null => {
    const circle = circles.findIndex((one) => one.owner === owner && one.id === id)
    if (circle >= 0) {
      const { teeth, side } = owner.sprockets[id]!
      return { circle, outside: side === 'back', teeth }
    }
    const arc = arcs.findIndex((one) => one.owner === owner && one.id === id)
    return arc < 0 ? null : { arc, outside: owner.shoes![id]!.side !== 'inside', teeth: 0 }
  })
  return stops.every((stop) => stop !== null) ? stops : null
}

/** A chain as an observation: new it closes, having run it is a little longer. */
function loopOf(stops: Loop['stops'], { links, pitch, ran }: { links: number; pitch: number; ran: boolean }): Loop {
  return {
    stops,
    pitch,
    links: ran ? links * (1 + RAN.more) : links,
    sigma: ran ? Math.hypot(NEW, links * RAN.sigma) : NEW
  }
}

/** Sprockets, shoes and points from the first sprocket on, mm. @returns what stands in the way where there is none */
export function layoutOf(measure: Layouts, { ways, state, tapped }: Seen): Layout | Message {
  const names = Object.keys(measure.points ?? {})
  const own = (list: readonly { owner: unknown; id: string }[]) =>
    list.flatMap(({ owner, id }, at) => (owner === measure ? [{ id, at }] : []))
  const [sprockets, shoes] = [own(tapped.circles), own(tapped.arcs)]
  const [first] = sprockets
  if (!first) return say('a-sprocket')
  const taps = names.map((name) => measure.points![name]!)
  const origin = state.circles[first.at]!.centre
  const middles = shoes.map(({ at }): Point => {
    const [x, y] = state.arcs[at]!.at
    return [x - origin[0], y - origin[1]]
  })
  const outputs = (pixels: readonly Point[], { circles, place, arcs }: SceneState) => {
    const from = circles[first.at]!.centre
    const placed = [...sprockets.map(({ at }) => circles[at]!.centre), ...pixels.map(place)]
    return [
      ...placed.flatMap(([x, y]) => [x - from[0], y - from[1]]),
      ...shoes.flatMap(({ at }, i) => curveOutputs(arcs[at]!, from, middles[i]!))
    ]
  }
  const figures = propagate(ways, taps, outputs)
  const placed = (i: number): Placed => ({
    x: figures[2 * i]!.value,
    y: figures[2 * i + 1]!.value,
    sigma: Math.sqrt(Math.max(figures[2 * i]!.variance, figures[2 * i + 1]!.variance))
  })
  const curves = shoes.map(({ id }, i) => {
    const [x, y, radius, off] = figures.slice(2 * (sprockets.length + names.length) + 4 * i)
    return [id, { x: x!.value, y: y!.value, radius: radius!.value, sigma: Math.sqrt(off!.variance) }] as const
  })
  const closing = closingOf(measure, state, tapped)
  return {
    centres: Object.fromEntries(sprockets.map(({ id }, i) => [id, placed(i)])),
    points: Object.fromEntries(names.map((name, i) => [name, placed(sprockets.length + i)])),
    ...(curves.length === 0 ? {} : { shoes: Object.fromEntries(curves) }),
    ...(closing.length === 0 ? {} : { closing })
  }
}

/** A curve's circle, and how far it stands off where its middle was found, from the first sprocket. */
function curveOutputs(arc: Arc, [fromX, fromY]: Point, [x, y]: Point): number[] {
  const { centre, radius } = circleOf(arc)
  return [centre[0] - fromX, centre[1] - fromY, radius, offArc(arc, [fromX + x, fromY + y])]
}

function closingOf(measure: Layouts, { circles, arcs }: SceneState, { loops }: Tapped): Closed[] {
  return loops.flatMap((loop) => {
    const way = loop.owner === measure ? wayRound(loop, circles, arcs) : null
    return way ? [{ taken: way.links, links: measure.chains![loop.chain]!.links }] : []
  })
}
