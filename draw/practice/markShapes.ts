import { PICTURES } from '../../words/en'
import { turn180 } from '../../core/math'
import type { Drawing, Shape } from '../shapes'
import { dial, disc, line, plate, round, solid, stroke, words } from './strokes'

/** Which way things turn, seen from the front: 1 clockwise, −1 anticlockwise. */
export type Sense = 1 | -1

export interface MarkView {
  /** crank degrees from the setting point, any number of turns. */
  crank: number
  /** crank degrees at which the cam's mark meets its line. */
  lag: number
  /** Cam turns for one crank turn. */
  camSpeed: number
  sense: Sense
  /** Is a degree wheel bolted to the crank, with a finer scale? */
  wheel: boolean
  cam: string
}

const CRANK = { x: 164, y: 560, r: 380 }
const CAM = { x: 476, y: 560, r: 380 }
/** Degrees of the circle to either side that are drawn. */
const SHOWN = 23
/** A degree on the crank's scale is drawn as this many degrees of the circle: the look is as close as a nose comes. */
const CLOSE = 1.6

/** The crank's scale under its pointer, and the rim of the cam sprocket at the line on the head. */
export function markPicture({ crank, lag, camSpeed, sense, wheel, cam }: MarkView): Drawing {
  const past = turn180(crank)
  const camPast = turn180((crank - lag) * camSpeed)
  return plate([
    ...crankScale(past, sense, wheel),
    ...camRim(camPast, sense),
    words(wheel ? PICTURES.degreeWheel : PICTURES.crankPulley, CRANK.x, 70),
    words(PICTURES.atTheLine(cam), CAM.x, 70),
    words(PICTURES.turnToMark, 320, 330),
    words(PICTURES.pastIsLate, 320, 352, { ink: 'faint' })
  ])
}

function crankScale(past: number, sense: Sense, wheel: boolean): Shape[] {
  const { x, y, r } = CRANK
  // In the running direction the degrees before the mark pass first: later ones lie behind it on the rim.
  const at = (value: number) => sense * CLOSE * (past - value)
  const [from, to] = [Math.ceil(Math.max(-180, past - SHOWN / CLOSE)), Math.floor(Math.min(180, past + SHOWN / CLOSE))]
  const step = wheel ? 0.5 : 1
  return [
    stroke(arc(x, y, r), 1.6),
    ...(to > from ? dial({ at, from, to, step, long: wheel ? 2 : 5, labelled: wheel ? 10 : 5 }, x, y, r, 34) : []),
    ...(Math.abs(at(0)) < SHOWN
      ? [stroke(line(round(x, y, r, at(0)), round(x, y, r - 34, at(0))), 4, 'lit', 'crank mark')]
      : []),
    solid(`M${x} ${y - r - 3}l-7 -20h14Z`, 'line', 'line', 'pointer')
  ]
}

function camRim(past: number, sense: Sense): Shape[] {
  const { x, y, r } = CAM
  // The same closeness in crank degrees as the scale beside it.
  const angle = sense * 2 * CLOSE * past
  return [
    stroke(arc(x, y, r), 1.6),
    ...teeth(x, y, r, angle),
    ...(Math.abs(angle) < SHOWN
      ? [stroke(line(round(x, y, r - 4, angle), round(x, y, r - 52, angle)), 4, 'lit', 'cam mark')]
      : []),
    stroke(line([x, y - r - 14], [x, y - r - 50]), 2.4, 'line', 'head line'),
    stroke(line([x - 130, y - r - 52], [x + 130, y - r - 52]), 1.2)
  ]
}

/** Teeth of the rim, so that its turning is seen where no mark is near. */
function teeth(x: number, y: number, r: number, angle: number): Shape[] {
  const step = 8
  const first = ((angle % step) + step) % step
  return [-4, -3, -2, -1, 0, 1, 2, 3]
    .map((k) => first + k * step)
    .filter((a) => Math.abs(a) < SHOWN)
    .map((a) => stroke(line(round(x, y, r, a - 1.4), round(x, y, r + 10, a), round(x, y, r, a + 1.4)), 1))
}

function arc(x: number, y: number, r: number): string {
  const [from, to] = [round(x, y, r, -SHOWN), round(x, y, r, SHOWN)]
  return `M${from[0].toFixed(1)} ${from[1].toFixed(1)}A${r} ${r} 0 0 1 ${to[0].toFixed(1)} ${to[1].toFixed(1)}`
}

/** What the engine computer draws: what a cam was told, and what it did, in crank degrees. */
export function scanPicture(cams: readonly { name: string; lag: number }[]): Drawing {
  const height = 300 / cams.length
  return plate(
    cams
      .flatMap(({ name, lag }, i) => {
        const middle = 50 + height * (i + 0.5)
        const at = (degrees: number) => middle - (degrees * Math.min(height, 150) * 0.42) / SCAN_RANGE
        const wave = (offset: number) =>
          Array.from({ length: 61 }, (_, k): [number, number] => [
            70 + k * 6.5,
            at(offset + 0.18 * Math.sin(k * 1.7) + 0.12 * Math.sin(k * 0.61))
          ])
        const lines = Array.from({ length: 2 * SCAN_RANGE + 1 }, (_, k) => k - SCAN_RANGE)
        return [
          ...lines
            .filter((d) => d % 2 === 0)
            .map((d) =>
              stroke(line([70, at(d)], [460, at(d)]), d === 0 ? 1 : 0.4, d === 0 ? 'line' : 'faint', `grid ${d}`)
            ),
          ...lines
            .filter((d) => d % (cams.length > 2 ? 10 : 5) === 0)
            .map((d) => words(`${d > 0 ? '+' : ''}${d}`, 60, at(d) + 4, { size: 11, anchor: 'end' })),
          stroke(line([70, at(0)], [460, at(0)]), 1.6),
          stroke(line(...wave(lag)), 2, 'lit', `actual ${name}`),
          words(name, 472, middle + 4, { size: 12, anchor: 'start' })
        ]
      })
      .concat([words(PICTURES.warmIdle, 320, 386)])
  )
}

/** crank degrees to either side of what was told. */
const SCAN_RANGE = 15

/**
 * A dial of cylinder pressures, one needle each.
 * @param figures bar by cylinder; empty where only the whole was judged
 */
export function compressionPicture(cylinders: number, low: boolean, figures: readonly number[]): Drawing {
  const each = 600 / Math.min(cylinders, 4)
  return plate(
    Array.from({ length: cylinders }, (_, i): Shape[] => {
      const [x, y] = [20 + each * ((i % 4) + 0.5), cylinders > 4 ? 100 + 170 * Math.floor(i / 4) : 190]
      const bar = figures[i] ?? (low && i === 1 ? 3.2 : 11.6 + 0.5 * Math.sin(7 * i))
      const at = (value: number) => -120 + 15 * value
      return [
        solid(disc(x, y, 62)),
        ...dial({ at, from: 0, to: 16, step: 1, long: 4, labelled: 4 }, x, y, 60, 9),
        stroke(line([x, y], round(x, y, 46, at(bar))), 2.6, 'lit', `needle ${i + 1}`),
        words(`${i + 1}`, x, y + 42)
      ]
    })
      .flat()
      .concat([words(PICTURES.compression, 320, 386)])
  )
}
