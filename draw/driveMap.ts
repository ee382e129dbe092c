import type { Assessment } from '../core/paths'
import {
  chainPicture,
  type ChainPicture,
  type Corrections,
  camsOf,
  type SprocketPicture,
  type TensionerPicture,
  touchingRails
} from '../core/drive'
import type { DriveSheet } from '../core/sheet'
import { fitPictures, polar, railPaths, toothPath, type Projection } from './drawing'
import type { Drawing, Shape } from './shapes'

/**
 * The drive as its readings imply it stands, drawn for paper and files; null for a sheet without coordinates.
 * @param times how many times the wear is drawn; 0 for a new drive
 */
export function driveMap(
  sheet: DriveSheet,
  assessment: Assessment,
  corrections: Corrections | null,
  width: number,
  height: number,
  times = 1
): Drawing | null {
  const pictures = sheet.chains.flatMap((chain) => {
    const { chains, rails, tensioners, cams } = assessment
    const tensioner = sheet.tensioners.find((t) => t.chain === chain.id)
    const state = {
      elongation: times * chains[chain.id]!.elongation.mean,
      wear: touchingRails(sheet, chain).map((id) => times * rails[id]!.wear.mean),
      padWear: tensioner ? times * tensioners[tensioner.id]!.padWear.mean : 0
    }
    const picture = chainPicture(
      sheet,
      chain,
      state,
      camsOf(sheet, chain).map((id) => (times === 0 ? 0 : cams[id]!.lag.mean + (times - 1) * cams[id]!.wearLag)),
      corrections ?? {}
    )
    return picture ? [{ picture, pitch: chain.pitch }] : []
  })
  if (pictures.length === 0) return null
  const projection = fitPictures(
    pictures.map(({ picture }) => picture),
    width,
    height,
    50
  )
  const limitOf = (id: string) => sheet.tensioners.find((t) => t.id === id)?.limit?.value ?? null
  return {
    width,
    height,
    shapes: pictures.flatMap(({ picture, pitch }) => chainShapes(picture, pitch, projection, limitOf))
  }
}

function chainShapes(
  picture: ChainPicture,
  pitch: number,
  projection: Projection,
  limitOf: (id: string) => number | null
): Shape[] {
  const { x, y, scale } = projection
  const rails = picture.rails.flatMap((rail): Shape[] => {
    const { lining, body } = railPaths(rail, pitch, scale)
    const at = { x: x(rail.centre[0]), y: y(rail.centre[1]) }
    return [
      { kind: 'path', d: body, stroke: 'line', width: 1, at },
      { kind: 'path', d: lining, fill: 'faint', stroke: 'line', width: 0.6, at }
    ]
  })
  const counts = picture.runs.map((run): Shape => ({
    kind: 'text',
    text: String(run.links),
    x: x(run.at[0]) + 18 * run.clear[0],
    y: y(run.at[1]) - 18 * run.clear[1] + 4,
    size: 11,
    ink: 'line',
    anchor: 'middle'
  }))
  return [
    ...rails,
    ...(picture.tensioner ? tensionerShapes(picture.tensioner, projection, limitOf(picture.tensioner.id)) : []),
    ...picture.sprockets.flatMap((sprocket) => sprocketShapes(sprocket, pitch, projection)),
    ...linkShapes(picture, pitch, projection),
    ...counts
  ]
}

function sprocketShapes(sprocket: SprocketPicture, pitch: number, { x, y, scale }: Projection): Shape[] {
  const at = { x: x(sprocket.centre[0]), y: y(sprocket.centre[1]) }
  const r = sprocket.radius * scale
  const stroke = (d: string, ink: 'line' | 'lit', width: number): Shape => ({ kind: 'path', d, stroke: ink, width, at })
  const { mark } = sprocket
  const ray = (angle: number, from: number, to: number) => `M${xy(polar(angle, from))}L${xy(polar(angle, to))}`
  return [
    { kind: 'path', d: toothPath(sprocket, pitch, scale), fill: 'ground', stroke: 'line', width: 1, at },
    stroke(circle(3), 'line', 1),
    ...(mark
      ? [
          stroke(ray(mark.should, r + 11, r + 20), 'line', 1.6),
          stroke(ray(mark.at, r * 0.5, r - 0.4 * pitch * scale), 'lit', 3)
        ]
      : [])
  ]
}

function linkShapes({ pins, colouredLinks }: ChainPicture, pitch: number, { x, y, scale }: Projection): Shape[] {
  const at = (i: number) => `${x(pins[i % pins.length]![0]).toFixed(1)} ${y(pins[i % pins.length]![1]).toFixed(1)}`
  const plates = (which: (i: number) => boolean) =>
    pins.map((_, i) => (which(i) ? `M${at(i)}L${at(i + 1)}` : '')).join('')
  const thick = 0.5 * pitch * scale
  return [
    { kind: 'path', d: plates((i) => i % 2 === 0), stroke: 'line', width: thick + 1.4 },
    { kind: 'path', d: plates((i) => i % 2 === 0), stroke: 'ground', width: Math.max(0.4, thick - 0.6) },
    { kind: 'path', d: plates((i) => i % 2 === 1), stroke: 'line', width: thick * 0.6 },
    { kind: 'path', d: plates((i) => colouredLinks.includes(i)), stroke: 'lit', width: thick + 1 }
  ]
}

function tensionerShapes(
  { seat, axis, stroke, extension }: TensionerPicture,
  { x, y, scale: s }: Projection,
  limit: number | null
): Shape[] {
  const at = { x: x(seat[0]), y: y(seat[1]), turn: (-Math.atan2(axis[1], axis[0]) * 180) / Math.PI }
  const box = (from: number, to: number, half: number) => `M${from * s} ${-half * s}H${to * s}V${half * s}H${from * s}Z`
  return [
    { kind: 'path', d: box(-stroke - 14, -2, 11), fill: 'ground', stroke: 'line', width: 1, at },
    { kind: 'path', d: box(-stroke, extension, 5), fill: 'ground', stroke: 'line', width: 1, at },
    ...(limit === null
      ? []
      : [{ kind: 'path' as const, d: `M${limit * s} ${-9 * s}V${18 * s}`, stroke: 'limit' as const, width: 1.8, at }])
  ]
}

function circle(r: number): string {
  return `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`
}

function xy({ x, y }: { x: number; y: number }): string {
  return `${x.toFixed(2)} ${y.toFixed(2)}`
}
