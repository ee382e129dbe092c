import { PICTURES } from '../../words/en'
import type { Drawing, Shape } from '../shapes'
import { box, disc, line, plate, round, solid, stroke, words } from './strokes'

/** What stands beside the chain: trigger wheel, cover, camshaft nose. */

const TEETH = 36
/** Teeth that something has chewed. */
const CHEWED = [13, 14, 16]

/** The crank's trigger wheel under its sensor. */
export function triggerPicture(finding: string): Drawing {
  const chewed = finding === 'teeth-chewed'
  const gap = finding === 'gap-wrong' ? 34 : 8
  const tooth = (k: number): Shape => {
    const turn = (360 / TEETH) * k
    const bad = chewed && CHEWED.includes(k)
    const height = bad ? 4 : 16
    const corners = [
      round(320, 230, 120, turn - 2.6),
      round(320, 230, 120 + height, turn - (bad ? 0.6 : 2.2)),
      round(320, 230, 120 + (bad ? 9 : height), turn + 2.2),
      round(320, 230, 120, turn + 2.6)
    ]
    return solid(`${line(...corners)}Z`, 'ground', bad ? 'lit' : 'line', bad ? 'chewed tooth' : 'tooth')
  }
  return plate([
    solid(disc(320, 230, 120)),
    stroke(disc(320, 230, 30)),
    ...Array.from({ length: TEETH - 1 }, (_, k) => tooth(k + 1)),
    solid(box(306, 230 - 136 - gap - 60, 28, 60), 'ground', 'line', gap > 8 ? 'sensor far' : 'sensor'),
    words(PICTURES.trigger, 320, 386)
  ])
}

/** The inside of the cover, where the chain runs past it. */
export function coverPicture(finding: string): Drawing {
  const marked = finding === 'grooved' || finding === 'worn-through'
  return plate([
    solid('M150 60h340l30 60v210h-400v-210Z', 'ground', 'line', 'cover'),
    ...[170, 470, 135, 505].map((x, i) => stroke(disc(x, i < 2 ? 78 : 310, 8))),
    ...(marked
      ? [0, 1, 2].map((k) => stroke(`M${280 + 14 * k} 120q-30 80 10 190`, 3.2 - k * 0.6, 'lit', 'groove'))
      : []),
    ...(finding === 'worn-through'
      ? [solid('M274 190q16 -26 34 0q6 30 -12 46q-26 -8 -22 -46Z', 'lit', 'lit', 'hole')]
      : []),
    ...(finding === 'oil-leak'
      ? [0, 1, 2, 3].map((k) => stroke(`M${240 + 40 * k} 330v${20 + 8 * k}`, 3, 'lit', 'drip'))
      : []),
    words(PICTURES.cover, 320, 386)
  ])
}

/** A camshaft's nose from the side: the seat of its sprocket, and the first journal. */
export function camshaftPicture(finding: string): Drawing {
  return plate([
    solid(box(90, 150, 120, 100), 'ground', 'line', 'seat'),
    solid(box(210, 110, 40, 180), 'ground', 'line', 'flange'),
    solid(box(250, 140, 130, 120), 'ground', 'line', 'journal'),
    solid('M380 150h60q40 -60 80 0h40v100h-180Z', 'ground', 'line', 'lobe'),
    ...(finding === 'seat-worn'
      ? [
          solid('M150 150q20 14 44 0v100q-24 -14 -44 0Z', 'ground', 'lit', 'fretted seat'),
          stroke('M170 158v84', 1, 'lit')
        ]
      : []),
    ...(finding === 'journal-scored'
      ? [0, 1, 2, 3, 4].map((k) => stroke(line([256, 156 + 20 * k], [374, 158 + 20 * k]), 1.6, 'lit', 'score'))
      : []),
    words(PICTURES.camshaft, 320, 372)
  ])
}
