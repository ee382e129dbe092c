import { type Chain, compileSheet, type DriveSheet } from '../sheet'
import { angleClock } from '../drive'
import { type Point, RADIANS, rotate } from '../math'
import type { Message } from '../check'
import { circleOf } from './arcs'
import { pixelsOf, type Size } from './camera'
import { chartSheet, type Found } from './chart'
import { type Layout, layoutOf, type Placed } from './layout'
import { lineOf, wayRound } from './loops'
import { seePicture } from './measure'
import { circleThrough } from './scene'
import type { Known, Measure, MeasureFile } from './schema'
import type { Seen } from './seen'

/** What is tapped on a photo of an open engine front, px: by the ids of its sheet's parts. */
export interface FrontTaps {
  size: Size
  focal?: number
  plane: readonly Known[]
  /** mm by which the card lies behind the sprockets' plane. */
  behind?: number
  /** Has the chain on it run? A new one has to close. */
  ran: boolean
  /** Pins on each sprocket, three or more; of one that no chain goes round, places on its rim. */
  rims: { readonly [sprocket: string]: readonly Point[] }
  /** Pins lying on each shoe, three or more. */
  shoes: { readonly [rail: string]: readonly Point[] }
  pivots: { readonly [rail: string]: Point }
  /** Of each tensioner the back of its housing, its face, where the plunger comes out, and the plunger's tip. */
  plungers: { readonly [tensioner: string]: readonly [back: Point, face: Point, tip: Point] }
  marks: { readonly [sprocket: string]: Point }
}

/** What of a sheet a front does not show yet. */
export interface FrontLack {
  what: 'rim' | 'curve' | 'pivot' | 'plunger'
  part: string
}

/** A drive sheet with the coordinates of a photo. */
export interface SettledFront {
  sheet: DriveSheet
  /** mm: standard deviation of where each part stands. */
  sigmas: { [part: string]: number }
  /** Links that each complete chain takes: by the taps alone (null: they leave no way for it), and settled. */
  closing: { chain: string; seen: number | null; taken: number; links: number }[]
  /** Lines over the photo, px. */
  outlines: { part: string; closed: boolean; points: Point[] }[]
  lacks: FrontLack[]
}

/** Taps by which a circle or a curve is told. */
const ENOUGH = 3

/**
 * An engine's coordinates from one photo of its open front: camera, sprockets, shoes and the chains that have to close
 * in one least-squares problem. The arm is turned back to where a new chain closes.
 * @returns what stands in the way instead
 */
export function settleFront(sheet: DriveSheet, taps: FrontTaps): SettledFront | Message {
  const chains = wholeChains(sheet, taps)
  const measure = layoutMeasure(sheet, taps, chains)
  const file: MeasureFile = {
    format: 'umbrette-picture',
    version: 1,
    size: [...taps.size],
    plane: [...taps.plane],
    measure: [measure],
    ...(taps.focal === undefined ? {} : { focal: taps.focal }),
    ...(taps.behind === undefined ? {} : { behind: taps.behind })
  }
  const alone = seePicture(file, false)
  if ('code' in alone) return alone
  const seen = chains.length > 0 ? seePicture(file) : alone
  if ('code' in seen) return seen
  const layout = layoutOf(measure, seen)
  if ('code' in layout) return layout
  const frame = frameOf(seen)
  const found = foundOf(sheet, taps, layout, seen, frame)
  return {
    sheet: chartSheet(sheet, found),
    sigmas: sigmasOf(layout),
    closing: seen.tapped.loops.flatMap((loop) => {
      const [by, settled] = [alone, seen].map(({ state }) => wayRound(loop, state.circles, state.arcs)?.links)
      const { id, links } = chains[loop.chain]!
      return settled === undefined ? [] : [{ chain: id, seen: by ?? null, taken: settled, links }]
    }),
    outlines: outlinesOf(seen, taps.size, chains),
    lacks: lacksOf(sheet, taps)
  }
}

type Layouts = Extract<Measure, { kind: 'layout' }>

const enough = (taps: FrontTaps['rims'], id: string) => Object.hasOwn(taps, id) && taps[id]!.length >= ENOUGH

/** What a chain lies on: its path without rails that stand clear. */
function wayOf(sheet: DriveSheet, { path }: Chain): string[] {
  const { rails } = compileSheet(sheet)
  return path.filter((id) => rails.get(id)?.touches !== false)
}

/** Chains all of whose way is tapped well enough. */
function wholeChains(sheet: DriveSheet, { rims, shoes }: FrontTaps): Chain[] {
  return sheet.chains.filter((chain) => wayOf(sheet, chain).every((id) => enough(rims, id) || enough(shoes, id)))
}

/** What is asked of the picture for a front: what is tapped well enough, and the chains that are whole. */
function layoutMeasure(
  sheet: DriveSheet,
  { rims, shoes, pivots, plungers, marks, ran }: FrontTaps,
  chains: readonly Chain[]
): Layouts {
  const pitchOf = (id: string) => sheet.chains.find(({ path }) => path.includes(id))?.pitch
  const copy = (points: readonly Point[]) => points.map(([x, y]): [number, number] => [x, y])
  const sprockets = sheet.sprockets.flatMap(({ id, teeth, side }) => {
    const pitch = pitchOf(id)
    return pitch !== undefined && enough(rims, id)
      ? [[id, { teeth, pitch, rim: copy(rims[id]!), ...(side ? { side } : {}) }] as const]
      : []
  })
  const rails = sheet.rails.flatMap(({ id, side }) =>
    enough(shoes, id) ? [[id, { points: copy(shoes[id]!), side: side ?? 'outside' }] as const] : []
  )
  return {
    kind: 'layout',
    sprockets: Object.fromEntries(sprockets),
    shoes: Object.fromEntries(rails),
    chains: chains.map((chain) => ({ links: chain.links, pitch: chain.pitch, path: wayOf(sheet, chain), ran })),
    points: Object.fromEntries([
      ...Object.entries(pivots).map(([id, at]) => [pointName('pivot', id), [...at]]),
      ...Object.entries(plungers).flatMap(([id, [back, face, tip]]) => [
        [pointName('back', id), [...back]],
        [pointName('face', id), [...face]],
        [pointName('tip', id), [...tip]]
      ]),
      ...Object.entries(marks).map(([id, at]) => [pointName('mark', id), [...at]])
    ])
  }
}

const pointName = (what: 'pivot' | 'back' | 'face' | 'tip' | 'mark', id: string) => `${what} ${id}`

/** Degrees, whole quarters, by which the plane is turned so that the picture's right is its x. */
function frameOf({ state: { place } }: Seen): number {
  const [from, to] = [place([0, 0]), place([1, 0])]
  return -90 * Math.round(Math.atan2(to[1] - from[1], to[0] - from[0]) / RADIANS / 90)
}

/** What the layout found, in the sheet's frame. */
function foundOf(
  sheet: DriveSheet,
  { rims }: FrontTaps,
  layout: Layout,
  { state, tapped }: Seen,
  frame: number
): Found {
  const turned = ({ x, y }: { x: number; y: number }) => rotate([x, y], frame)
  const of = (what: Parameters<typeof pointName>[0]) =>
    Object.fromEntries(
      Object.entries(layout.points).flatMap(([name, at]) =>
        name.startsWith(`${what} `) ? [[name.slice(what.length + 1), turned(at)]] : []
      )
    )
  const origin = state.circles[0]!.centre
  const lone = sheet.sprockets.flatMap(({ id }) => {
    if (tapped.circles.some((circle) => circle.id === id) || !enough(rims, id)) return []
    const round = circleThrough(rims[id]!.map(state.place))
    return round ? [[id, rotate([round.centre[0] - origin[0], round.centre[1] - origin[1]], frame)] as const] : []
  })
  const centres = Object.entries(layout.centres).map(([id, at]) => [id, turned(at)] as const)
  const marks = Object.entries(of('mark')).flatMap(([id, [x, y]]) => {
    const centre = [...centres, ...lone].find(([own]) => own === id)?.[1]
    return centre ? [[id, angleClock(Math.atan2(y - centre[1], x - centre[0]) / RADIANS)]] : []
  })
  return {
    centres: Object.fromEntries([...centres, ...lone]),
    shoes: Object.fromEntries(
      Object.entries(layout.shoes ?? {}).map(([id, shoe]) => [id, { centre: turned(shoe), radius: shoe.radius }])
    ),
    pivots: of('pivot'),
    backs: of('back'),
    faces: of('face'),
    tips: of('tip'),
    marks: Object.fromEntries(marks) as Found['marks']
  }
}

function sigmasOf({ centres, shoes = {}, points }: Layout): { [part: string]: number } {
  const parts: [string, Placed][] = [...Object.entries(centres), ...Object.entries(shoes), ...Object.entries(points)]
  return Object.fromEntries(parts.map(([id, { sigma }]) => [id, sigma]))
}

/** Circles, curves and chains as they lie over the photo. */
function outlinesOf({ state, tapped }: Seen, size: Size, chains: DriveSheet['chains']): SettledFront['outlines'] {
  const { circles, arcs, camera, above } = state
  const pixel = pixelsOf(camera, size)
  const shown = (points: readonly Point[]) => points.map((point) => pixel(point, above))
  const round = ({ centre: [x, y], radius }: { centre: Point; radius: number }, from = 0, to = 360) =>
    Array.from({ length: 61 }, (_, k): Point => {
      const [ux, uy] = rotate([1, 0], from + ((to - from) * k) / 60)
      return [x + radius * ux, y + radius * uy]
    })
  return [
    ...tapped.circles.flatMap(({ id }, i) =>
      id ? [{ part: id, closed: true, points: shown(round(circles[i]!)) }] : []
    ),
    ...tapped.arcs.map(({ id, points }, i) => {
      const circle = circleOf(arcs[i]!)
      const way = (pixelAt: Point) => {
        const [x, y] = state.place(pixelAt)
        return Math.atan2(y - circle.centre[1], x - circle.centre[0]) / RADIANS
      }
      const from = way(points[0]!)
      const sweep = ((((way(points.at(-1)!) - from + 180) % 360) + 360) % 360) - 180
      return { part: id, closed: false, points: shown(round(circle, from, from + sweep)) }
    }),
    ...tapped.loops.flatMap((loop) => {
      const at = wayRound(loop, circles, arcs)
      return at ? [{ part: chains[loop.chain]!.id, closed: true, points: shown(lineOf(at)) }] : []
    })
  ]
}

/** What the taps leave open of the sheet's coordinates. */
function lacksOf(sheet: DriveSheet, { rims, shoes, pivots, plungers }: FrontTaps): FrontLack[] {
  const touching = sheet.rails.filter(({ touches }) => touches !== false)
  const onChain = sheet.sprockets.filter(({ id }) => sheet.chains.some(({ path }) => path.includes(id)))
  return [
    ...onChain.flatMap(({ id }): FrontLack[] => (enough(rims, id) ? [] : [{ what: 'rim', part: id }])),
    ...touching.flatMap(({ id }): FrontLack[] => (enough(shoes, id) ? [] : [{ what: 'curve', part: id }])),
    ...touching.flatMap(({ id, kind, slides }): FrontLack[] =>
      kind !== 'arm' || slides || Object.hasOwn(pivots, id) ? [] : [{ what: 'pivot', part: id }]
    ),
    ...sheet.tensioners.flatMap(({ id }): FrontLack[] =>
      Object.hasOwn(plungers, id) ? [] : [{ what: 'plunger', part: id }]
    )
  ]
}
