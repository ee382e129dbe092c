import { contourAt, elementsOf, extensionAt, isCharted, linksRound, plungerOn, touchingRails } from '../drive'
import { brent, type Point, RADIANS, turnedAbout, unit } from '../math'
import { type Chain, compileSheet, type DriveSheet, type Tensioner } from '../sheet'

/** Where the parts of a drive were found, mm from the first sprocket, x right, y up; marks by the clock. */
export interface Found {
  centres: { readonly [sprocket: string]: Point }
  shoes: { readonly [rail: string]: { centre: Point; radius: number } }
  pivots: { readonly [rail: string]: Point }
  /** Of tensioners: where the plunger comes out of the housing, and its tip. */
  faces: { readonly [tensioner: string]: Point }
  tips: { readonly [tensioner: string]: Point }
  /** The far end of the housing, on the plunger's axis. */
  backs: { readonly [tensioner: string]: Point }
  marks: { readonly [sprocket: string]: string }
}

/** A sheet with the coordinates that were found; arms stand where a new chain closes. */
export function chartSheet(sheet: DriveSheet, found: Found): DriveSheet {
  const placed: DriveSheet = {
    ...sheet,
    sprockets: sheet.sprockets.map((sprocket) => {
      const centre = centreOf(sheet, sprocket, found)
      return centre ? { ...sprocket, centre: fine(centre) } : sprocket
    }),
    rails: sheet.rails.map((rail) => {
      const [shoe, pivot] = [own(found.shoes, rail.id), own(found.pivots, rail.id) ?? slidesAbout(sheet, rail, found)]
      return {
        ...rail,
        ...(shoe ? { shoe: { centre: fine(shoe.centre), radius: round(shoe.radius) } } : {}),
        ...(pivot ? { pivot: fine(pivot) } : {}),
        ...(shoe && !rail.side && rail.touches !== false ? { side: 'outside' as const } : {})
      }
    }),
    tensioners: sheet.tensioners.map((tensioner) => plungerFound(tensioner, found)),
    marks: [
      ...sheet.marks.map((mark) => ({ ...mark, at: own(found.marks, mark.sprocket) ?? mark.at })),
      ...Object.entries(found.marks).flatMap(([sprocket, at]) =>
        sheet.marks.some((mark) => mark.sprocket === sprocket) ? [] : [{ sprocket, at }]
      )
    ]
  }
  return placed.chains.reduce((now, chain) => withArmAsNew(now, chain), placed)
}

const own = <T>(list: { readonly [id: string]: T }, id: string): T | undefined =>
  Object.hasOwn(list, id) ? list[id] : undefined

/** A second sprocket on a shaft stands where the first does. */
function centreOf({ sprockets }: DriveSheet, { id, shaft }: DriveSheet['sprockets'][number], { centres }: Found) {
  const sibling = shaft && sprockets.find((other) => other.shaft === shaft && own(centres, other.id))
  return own(centres, id) ?? (sibling ? own(centres, sibling.id) : undefined)
}

/** mm: an arm that slides turns about a point so far off. */
const FAR = 3000

function slidesAbout(
  { tensioners }: DriveSheet,
  { id, slides }: DriveSheet['rails'][number],
  { backs, tips }: Found
): Point | undefined {
  const tensioner = slides && tensioners.find(({ arm }) => arm === id)
  const [back, tip] = tensioner ? [own(backs, tensioner.id), own(tips, tensioner.id)] : []
  if (!back || !tip) return undefined
  const [x, y] = unit(angleOf(back, tip) + 90)
  return [tip[0] + FAR * x, tip[1] + FAR * y]
}

const angleOf = ([x, y]: Point, [toX, toY]: Point) => Math.atan2(toY - y, toX - x) / RADIANS

/** The plunger comes out of the face along the housing's axis, and the pad lies square to it where its tip stands. */
function plungerFound(tensioner: Tensioner, { backs, faces, tips }: Found): Tensioner {
  const [back, face, tip] = [backs, faces, tips].map((list) => own(list, tensioner.id))
  if (!back || !face || !tip) return tensioner
  const axis = angleOf(back, tip)
  const [x, y] = unit(axis)
  const extension = (tip[0] - face[0]) * x + (tip[1] - face[1]) * y
  return {
    ...tensioner,
    axis: round(axis),
    seat: fine([tip[0] - extension * x, tip[1] - extension * y]),
    pad: { point: fine(tip), face: round(axis + 90) },
    armRange: tensioner.armRange ?? [-1, 1]
  }
}

/** Degrees either way within which an arm is looked for where a new chain closes. */
const TURNS = 30
const STEP = 0.25

/**
 * The arm of a chain turned to where a new one closes: what it is further out on the photo is what the chain has
 * stretched. Its reach is that of the plunger.
 */
function withArmAsNew(sheet: DriveSheet, chain: Chain): DriveSheet {
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  const arm = tensioner && sheet.rails.find(({ id }) => id === tensioner.arm)
  const [pad, pivot, shoe] = [tensioner?.pad, arm?.pivot, arm?.shoe]
  if (!tensioner || !arm || !pad || !pivot || !shoe || !isCharted(sheet, chain)) return sheet
  const back = angleAsNew(sheet, chain)
  if (back === null) return sheet
  const turned: DriveSheet = {
    ...sheet,
    rails: sheet.rails.map((rail) =>
      rail.id === arm.id ? { ...rail, shoe: { ...shoe, centre: fine(turnedAbout(shoe.centre, pivot, back)) } } : rail
    ),
    tensioners: sheet.tensioners.map((one) =>
      one.id === tensioner.id
        ? { ...one, pad: { point: fine(turnedAbout(pad.point, pivot, back)), face: round(pad.face + back) } }
        : one
    )
  }
  return withReach(turned, chain, tensioner.id)
}

/** Degrees by which the arm is turned from the photo for a new chain to close; null where nowhere near it does. */
function angleAsNew(sheet: DriveSheet, chain: Chain): number | null {
  const elements = elementsOf(sheet, chain)
  const wear = touchingRails(sheet, chain).map(() => 0)
  const excess = (angle: number) => {
    const contour = contourAt(elements, angle, wear)
    return contour ? linksRound(elements, contour, chain.pitch) - chain.links : NaN
  }
  const zero = excess(0)
  if (!Number.isFinite(zero)) return null
  for (let angle = STEP; angle <= TURNS; angle += STEP) {
    for (const [from, to] of [
      [angle - STEP, angle],
      [STEP - angle, -angle]
    ] as const) {
      if (excess(from) * excess(to) <= 0) return brent(excess, Math.min(from, to), Math.max(from, to), 1e-7)
    }
  }
  return null
}

/** Arm angles from the plunger fully in to fully out, or to where it turns round. */
function withReach(sheet: DriveSheet, chain: Chain, id: string): DriveSheet {
  const plunger = plungerOn(sheet, chain, {})
  if (!plunger) return sheet
  const out = (angle: number) => extensionAt(plunger, angle, 0)
  const reach = (way: 1 | -1) => {
    const rises = out(way * 0.01) > out(0)
    let angle = 0
    while (Math.abs(angle) < 2 * TURNS) {
      const next = angle + way * 0.01
      const there = out(next)
      if ((rises ? there > plunger.stroke : there < 0) || there > out(angle) !== rises) break
      angle = next
    }
    return Math.round(angle * 100) / 100
  }
  const armRange: [number, number] = [reach(-1), reach(1)]
  return {
    ...sheet,
    tensioners: sheet.tensioners.map((one) => (one.id === id ? { ...one, armRange } : one))
  }
}

/** To a thousandth, finer than anybody measures and fine enough to close. */
const round = (value: number) => Math.round(value * 1000) / 1000
const fine = ([x, y]: Point): [number, number] => [round(x), round(y)]
