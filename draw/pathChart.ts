import { scaleLinear } from 'd3-scale'
import type { ReportHeadings, ReportPath } from '../words/en'
import type { Drawing, Shape } from './shapes'

const [LEFT, RIGHT, TOP, FOOT] = [52, 20, 16, 38]

/** Where each path of a report stands: price now to the right, odds of coming back upwards, its number beside it. */
export function pathChart(
  paths: readonly Pick<ReportPath, 'price' | 'comeBack' | 'advised'>[],
  axes: Pick<ReportHeadings, 'priceNow' | 'oddsOfComingBack'>,
  width: number,
  height: number
): Drawing & { places: { x: number; y: number }[] } {
  const x = scaleLinear([0, 1.1 * Math.max(1, ...paths.map(({ price }) => price))], [LEFT, width - RIGHT]).nice()
  const y = scaleLinear(
    [0, Math.min(1, 1.15 * Math.max(0.05, ...paths.map(({ comeBack }) => comeBack)))],
    [height - FOOT, TOP]
  ).nice()
  const places = paths.map(({ price, comeBack }) => ({ x: x(price), y: y(comeBack) }))
  const rule = (d: string): Shape => ({ kind: 'path', d, stroke: 'faint', width: 0.6 })
  const label = (text: string, at: [number, number], anchor: 'start' | 'middle' | 'end'): Shape => ({
    kind: 'text',
    text,
    x: at[0],
    y: at[1],
    size: 10,
    ink: 'line',
    anchor
  })
  const ticks = [
    ...y
      .ticks(4)
      .flatMap((tick) => [
        rule(`M${LEFT} ${y(tick)}H${width - RIGHT}`),
        label(`${Math.round(100 * tick)} %`, [LEFT - 6, y(tick) + 3], 'end')
      ]),
    ...x.ticks(5).map((tick) => label(String(tick), [x(tick), height - FOOT + 14], 'middle'))
  ]
  const dots = paths.flatMap(({ advised }, i): Shape[] => {
    const at = places[i]!
    const r = advised ? 7 : 5
    return [
      {
        kind: 'path',
        d: `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`,
        at,
        stroke: 'line',
        width: 2,
        fill: advised ? 'lit' : 'ground'
      },
      label(String(i + 1), [at.x, at.y - 10], 'middle')
    ]
  })
  return {
    width,
    height,
    places,
    shapes: [
      ...ticks,
      rule(`M${LEFT} ${height - FOOT}H${width - RIGHT}`),
      label(axes.priceNow, [width - RIGHT, height - 6], 'end'),
      label(axes.oddsOfComingBack, [4, 10], 'start'),
      ...dots
    ]
  }
}
