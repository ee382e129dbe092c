import sharp from 'sharp'
import { CARDS, type CardId, cornersOf, type Gray } from '../../core/picture'
import { type Point, type Roll } from '../../core/math'
import { cardFaces } from '../../draw/photo/card'
import { chainFaces } from '../../draw/photo/chain'
import { disc, type Face, moved, rectangle } from '../../draw/photo/scene'
import { photoSvg } from '../../draw/photo/svg'
import { develop } from '../../server/camera/develop'
import { makeCamera, type MadeCamera, tapped } from './pictures'

/** Photos of scenes of known truth: as the simulated camera gives them, through a camera of the tests' own. */

export interface MadePhoto {
  jpeg: Buffer
  gray: Gray
  camera: MadeCamera
}

export async function photograph(
  faces: readonly Face[],
  camera: MadeCamera,
  {
    ground,
    light,
    seed,
    blur = 0.8,
    noise = 6
  }: { ground: number; light: Point; seed: number; blur?: number; noise?: number }
): Promise<MadePhoto> {
  const svg = photoSvg({ ground, faces }, (point, z) => camera.pixel(point[0], point[1], z), camera.size, light)
  const jpeg = await develop(svg, { blur, noise, quality: 85, seed })
  return { jpeg, gray: await grayOf(jpeg), camera }
}

export async function grayOf(jpeg: Buffer): Promise<Gray> {
  const { data, info } = await sharp(jpeg).greyscale().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8Array(data) }
}

const lightOf = (roll: Roll): Point => [roll.between(-0.4, 0.4), roll.between(-0.4, 0.4)]

/** A card somewhere in the picture, sometimes with something lying on it; where its corners really are. */
export async function cardPhoto(
  roll: Roll,
  seed: number,
  { cover = roll.chance(0.3), lying = [] as readonly Face[] } = {}
): Promise<MadePhoto & { card: CardId; corner: (place: number, i: number) => Point }> {
  const camera = makeCamera(roll, { size: [2400, 1800], focal: 1800 })
  const card = roll.pick(['a6', 'a5'] as const)
  const turn = roll.between(0, 2 * Math.PI)
  const at: Point = [roll.normal(15), roll.normal(15)]
  const over: Face[] = cover
    ? [
        {
          outline: rectangle(roll.between(-80, 40), roll.between(-60, 30), roll.between(10, 50), roll.between(10, 40)),
          z: 0,
          shade: roll.between(40, 160)
        }
      ]
    : []
  const photo = await photograph([...moved(cardFaces(card), at, turn), ...over, ...lying], camera, {
    ground: roll.between(60, 150),
    light: lightOf(roll),
    seed
  })
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return {
    ...photo,
    card,
    corner: (place, i) => {
      const [x, y] = cornersOf(CARDS[card], place)[i]!
      return camera.pixel(at[0] + c * x - s * y, at[1] + s * x + c * y)
    }
  }
}

/** A chain lying in a gentle bend, with grease on and beside it, and a line tapped along some of its links. */
export async function chainPhoto(roll: Roll, seed: number): Promise<MadePhoto & { links: number; line: Point[] }> {
  const camera = makeCamera(roll, { size: [2400, 1800], focal: 1800, distance: roll.between(250, 450) })
  const pitch = roll.pick([6.35, 8, 9.525])
  const whole = Math.round(roll.between(8, Math.min(26, 200 / pitch)))
  const links = whole + (roll.chance(0.3) ? 0.5 : 0)
  const total = whole + 10
  const bend = roll.between(-0.25, 0.25)
  const pins: Point[] = [[(-pitch * total) / 2, roll.between(-40, 40)]]
  for (let i = 0; i < total; i++) {
    const way = bend * ((i + 1) / total - 0.5)
    const [x, y] = pins.at(-1)!
    pins.push([x + pitch * Math.cos(way), y + pitch * Math.sin(way)])
  }
  const grease = Array.from({ length: 5 }, (): Face => ({
    outline: disc([roll.between(-100, 100), roll.between(-40, 40)], roll.between(2, 9)),
    z: 0.1,
    shade: 25,
    opacity: 0.55
  }))
  const bench: Face = { outline: rectangle(-150, -60, 300, 50), z: 0, shade: roll.between(40, 120) }
  const photo = await photograph([bench, ...chainFaces(pins, pitch), ...grease], camera, {
    ground: roll.between(50, 150),
    light: lightOf(roll),
    seed
  })
  const on = (place: number): Point => {
    const [k, rest] = [Math.floor(place), place % 1]
    const [a, b] = [pins[k]!, pins[Math.min(k + 1, total)]!]
    return tapped(roll, camera.pixel(a[0] + rest * (b[0] - a[0]), a[1] + rest * (b[1] - a[1])), 1.5)
  }
  return { ...photo, links, line: Array.from({ length: 5 }, (_, k) => on(4 + (links * k) / 4)) }
}
