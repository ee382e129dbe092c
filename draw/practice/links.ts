import { chainPicture, type ChainPicture, camsOf, linksOf, placeOn, touchingRails, turningOf } from '../../core/drive'
import { lagOf, type PracticeCase } from '../../core/views/practice'
import { compileSheet, type Chain } from '../../core/sheet'
import { fitPictures, polar, toothPath } from '../drawing'
import type { Drawing, Shape } from '../shapes'

/** px: large enough to count links with a finger. */
const SIDE = { width: 900, height: 1000 }

/** Pictures made once for each engine: turning it asks for them again and again. */
const made = new WeakMap<PracticeCase, Map<string, ChainPicture>>()

/** An engine's drive as it really stands at its setting point, jumps and wear in it. */
export function truePicture(engine: PracticeCase, chain: Chain): ChainPicture {
  const pictures = made.get(engine) ?? new Map<string, ChainPicture>()
  made.set(engine, pictures)
  const picture = pictures.get(chain.id) ?? drawChain(engine, chain)
  pictures.set(chain.id, picture)
  return picture
}

function drawChain(engine: PracticeCase, chain: Chain): ChainPicture {
  const { drive, truth } = engine
  const tensioner = drive.tensioners.find((t) => t.chain === chain.id)
  const state = {
    elongation: truth.elongation?.[chain.id] ?? 0,
    wear: touchingRails(drive, chain).map((id) => truth.wear?.[id] ?? 0),
    padWear: truth.pad?.[tensioner?.id ?? ''] ?? 0
  }
  const picture = chainPicture(
    drive,
    chain,
    state,
    camsOf(drive, chain).map((id) => lagOf(engine, id))
  )
  if (!picture) throw new RangeError(`chain ${chain.id}: expected one with coordinates`)
  return picture
}

/**
 * Direction of a sprocket's mark by the link it stands at. Stretch and wear move cam and links alike, so a mark stays
 * at its link; a jump moves it by whole links, and a mark between two links stands half a link off.
 */
function markByLinks({ truth }: PracticeCase, chain: Chain, picture: ChainPicture, id: string): number {
  const place = chain.counts.findIndex((count) => count.from === id)
  const nominal = chain.counts.slice(0, place).reduce((sum, { links }) => sum + links, 0)
  const stands = nominal - (truth.teeth?.[id] ?? 0) - (truth.betweenLinks.includes(id) ? 0.5 : 0)
  const { point } = placeOn(picture.run, (stands * linksOf(picture.run)) / chain.links)
  const [cx, cy] = picture.sprockets.find((s) => s.id === id)?.centre ?? [NaN, NaN]
  return (Math.atan2(point[1] - cy, point[0] - cx) * 180) / Math.PI
}

/**
 * The chain link by link on its real run with the marks as they stand: to be counted with a finger.
 * @param crank crank degrees at which it stands; the marks are where the sheet counts from only at the setting point
 */
export function countPicture(engine: PracticeCase, chain: Chain, crank: number): Drawing {
  const still = truePicture(engine, chain)
  const { pins, angles } = turningOf(engine.drive, chain, still)(crank)
  const picture = { ...still, pins }
  const projection = fitPictures([picture], SIDE.width, SIDE.height, 60)
  const { x, y, scale } = projection
  const thick = 0.46 * chain.pitch * scale
  const at = (i: number) =>
    `${x(picture.pins[i % picture.pins.length]![0]).toFixed(2)} ${y(picture.pins[i % picture.pins.length]![1]).toFixed(2)}`
  const links = picture.pins.flatMap((_, i): Shape[] => [
    {
      kind: 'path',
      d: `M${at(i)}L${at(i + 1)}`,
      stroke: 'line',
      width: i % 2 === 0 ? thick : 0.7 * thick,
      name: 'link'
    },
    { kind: 'path', d: `M${at(i)}L${at(i + 1)}`, stroke: 'ground', width: (i % 2 === 0 ? thick : 0.7 * thick) - 2.4 }
  ])
  return {
    ...SIDE,
    shapes: [
      ...picture.sprockets.flatMap((sprocket): Shape[] => {
        const centre = { x: x(sprocket.centre[0]), y: y(sprocket.centre[1]) }
        const r = sprocket.radius * scale
        const { name } = compileSheet(engine.drive).sprocket(sprocket.id)
        const ray = (angle: number, from: number, to: number) =>
          `M${polar(angle, from).x.toFixed(2)} ${polar(angle, from).y.toFixed(2)}L${polar(angle, to).x.toFixed(2)} ${polar(angle, to).y.toFixed(2)}`
        return [
          {
            kind: 'path',
            d: toothPath({ ...sprocket, pinAngle: sprocket.pinAngle + (angles[sprocket.id] ?? 0) }, chain.pitch, scale),
            fill: 'ground',
            stroke: 'faint',
            width: 1,
            at: centre
          },
          {
            kind: 'text',
            text: name,
            x: centre.x,
            y: r > 80 ? centre.y + 4 : centre.y - r - 24,
            size: 15,
            ink: 'line',
            anchor: 'middle'
          },
          ...(sprocket.mark
            ? [
                {
                  kind: 'path' as const,
                  d: ray(
                    markByLinks(engine, chain, picture, sprocket.id) + (angles[sprocket.id] ?? 0),
                    r * 0.55,
                    r - 0.5 * thick
                  ),
                  stroke: 'lit' as const,
                  width: 4,
                  at: centre,
                  name: `mark ${sprocket.id}`
                }
              ]
            : [])
        ]
      }),
      ...links,
      {
        kind: 'path',
        d: picture.pins.map((_, i) => `M${at(i)}h0`).join(''),
        stroke: 'line',
        width: Math.max(2.5, 0.3 * thick)
      }
    ]
  }
}
