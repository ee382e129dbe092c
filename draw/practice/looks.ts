import { PICTURES } from '../../words/en'
import type { SeenFinding } from '../../core/views/practice'
import { trailBehind } from '../../core/drive'
import type { Drawing, Shape } from '../shapes'
import { box, dial, disc, line, plate, round, solid, stroke, turnedTo, words } from './strokes'

/** A phaser rocked to both ends of its play under a pointer, and what it does when the engine is turned. */
export function phaserPicture(play: number, findings: readonly SeenFinding[]): Drawing {
  const has = (finding: string) => findings.some((one) => one.finding === finding)
  const at = (degrees: number) => 9 * degrees
  const [from, to] = [-play / 2, play / 2].map((end) => end + 0.4) as [number, number]
  const trace = Array.from({ length: 121 }, (_, k): [number, number] => [
    390 + k * 1.8,
    200 - 10 * play * (has('snaps-back') ? trailBehind(6 * k, 4) : 0.06 * Math.sin(k / 6))
  ])
  return plate([
    solid(disc(180, 300, 190)),
    ...dial({ at, from: -6, to: 6, step: 0.2, long: 5, labelled: 10 }, 180, 300, 186, 20),
    ...(
      [
        ['rocked back', from],
        ['rocked on', to]
      ] as const
    ).map(([name, end]) =>
      stroke(
        line(round(180, 300, 60, at(end)), round(180, 300, 162, at(end))),
        2.6,
        name === 'rocked on' ? 'lit' : 'line',
        name
      )
    ),
    words(PICTURES.rockedByHand, 180, 60),
    words(PICTURES.camAgainstPhaser, 500, 110),
    stroke(line([390, 200], [606, 200]), 0.6, 'faint'),
    stroke(line(...trace), 2, 'lit', has('snaps-back') ? 'snaps' : 'follows'),
    ...(has('head-sheared-inside')
      ? [solid('M164 352l12 -10l18 4l4 16l-14 10l-20 -6Z', 'ground', 'lit', 'sheared head')]
      : []),
    ...lockPin(has('lock-pin-sticky')),
    words(PICTURES.lockPin, 500, 372)
  ])
}

/** The pin flush in its bore, or hanging half out with varnish on it. */
function lockPin(sticky: boolean): Shape[] {
  return [
    solid('M440 300h120v40h-120Z'),
    solid(sticky ? 'M488 276h24v44h-24Z' : 'M488 300h24v36h-24Z', 'ground', 'line', sticky ? 'pin out' : 'pin home'),
    ...(sticky
      ? [0, 1, 2, 3].map((i) => stroke(line([486, 282 + i * 9], [514, 286 + i * 9]), 2.4, 'faint', 'varnish'))
      : [])
  ]
}

/** Locating pin and notch seen from the end. */
export function pinPicture(finding: string): Drawing {
  const worn = finding === 'pin-worn'
  return plate([
    solid(disc(320, 200, 130)),
    stroke(disc(320, 200, 40)),
    solid(
      worn ? 'M300 84q20 -18 44 0v30q-22 14 -44 0Z' : 'M306 80h28v34h-28Z',
      'faint',
      'line',
      worn ? 'worn notch' : 'notch'
    ),
    solid(
      finding === 'pin-sheared' ? 'M309 96a11 11 0 0 1 22 4l-8 -6l-6 8Z' : disc(320, 98, 11),
      'ground',
      'lit',
      finding === 'pin-sheared' ? 'pin stub' : 'pin'
    ),
    ...(worn ? [stroke(line([300, 98], [309, 98]), 2), stroke(line([331, 98], [344, 98]), 2)] : []),
    words(PICTURES.locatingPin, 320, 40)
  ])
}

/** The pan from above with what lies in it. */
export function panPicture(findings: readonly SeenFinding[]): Drawing {
  const has = (finding: string) => findings.some((one) => one.finding === finding)
  const pieces = findings.find(({ finding }) => finding === 'pieces-found')?.count ?? 0
  const crumbs = has('oil-plastic') ? 6 : 0
  const spot = (i: number, k: number): [number, number] => [
    150 + ((i * 137 + k * 61) % 340),
    120 + ((i * 89 + k * 47) % 160)
  ]
  return plate([
    solid('M110 90h420l-20 220h-380Z', 'ground', 'line', 'pan'),
    solid(disc(480, 200, 34), 'ground', 'faint', 'pickup'),
    ...Array.from({ length: crumbs }, (_, i) => stroke(disc(...spot(i + 3, 2), 2), 1, 'faint', 'crumb')),
    ...(has('oil-glitter')
      ? Array.from({ length: 40 }, (_, i) => stroke(`M${spot(i, 1).join(' ')}l2 2`, 1.4, 'lit', 'glitter'))
      : []),
    ...Array.from({ length: pieces }, (_, i) => {
      const [x, y] = [170 + i * 86, 160 + 44 * (i % 2)]
      return solid(`M${x} ${y}l26 -10l18 14l-8 20l-24 2Z`, 'ground', 'lit', 'piece')
    }),
    words(PICTURES.pan, 320, 372)
  ])
}

/**
 * The phasers' oil screen, held up to a lamp, and a meter on the solenoid's pins.
 * @param ohms of the solenoid; null where no meter is put to it
 */
export function screenPicture(torn: boolean, ohms: number | null): Drawing {
  const shapes = screenShapes(torn)
  if (ohms === null) return plate([...shapes, words(PICTURES.screen, 320, 372)])
  return plate([
    ...shapes.map((shape) => turnedTo(shape, -150, 0, 0)),
    ...ohmMeter(ohms),
    words(PICTURES.screenAndMeter, 320, 372)
  ])
}

/** A meter whose scale ends at a round figure beyond what it shows. */
function ohmMeter(ohms: number): Shape[] {
  const end = [10, 20, 50, 100, 200].find((most) => most > ohms) ?? 500
  const at = (value: number) => -60 + (120 * value) / end
  const [x, y] = [480, 270]
  return [
    solid(box(340, 90, 280, 220), 'ground', 'line', 'meter'),
    ...dial({ at, from: 0, to: end, step: end / 50, long: 5, labelled: 10 }, x, y, 140, 18),
    stroke(line([x, y], round(x, y, 132, at(ohms))), 2.6, 'lit', 'ohms'),
    words('Ω', x, y + 26, { size: 16 })
  ]
}

function screenShapes(torn: boolean): Shape[] {
  const grid = Array.from({ length: 17 }, (_, i) => 180 + i * 17.5)
  return [
    ...grid.map((x) => stroke(line([x, 90], [x, 310]), 0.8, 'faint')),
    ...grid.slice(0, 13).map((x) => stroke(line([180, x - 90], [460, x - 90]), 0.8, 'faint')),
    stroke('M180 90h280v220h-280Z', 2.4, 'line', 'frame'),
    ...(torn ? [solid('M300 150l40 20l30 -14l-8 44l22 26l-48 8l-26 20l-4 -44l-34 -16Z', 'ground', 'lit', 'tear')] : [])
  ]
}
