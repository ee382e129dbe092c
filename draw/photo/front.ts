import type { ChainPicture, RailPicture, SprocketPicture, TensionerPicture } from '../../core/drive'
import { type Point, RADIANS, rotate } from '../../core/math'
import { chainFaces } from './chain'
import { dense, disc, type Face, moved, rectangle } from './scene'

/** An open engine front as faces: casting, rails, tensioners, sprockets with their marks and pointers, chains. */
export function frontFaces(chains: readonly { picture: ChainPicture; pitch: number }[]): Face[] {
  return [
    ...chains.flatMap(({ picture, pitch }) => [
      ...picture.rails.flatMap((rail) => railFaces(rail, pitch)),
      ...(picture.tensioner ? tensionerFaces(picture.tensioner) : []),
      ...picture.sprockets.flatMap((sprocket) => sprocketFaces(sprocket, pitch))
    ]),
    ...chains.flatMap(({ picture, pitch }) => chainFaces(picture.pins, pitch, { closed: true })),
    ...chains.flatMap(({ picture, pitch }) => picture.sprockets.flatMap((sprocket) => markFaces(sprocket, pitch)))
  ]
}

/** Of the pitch: from the pitch line to the shoe's face, and mm that the shoe is thick; mm that it is longer. */
const [UNDER_CHAIN, THICK, LONGER] = [0.46, 7, 6]

const around = ([x, y]: Point, radius: number, angle: number): Point => {
  const [dx, dy] = rotate([radius, 0], angle)
  return [x + dx, y + dy]
}

function railFaces({ centre, radius, from, to, pivot }: RailPicture, pitch: number): Face[] {
  const face = radius - UNDER_CHAIN * pitch
  const more = LONGER / radius / RADIANS
  const angles = Array.from({ length: 21 }, (_, i) => from - more + ((to - from + 2 * more) * i) / 20)
  const band = [
    ...angles.map((angle) => around(centre, face, angle)),
    ...angles.toReversed().map((angle) => around(centre, face - THICK, angle))
  ]
  return [
    { outline: band, z: 0, shade: 62 },
    ...(pivot
      ? [
          { outline: disc(pivot, 7), z: 0, shade: 148 },
          { outline: disc(pivot, 2.4, 24), z: 0, shade: 40 }
        ]
      : [])
  ]
}

function tensionerFaces({ seat, axis, tip, extension }: TensionerPicture): Face[] {
  const turn = Math.atan2(axis[1], axis[0])
  const at = (x: number, y: number, width: number, height: number, shade: number): Face => ({
    outline: rectangle(x, y, width, height),
    z: 0,
    shade
  })
  const out = Math.max(extension, 0.2)
  return [
    ...moved([at(-45, -16, 45, 32, 128), at(-45, -2, 8, 4, 52), at(0, -6, out, 12, 180)], seat, turn),
    ...moved([at(-2, -6, 2, 12, 150)], tip, turn)
  ]
}

function sprocketFaces({ centre, radius, teeth, pinAngle }: SprocketPicture, pitch: number): Face[] {
  const step = 360 / teeth
  const corners = Array.from({ length: teeth }, (_, k) => pinAngle + k * step).flatMap((pin) =>
    [
      [0.5 * 0.3, radius - 0.3 * pitch],
      [0.5 * 0.75, radius + 0.26 * pitch],
      [0.5 * 1.25, radius + 0.26 * pitch],
      [0.5 * 1.7, radius - 0.3 * pitch]
    ].map(([share, r]) => around(centre, r!, pin + share! * step))
  )
  return [
    { outline: corners, z: 0, shade: 140 },
    { outline: disc(centre, 0.62 * radius), z: 0, shade: 118 },
    { outline: disc(centre, 9), z: 0, shade: 86 },
    { outline: disc(centre, 5, 6), z: 0, shade: 46 }
  ]
}

/** The dot on a sprocket, and the notch on the casting that it belongs to. */
function markFaces({ centre, radius, mark }: SprocketPicture, pitch: number): Face[] {
  if (!mark) return []
  const out = radius + 1.1 * pitch
  const notch = dense([
    around(centre, out, mark.should),
    around(centre, out + 9, mark.should - 5),
    around(centre, out + 9, mark.should + 5)
  ])
  return [
    { outline: disc(around(centre, radius - 1.1 * pitch, mark.at), 1.9, 24), z: 0, shade: 240 },
    { outline: notch, z: 0, shade: 222 }
  ]
}
