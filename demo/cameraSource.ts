import { camsOf, chainModel, chainPicture } from '../core/drive'
import { pixelsOf } from '../core/picture'
import { type Point, randomness, type Roll, seedOf } from '../core/math'
import { compileSheet, type DriveSheet } from '../core/sheet'
import { standTrue, type Truth } from '../core/views/practice'
import { cardFaces } from '../draw/photo/card'
import { chainFaces } from '../draw/photo/chain'
import { frontFaces } from '../draw/photo/front'
import { dense, disc, type Face, moved, rectangle } from '../draw/photo/scene'
import { photoSvg } from '../draw/photo/svg'

/** px of a photo of the practice camera, and its focal length. */
const SIZE = [2400, 1800] as const
const FOCAL = 1900
/** Links of the old chain that lie beside a new one. */
export const PRACTICE_LINKS = 20

/** What is before the camera: faces, mm about the place that it is aimed at, and mm to it. */
interface Scene {
  faces: readonly Face[]
  /** mm of the drive, or of the bench, that the camera is aimed at. */
  aimed: Point
  distance: readonly [least: number, most: number]
  /** Radians, at most. */
  tilt: number
}

/** A photo before blur and noise, as SVG, and where it shows a point of the drive (its sheet's mm), or of the bench. */
export interface PracticePhoto {
  svg: string
  pixel: (point: Point) => Point
}

/**
 * A stand-in for a camera over a part on the bench, with a scale card beside it: a tensioner as far out as its drive
 * lets it, the old chain beside a new one, a rail's cut end; or over a sprocket with its mark and pointer.
 * @returns null for a part that it has no picture of
 */
export function practicePhoto(sheet: DriveSheet, truth: Truth, part: string, seed: number): PracticePhoto | null {
  const scene = sceneOf(sheet, truth, part)
  return scene && taken(scene, randomness(seedOf('camera', sheet.id, part, seed)))
}

/** What a photo can show the figure of, to be measured on it. */
export type PhotoFigure = 'extension' | 'groove'

/**
 * A photo that shows a figure to be measured: a plunger so far out of its housing, or grooves so deep at a cut end, mm,
 * beside a card.
 */
export function figurePhoto(of: PhotoFigure, figure: number, sheet: DriveSheet, part: string, seed: number) {
  const faces =
    of === 'groove' ? cutEndFaces(figure) : tensionerFaces(figure, compileSheet(sheet).tensioner(part).stroke)
  return taken(onBench(faces), randomness(seedOf('figure', of, part, seed)))
}

/** The same over the whole open front, beside a card; null for a sheet without coordinates. */
export function practiceFront(sheet: DriveSheet, truth: Truth, seed: number): PracticePhoto | null {
  const front = standing(sheet, truth)
  if (front.length === 0) return null
  const points = front.flatMap(({ picture }) => picture.pins)
  const [left, right] = rangeOf(points, 0)
  const [low, high] = rangeOf(points, 1)
  const card: Point = [right + 40 + 140 / 2, (low + high) / 2]
  const middle: Point = [(left + card[0] + 80) / 2, (low + high) / 2]
  const faces = moved([...moved(cardFaces('a6'), card), ...frontFaces(front)], [-middle[0], -middle[1]])
  const wide = Math.max((card[0] + 80 - left + 60) / SIZE[0], (high - low + 120) / SIZE[1])
  const distance = 1.12 * wide * FOCAL
  return taken(
    { faces, aimed: middle, distance: [distance, 1.04 * distance], tilt: 0.12 },
    randomness(seedOf('front', sheet.id, seed))
  )
}

const rangeOf = (points: readonly Point[], axis: 0 | 1) =>
  [Math.min(...points.map((at) => at[axis])), Math.max(...points.map((at) => at[axis]))] as const

function taken({ faces, aimed, distance, tilt: most }: Scene, roll: Roll): PracticePhoto {
  const tilt = roll.between(Math.min(0.05, most), most)
  const round = roll.between(0, 2 * Math.PI)
  const show = pixelsOf(
    {
      turn: [tilt * Math.cos(round), tilt * Math.sin(round), roll.normal(0.3 * most)],
      aim: [roll.normal(0.02), roll.normal(0.02)],
      distance: roll.between(...distance),
      focal: FOCAL,
      middle: [0, 0],
      lens: roll.between(-0.03, 0.03)
    },
    SIZE
  )
  const scene = { ground: 104, faces: [...faces, ...grease(roll)] }
  const light: Point = [roll.between(-0.3, 0.3), roll.between(-0.3, 0.3)]
  return {
    svg: photoSvg(scene, (point, z) => show(point, z), SIZE, light),
    pixel: ([x, y]) => show([x - aimed[0], y - aimed[1]])
  }
}

/** Chains as they stand in their truth, ready to be drawn. */
function standing(sheet: DriveSheet, truth: Truth) {
  const { lag } = standTrue(sheet, truth)
  return sheet.chains.flatMap((chain) => {
    const model = chainModel(sheet, chain)
    const state = {
      elongation: truth.elongation?.[chain.id] ?? 0,
      wear: model.rails.map((id) => truth.wear?.[id] ?? 0),
      padWear: truth.pad?.[model.tensioner ?? ''] ?? 0
    }
    const picture = chainPicture(
      sheet,
      chain,
      state,
      camsOf(sheet, chain).map((id) => lag[id] ?? 0)
    )
    return picture ? [{ picture, pitch: chain.pitch }] : []
  })
}

/** Faces on the bench, the card below them. */
const onBench = (faces: readonly Face[]): Scene => ({
  faces: [...moved(cardFaces('a6'), [0, -62]), ...faces],
  aimed: [0, 0],
  distance: [300, 380],
  tilt: 0.28
})

function sceneOf(sheet: DriveSheet, truth: Truth, part: string): Scene | null {
  const tensioner = sheet.tensioners.find(({ id }) => id === part)
  const chain = sheet.chains.find(({ id }) => id === part)
  if (tensioner) return onBench(tensionerFaces(standTrue(sheet, truth).extension[part] ?? 0, tensioner.stroke))
  if (sheet.rails.some(({ id }) => id === part)) return onBench(cutEndFaces(truth.wear?.[part] ?? 0))
  if (chain) {
    const row = (elongation: number, y: number) =>
      chainFaces(
        Array.from({ length: PRACTICE_LINKS + 3 }, (_, i): [number, number] => [
          -90 + i * chain.pitch * (1 + elongation),
          y
        ]),
        chain.pitch
      )
    return onBench([...row(truth.elongation?.[part] ?? 0, 30), ...row(0, 10)])
  }
  return markScene(sheet, truth, part)
}

/** A sprocket of the standing drive, from close before it. */
function markScene(sheet: DriveSheet, truth: Truth, part: string): Scene | null {
  const front = standing(sheet, truth)
  const sprocket = front.flatMap(({ picture }) => picture.sprockets).find(({ id, mark }) => id === part && mark)
  if (!sprocket) return null
  const { centre, radius } = sprocket
  const distance = (4.2 * radius * FOCAL) / SIZE[1]
  return {
    faces: moved(frontFaces(front), [-centre[0], -centre[1]]),
    aimed: centre,
    distance: [distance, 1.15 * distance],
    tilt: 0.25
  }
}

/** A tensioner from its side: the housing's face stands at x = 0. */
function tensionerFaces(extension: number, stroke: number): Face[] {
  const out = Math.min(Math.max(extension, 0), stroke)
  const at = (x: number, y: number, width: number, height: number, shade: number): Face => ({
    outline: rectangle(x, y, width, height),
    z: 0,
    shade
  })
  return [
    at(-52, 6, 52, 44, 128),
    { outline: disc([-42, 14], 4), z: 0, shade: 46 },
    { outline: disc([-42, 42], 4), z: 0, shade: 46 },
    at(0, 19, Math.max(out, 0.2), 18, 176),
    at(out - Math.min(3, out), 19, Math.min(3, out), 18, 150),
    // What it presses against stands dark behind its tip.
    at(out, 4, 9, 48, 58)
  ]
}

/** The cut end of a rail: its shoe's face at the top, with the grooves that the chain's plates have worn into it. */
function cutEndFaces(depth: number): Face[] {
  const groove = (from: number): Point[] => [
    [from, 34],
    [from + 1, 34 - depth],
    [from + 5, 34 - depth],
    [from + 6, 34]
  ]
  const shoe: Point[] = [[-25, 34], ...groove(-14), ...groove(8), [25, 34], [25, 20], [-25, 20]]
  return [
    {
      outline: dense([
        [-32, 22],
        [32, 22],
        [32, 4],
        [-32, 4]
      ]),
      z: 0,
      shade: 150
    },
    { outline: dense(shoe), z: 0, shade: 48 }
  ]
}

function grease(roll: Roll): Face[] {
  return Array.from({ length: 7 }, () => ({
    outline: disc([roll.between(-110, 110), roll.between(-5, 70)], roll.between(0.6, 2.4)),
    z: 0.1,
    shade: 26,
    opacity: 0.5
  }))
}
