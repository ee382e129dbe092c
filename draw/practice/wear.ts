import { PICTURES } from '../../words/en'
import type { SeenFinding } from '../../core/views/practice'
import type { Drawing, Shape } from '../shapes'
import { box, dial, disc, line, plate, round, ruler, solid, stroke, words } from './strokes'

/** px of a mm across a rail's section. */
const CLOSE = 46

/**
 * A rail's face as it lies, and its section where it is worn deepest, with a depth scale.
 * @param depth mm; null for a rail that nothing is measured on
 */
export function railPicture(depth: number | null, findings: readonly SeenFinding[]): Drawing {
  const has = (finding: string) => findings.some((one) => one.finding === finding)
  const missing = findings.find(({ finding }) => finding === 'piece-missing')?.count ?? 0
  return plate([
    ...face(has),
    ...Array.from({ length: missing }, (_, i) => hole(i)).flat(),
    ...(depth === null ? [] : section(depth, has('metal-showing') || has('chain-on-metal'))),
    words(has('swapped') ? PICTURES.numberOfOther : PICTURES.numberRight, 150, 372, {
      name: has('swapped') ? 'swapped' : 'in place'
    }),
    words(PICTURES.face, 150, 36),
    ...(depth === null ? [] : [words(PICTURES.section, 470, 36)])
  ])
}

function face(has: (finding: string) => boolean): Shape[] {
  const shapes = [
    solid('M92 52q-26 140 0 290h116q26 -150 0 -290Z', 'ground', 'line', 'face'),
    stroke('M118 60q-22 136 0 276', 4, 'faint'),
    stroke('M182 60q22 136 0 276', 4, 'faint'),
    stroke(disc(150, 76, 9)),
    stroke(disc(150, 320, 9))
  ]
  if (has('cracked')) shapes.push(stroke('M84 180l24 10l14 -8l22 14l18 -6l30 10', 2, 'lit', 'crack'))
  if (has('broken'))
    shapes.push(
      solid(
        'M70 236l34 -12l20 14l26 -16l28 16l40 -12v30l-40 12l-28 -16l-26 16l-20 -14l-34 12Z',
        'ground',
        null,
        'break'
      ),
      stroke('M81 232l23 -8l20 14l26 -16l28 16l40 -12', 2, 'lit'),
      stroke('M80 263l24 -9l20 14l26 -16l28 16l40 -12', 2, 'lit')
    )
  if (has('metal-showing')) shapes.push(solid('M112 120q-10 60 0 110h14q-8 -56 0 -110Z', 'lit', 'line', 'metal'))
  if (has('chain-on-metal'))
    shapes.push(
      ...[0, 1, 2, 3, 4, 5].map((i) => stroke(line([113, 130 + i * 17], [126, 136 + i * 17]), 1.6, 'line', 'score'))
    )
  if (has('chain-marks'))
    shapes.push(
      ...[0, 1, 2].map((i) => stroke(line([130, 170 + i * 14], [172, 170 + i * 14]), 1.6, 'lit', 'chain mark'))
    )
  return shapes
}

/** Half the face's width at a height: its edges bulge. */
function halfWidth(y: number): number {
  const part = (y - 52) / 290
  return 58 + 52 * part * (1 - part)
}

/** Where bays stand along the edges, clear of a break across the middle. */
const BAYS: readonly number[] = [84, 138, 192, 286]

/** A bay where a piece is gone, one at a place along the edge: the edge is open there. */
function hole(i: number): Shape[] {
  const [y, side] = [BAYS[i % BAYS.length]!, i % 2 === 0 ? 1 : -1]
  const at = (dx: number, dy: number): [number, number] => [150 + side * (halfWidth(y + dy) - dx), y + dy]
  const jagged = [at(0, 0), at(20, 8), at(14, 18), at(24, 26), at(0, 34)] as const
  return [
    solid(`${line(...jagged, at(-6, 34), at(-6, 0))}Z`, 'ground', null, 'missing piece'),
    stroke(line(...jagged), 2, 'lit')
  ]
}

/** The worn lining in section: two grooves where the plates ran, and the scale beside them. */
function section(depth: number, toMetal: boolean): Shape[] {
  const [left, top, width] = [370, 120, 220]
  const d = depth * CLOSE
  const groove = (x: number) => `L${x} ${top}q4 ${d} 12 ${d}h36q8 0 12 ${-d}`
  return [
    solid(
      `M${left} ${top}${groove(left + 36)}${groove(left + 124)}L${left + width} ${top}V${top + 190}H${left}Z`,
      'ground',
      'line',
      'section'
    ),
    stroke(line([left + 42, top + d], [left + 90, top + d]), 2.4, 'lit', 'groove bottom'),
    stroke(line([left, top + 170], [left + width, top + 170]), toMetal ? 4 : 1.2, 'faint'),
    stroke(line([left - 20, top], [left + width, top]), 0.8, 'faint', 'unworn edge'),
    ...verticalScale(left - 14, top, 3.5)
  ]
}

function verticalScale(x: number, top: number, to: number): Shape[] {
  return Array.from({ length: Math.round(to * 10) + 1 }, (_, i) => i / 10).flatMap((mm) => {
    const [whole, half] = [Math.round(mm * 10) % 10 === 0, Math.round(mm * 10) % 5 === 0]
    const y = top + mm * CLOSE
    return [
      stroke(line([x, y], [x - (whole ? 22 : half ? 15 : 9), y]), whole ? 1.4 : 0.8, 'line', `tick ${mm}`),
      ...(whole ? [words(String(mm), x - 28, y + 4, { size: 12, anchor: 'end' })] : [])
    ]
  })
}

/** A contact pad from the side, worn from its dashed outline as new, with a depth scale. */
export function padPicture(depth: number, dugIn: boolean): Drawing {
  const [left, top, width] = [300, 120, 260]
  const d = depth * CLOSE
  return plate([
    solid(
      `M${left} ${top + d}q${width / 2} ${dugIn ? 0.7 * CLOSE : 6} ${width} 0V${top + 200}H${left}Z`,
      'ground',
      'line',
      'pad'
    ),
    stroke(line([left, top + d], [left + width, top + d]), 2, 'lit', 'pad face'),
    stroke(line([left - 20, top], [left + width, top]), 1, 'faint', 'face as new'),
    ...verticalScale(left - 14, top, 3.5),
    ...(dugIn ? [words(PICTURES.hollow, left + width / 2, 350, { name: 'hollow' })] : []),
    words(PICTURES.pad, left + width / 2, 60)
  ])
}

/** Old and new chain from one pin, and their far ends ten times as large. */
export function benchPicture(links: number, longer: number, findings: readonly SeenFinding[]): Drawing {
  const has = (finding: string) => findings.some((one) => one.finding === finding)
  const pitch = 500 / links
  const chain = (y: number, stretch: number, old: boolean): Shape[] =>
    Array.from({ length: links }, (_, i) =>
      solid(
        linkOutline(60 + i * pitch * stretch, y, pitch * stretch, i % 2 === 0 ? 11 : 8),
        old && i % 7 === 3 && has('paint-clear') ? 'lit' : 'ground',
        'line',
        old ? 'old link' : 'new link'
      )
    )
  const at = (mm: number) => 320 + mm * 90
  return plate([
    ...chain(80, 1 + (longer / links) * 0.02, true),
    ...chain(130, 1, false),
    ...(has('ran-on-metal')
      ? [3, 8, 12, 15].map((i) => stroke(line([66 + i * pitch, 70], [74 + i * pitch, 90]), 2.4, 'lit', 'score'))
      : []),
    words(PICTURES.old, 30, 84),
    words(PICTURES.new, 30, 134),
    words(PICTURES.linksBeside(links), 320, 36),
    stroke(line([at(longer), 205], [at(longer), 262]), 3, 'lit', 'old end'),
    stroke(line([at(0), 262], [at(0), 320]), 3, 'line', 'new end'),
    words(PICTURES.old, at(longer) + 10, 226, { anchor: 'start' }),
    words(PICTURES.new, at(0) - 10, 312, { anchor: 'end' }),
    ...ruler({ at, from: -1, to: 3, step: 0.1, long: 5, labelled: 10, unit: 'mm' }, 262, 22),
    words(has('paint-gone') ? PICTURES.paintGone : has('paint-clear') ? PICTURES.paintClear : '', 320, 386)
  ])
}

function linkOutline(x: number, y: number, length: number, half: number): string {
  return `M${x.toFixed(1)} ${y - half}h${length.toFixed(1)}a${half / 2} ${half} 0 0 1 0 ${2 * half}h${(-length).toFixed(1)}a${half / 2} ${half} 0 0 1 0 ${-2 * half}Z`
}

/** A dial calliper across so many links: whole millimetres on the bar, hundredths on the dial. */
export function lengthPicture(length: number, links: number): Drawing {
  const whole = Math.floor(length)
  const at = (mm: number) => 320 + (mm - whole) * 44
  const turn = (value: number) => 360 * value
  return plate([
    ...ruler({ at, from: whole - 6, to: whole + 6, step: 1, long: 5, labelled: 2 }, 90, -24),
    solid(box(at(length), 90, 120, 26), 'ground', 'line', 'jaw'),
    stroke(line([at(length), 74], [at(length), 122]), 3, 'lit', 'edge'),
    solid(disc(320, 250, 96)),
    ...dial({ at: turn, from: 0, to: 0.98, step: 0.02, long: 5, labelled: 5 }, 320, 250, 92, 14),
    stroke(line([320, 250], round(320, 250, 66, turn(length - whole))), 2.6, 'lit', 'needle'),
    words(PICTURES.linksOver(links), 320, 386)
  ])
}

/** Teeth of a sprocket: even, or hooked to one side. */
export function teethPicture(hooked: boolean): Drawing {
  const tooth = (i: number) =>
    `q${hooked ? 22 : 14} -4 ${hooked ? 34 : 26} ${-78 + 2 * (i % 2)}q${hooked ? 20 : 10} ${hooked ? 4 : -6} ${hooked ? 12 : 20} 0q${hooked ? -4 : 12} 74 ${hooked ? 20 : 26} 78h16`
  return plate([
    solid(
      `M60 250h10${[0, 1, 2, 3, 4].map(tooth).join('')}V330H60Z`,
      'ground',
      'line',
      hooked ? 'hooked teeth' : 'even teeth'
    ),
    words(PICTURES.teeth, 320, 60),
    words(PICTURES.hookedTooth, 320, 372)
  ])
}
