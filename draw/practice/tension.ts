import { PICTURES } from '../../words/en'
import { extensionToNotches } from '../../core/readings'
import type { Tensioner } from '../../core/sheet'
import type { Drawing, Shape } from '../shapes'
import { box, disc, line, plate, ruler, solid, stroke, words } from './strokes'

/** px of the housing's face, of the plunger's middle, and of a mm. */
const FACE = 190
const MIDDLE = 170
const HALF = 34
const scaleOf = (stroke_: number) => 380 / (stroke_ + 4)

/** A tensioner from the side with a rule along it: zero of the rule at the housing's face. */
export function tensionPicture(tensioner: Tensioner, extension: number, witness: boolean): Drawing {
  const s = scaleOf(tensioner.stroke)
  return plate([
    ...plungerShapes(tensioner, extension, s),
    ...drawHousing(),
    ...(witness
      ? [
          stroke(
            line([FACE + 0.45 * extension * s, MIDDLE - HALF], [FACE + 0.45 * extension * s, MIDDLE + HALF]),
            5,
            'faint',
            'stain'
          ),
          stroke(
            line([FACE + 0.62 * extension * s, MIDDLE - HALF], [FACE + 0.62 * extension * s, MIDDLE + HALF]),
            2.5,
            'lit',
            'witness'
          )
        ]
      : []),
    ...ruler(
      {
        at: (mm) => FACE + mm * s,
        from: 0,
        to: Math.ceil(tensioner.stroke),
        step: 0.5,
        long: 2,
        labelled: 10,
        unit: 'mm'
      },
      MIDDLE + HALF + 46,
      26
    ),
    words(PICTURES.asFound, 320, 372, { size: 13 })
  ])
}

/** What an inspection plug shows: the plunger through one slot, and nothing beyond it. */
export function plugPicture(tensioner: Tensioner, extension: number, window: number): Drawing {
  const s = scaleOf(tensioner.stroke)
  const [x, width, r] = [FACE, window * s, 52]
  const slot = `M${x} ${MIDDLE - r}a${r} ${r} 0 0 0 0 ${2 * r}h${width}a${r} ${r} 0 0 0 0 ${-2 * r}Z`
  // The cover goes round one way and the slot in it the other, so that the slot stays open.
  const cover = `M0 0H640V400H0Z${slot}`
  return plate([
    ...plungerShapes(tensioner, extension, s, window),
    { kind: 'path', d: cover, fill: 'ground', name: 'cover' },
    stroke(slot, 3, 'line', 'slot'),
    words(PICTURES.throughPlug, 320, 320, { size: 13 })
  ])
}

/** The plunger out of its housing, with as many notches as stand clear of it. */
function plungerShapes({ ratchet, stroke: reach }: Tensioner, extension: number, s: number, shown = Infinity): Shape[] {
  const tip = FACE + extension * s
  // The first notch stands nearest the tip: it came out first.
  const notches = ratchet
    ? Array.from({ length: extensionToNotches(ratchet, extension) }, (_, k) => ratchet.first + k * ratchet.pitch)
    : []
  const places = notches.map((out) => extension - out).filter((mm) => mm <= shown)
  const depth = Math.min(9, 0.36 * (ratchet?.pitch ?? 0) * s)
  const notch = (mm: number) =>
    solid(
      `M${FACE + mm * s - depth} ${MIDDLE - HALF}l${depth} ${depth * 1.5}v${-depth * 1.5}Z`,
      'faint',
      'line',
      'notch'
    )
  return [
    solid(
      box(FACE - reach * s * 0.3, MIDDLE - HALF, tip - FACE + reach * s * 0.3, 2 * HALF),
      'ground',
      'line',
      'plunger'
    ),
    ...places.map(notch),
    stroke(line([tip, MIDDLE - HALF], [tip, MIDDLE + HALF]), 3, 'line', 'tip'),
    stroke(`M${tip} ${MIDDLE - 12}q10 12 0 24`, 1.2)
  ]
}

function drawHousing(): Shape[] {
  return [
    solid(box(40, MIDDLE - 62, FACE - 40, 124), 'ground', 'line', 'housing'),
    stroke(disc(80, MIDDLE - 36, 11)),
    stroke(disc(80, MIDDLE + 36, 11)),
    ...[0, 1, 2, 3, 4].map((i) => stroke(line([112 + i * 16, MIDDLE + 62], [128 + i * 16, MIDDLE + 40]), 0.7, 'faint'))
  ]
}

/** How a plunger answers a thumb: three moments one above the other. */
interface AnswerOfPlunger {
  at: readonly [number, number, number]
  spring: number
}
const SOUND: AnswerOfPlunger = { at: [0.7, 0.66, 0.7], spring: 1 }
const ANSWERS: Readonly<Record<string, AnswerOfPlunger>> = {
  sound: SOUND,
  'plunger-stuck': { at: [0.7, 0.7, 0.7], spring: 1 },
  'plunger-slips-back': { at: [0.7, 0.1, 0.15], spring: 1 },
  'lifter-locked': { at: [0.4, 0.4, 0.4], spring: 1 },
  'spring-short': { at: [0.7, 0.66, 0.68], spring: 0.72 }
}

/** @param length of its spring, mm, beside a rule; null where it is only laid beside a new one */
export function pushPicture(finding: string, length: number | null): Drawing {
  const { at, spring } = ANSWERS[finding] ?? SOUND
  const row = (y: number, out: number, caption: string, name: string): Shape[] => [
    solid(box(170 - 60, y - 17, 60 + 150 * out, 34), 'ground', 'line', name),
    stroke(line([170 + 150 * out, y - 17], [170 + 150 * out, y + 17]), 3),
    solid(box(70, y - 30, 100, 60)),
    words(caption, 70, y - 40, { anchor: 'start' })
  ]
  return plate([
    ...row(70, at[0], PICTURES.before, 'before'),
    ...row(170, at[1], PICTURES.pushed, 'pushed'),
    ...row(270, at[2], PICTURES.minuteLater, 'after'),
    ...(length === null ? springsBeside(spring) : springOnRule(length)),
    words(PICTURES.spring, 400, 150, { anchor: 'start' }),
    words(PICTURES.springsFly, 320, 372)
  ])
}

function coil(y: number, length: number): string {
  const step = (length / 18).toFixed(2)
  return `M400 ${y}${Array.from({ length: 9 }, (_, i) => `l${step} ${i % 2 === 0 ? -24 : 24}l${step} ${i % 2 === 0 ? 24 : -24}`).join('')}`
}

function springsBeside(spring: number): Shape[] {
  return [
    stroke(coil(190, 180 * spring), 2.2, 'line', 'spring'),
    stroke(coil(270, 180), 2.2, 'faint', 'new spring'),
    words(PICTURES.newSpring, 400, 322, { anchor: 'start', ink: 'faint' })
  ]
}

/** The spring from the rule's 0 on: where it ends is its length. */
function springOnRule(length: number): Shape[] {
  const end = 10 * Math.ceil((1.2 * length) / 10)
  const at = (value: number) => 400 + (200 * value) / end
  return [
    stroke(coil(200, at(length) - 400), 2.2, 'line', 'spring'),
    stroke(line([at(length), 170], [at(length), 240]), 1.4, 'lit', 'spring end'),
    ...ruler({ at, from: 0, to: end, step: 1, long: 5, labelled: 10 }, 240, 22)
  ]
}
