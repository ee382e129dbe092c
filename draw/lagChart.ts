import { scaleLinear } from 'd3-scale'
import type { LagRow, LagWords } from '../words/en'
import type { Drawing, Shape } from './shapes'

const [LEFT, RIGHT, TOP, ROW, FOOT] = [120, 16, 22, 36, 26]

/** How late each cam came before the repair and after it, with its limits: rows of points with their intervals. */
export function lagChart(rows: readonly LagRow[], words: LagWords, width: number): Drawing {
  const height = TOP + ROW * rows.length + FOOT
  const all = rows.flatMap(({ before, after, limit }) => [before?.low, before?.high, after?.low, after?.high, limit])
  const far = 1.1 * Math.max(4, ...all.map((value) => Math.abs(value ?? 0)))
  const x = scaleLinear([-far, far], [LEFT, width - RIGHT])
  const label = (text: string, at: readonly [number, number], anchor: 'start' | 'middle' | 'end'): Shape => ({
    kind: 'text',
    text,
    x: at[0],
    y: at[1],
    size: 10,
    ink: 'line',
    anchor
  })
  const bottom = TOP + ROW * rows.length
  const marks = rows.flatMap(({ name, before, after, limit }, i): Shape[] => {
    const y = TOP + ROW * (i + 0.5)
    const limits = limit === null ? [] : [-limit, limit]
    return [
      label(name, [4, y + 4], 'start'),
      ...limits.map((at): Shape => ({
        kind: 'path',
        d: `M${x(at)} ${y - 15}V${y + 15}`,
        stroke: 'limit',
        width: 1.4,
        name: 'limit'
      })),
      ...(before ? pointOf(before, y - 7, x, 'ground', 'before') : []),
      ...(after ? pointOf(after, y + 7, x, 'line', 'after') : [])
    ]
  })
  return {
    width,
    height,
    shapes: [
      ...x
        .ticks(7)
        .flatMap((tick): Shape[] => [
          { kind: 'path', d: `M${x(tick)} ${TOP}V${bottom}`, stroke: 'faint', width: tick === 0 ? 1.4 : 0.5 },
          label(`${tick}°`, [x(tick), bottom + 14], 'middle')
        ]),
      label(words.early, [LEFT, 12], 'start'),
      label(words.late, [width - RIGHT, 12], 'end'),
      ...legend(words, (LEFT + width - RIGHT) / 2),
      ...marks
    ]
  }

  function legend({ before, after }: LagWords, middle: number): Shape[] {
    return [
      dot(middle - 62, 8, 'ground'),
      label(before, [middle - 54, 12], 'start'),
      dot(middle + 8, 8, 'line'),
      label(after, [middle + 16, 12], 'start')
    ]
  }
}

function pointOf(
  { value, low, high }: { value: number; low: number; high: number },
  y: number,
  x: (degrees: number) => number,
  fill: 'ground' | 'line',
  name: string
): Shape[] {
  return [
    { kind: 'path', d: `M${x(low)} ${y}H${x(high)}`, stroke: 'line', width: 1.2 },
    { ...dot(x(value), y, fill), name }
  ]
}

function dot(x: number, y: number, fill: 'ground' | 'line'): Shape {
  return { kind: 'path', d: 'M-4 0A4 4 0 1 0 4 0A4 4 0 1 0 -4 0Z', at: { x, y }, stroke: 'line', width: 1.5, fill }
}
