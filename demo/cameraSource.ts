import { pixelsOf } from '../core/picture'
import { randomness, type Roll, seedOf } from '../core/math'
import type { DriveSheet } from '../core/sheet'
import { standTrue, type Truth } from '../core/views/practice'
import { cardFaces } from '../draw/photo/card'
import { chainFaces } from '../draw/photo/chain'
import { disc, type Face, moved, rectangle } from '../draw/photo/scene'
import { photoSvg } from '../draw/photo/svg'

/** px of a photo of the practice camera, and its focal length. */
const SIZE = [2400, 1800] as const
const FOCAL = 1900
/** Links of the old chain that lie beside a new one. */
export const PRACTICE_LINKS = 20

/**
 * A stand-in for a camera over a part on the bench, with a scale card beside it: a tensioner as far out as its drive
 * lets it, or the old chain beside a new one.
 * @returns the photo before blur and noise, as SVG; null for a part that it has no picture of
 */
export function practicePhoto(sheet: DriveSheet, truth: Truth, part: string, seed: number): string | null {
  const roll = randomness(seedOf('camera', sheet.id, part, seed))
  const faces = facesOf(sheet, truth, part)
  if (!faces) return null
  const tilt = roll.between(0.05, 0.28)
  const round = roll.between(0, 2 * Math.PI)
  const show = pixelsOf(
    {
      turn: [tilt * Math.cos(round), tilt * Math.sin(round), roll.normal(0.08)],
      aim: [roll.normal(0.02), roll.normal(0.02)],
      distance: roll.between(300, 380),
      focal: FOCAL,
      middle: [0, 0],
      lens: roll.between(-0.03, 0.03)
    },
    SIZE
  )
  const scene = { ground: 104, faces: [...faces, ...grease(roll)] }
  return photoSvg(scene, (point, z) => show(point, z), SIZE, [roll.between(-0.3, 0.3), roll.between(-0.3, 0.3)])
}

function facesOf(sheet: DriveSheet, truth: Truth, part: string): Face[] | null {
  const card = moved(cardFaces('a6'), [0, -62])
  const tensioner = sheet.tensioners.find(({ id }) => id === part)
  const chain = sheet.chains.find(({ id }) => id === part)
  if (tensioner) return [...card, ...tensionerFaces(standTrue(sheet, truth).extension[part] ?? 0, tensioner.stroke)]
  if (!chain) return null
  const row = (elongation: number, y: number) =>
    chainFaces(
      Array.from({ length: PRACTICE_LINKS + 3 }, (_, i): [number, number] => [
        -90 + i * chain.pitch * (1 + elongation),
        y
      ]),
      chain.pitch
    )
  return [...card, ...row(truth.elongation?.[part] ?? 0, 30), ...row(0, 10)]
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

function grease(roll: Roll): Face[] {
  return Array.from({ length: 7 }, () => ({
    outline: disc([roll.between(-110, 110), roll.between(-5, 70)], roll.between(0.6, 2.4)),
    z: 0.1,
    shade: 26,
    opacity: 0.5
  }))
}
