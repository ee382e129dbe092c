/**
 * Reads practice pictures back as a learner's eye would: from where strokes stand on scales, never from hidden figures.
 */

export interface Stroke {
  name: string
  points: [number, number][]
  moved: { x: number; y: number; turn: number }
}

/** The named strokes of an SVG, their points where they stand on the page. */
export function strokesOf(svg: string): Stroke[] {
  return [...svg.matchAll(/<path\b[^>]*>/g)].flatMap(([tag]) => {
    const attribute = (key: string) => new RegExp(`\\b${key}="([^"]*)"`).exec(tag)?.[1]
    const name = attribute('data-name')
    if (!name) return []
    const [, x = '0', y = '0', turn = '0'] =
      /translate\(([-\d.]+) ([-\d.]+)\)(?: rotate\(([-\d.]+)\))?/.exec(attribute('transform') ?? '') ?? []
    return [
      {
        name,
        points: pointsOf(attribute('d') ?? '').map(([px, py]): [number, number] => [px + Number(x), py + Number(y)]),
        moved: { x: Number(x), y: Number(y), turn: Number(turn) }
      }
    ]
  })
}

/** Ends of the absolute moves and lines of a path. */
function pointsOf(d: string): [number, number][] {
  return [...d.matchAll(/[ML]\s*(-?[\d.]+)[ ,]\s*(-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)])
}

export function named(svg: string, name: string): Stroke[] {
  return strokesOf(svg).filter((stroke) => stroke.name === name)
}

/** Value under a place, between the two ticks next to it. */
function onScale(ticks: readonly { at: number; value: number }[], place: number): number {
  const near = [...ticks].sort((a, b) => Math.abs(a.at - place) - Math.abs(b.at - place))
  const [a, b] = [near[0]!, near.find(({ at }) => Math.abs(at - near[0]!.at) > 1e-6)!]
  return a.value + ((place - a.at) / (b.at - a.at)) * (b.value - a.value)
}

const ticksAlong = (svg: string, axis: 0 | 1) =>
  strokesOf(svg)
    .filter(({ name }) => name.startsWith('tick '))
    .map(({ name, points }) => ({ value: Number(name.slice(5)), at: points[0]![axis] }))

/** What a stroke shows on the straight scale of its picture. */
export function readAlong(svg: string, name: string, axis: 0 | 1): number {
  return onScale(ticksAlong(svg, axis), named(svg, name)[0]!.points[0]![axis])
}

/** What two strokes differ by on a dial around a middle. */
export function readDial(svg: string, name: string, x: number, y: number): number {
  const angle = ([px, py]: [number, number]) => (Math.atan2(px - x, y - py) * 180) / Math.PI
  const ticks = strokesOf(svg)
    .filter((stroke) => stroke.name.startsWith('tick '))
    .map((stroke) => ({ value: Number(stroke.name.slice(5)), at: (angle(stroke.points[0]!) + 360) % 360 }))
  const places = named(svg, name)[0]!.points
  return onScale(ticks, (angle(places.at(-1)!) + 360) % 360)
}

/** crank degrees at the crank's pointer, and how far the cam's mark stands from its line, px. */
export function readMarks(svg: string): { pointer: number; off: number } {
  const pointer = named(svg, 'pointer')[0]!.points[0]![0]
  const ticks = strokesOf(svg)
    .filter(({ name }) => name.startsWith('tick '))
    .map(({ name, points }) => ({ value: Number(name.slice(5)), at: points[0]![0] }))
  const mark = named(svg, 'cam mark')[0]
  return {
    pointer: onScale(ticks, pointer),
    off: mark ? mark.points[0]![0] - named(svg, 'head line')[0]!.points[0]![0] : NaN
  }
}

/** Links from mark to mark in the direction of travel, halves too: each mark points at a link, or between two. */
export function readCounts(svg: string, sprockets: readonly string[]): number[] {
  const links = named(svg, 'link').map(({ points: [a, b] }): [number, number] => [
    (a![0] + b![0]) / 2,
    (a![1] + b![1]) / 2
  ])
  const places = sprockets.map((id) => {
    const mark = named(svg, `mark ${id}`)[0]!
    const [, tip] = mark.points
    const middle = [mark.moved.x, mark.moved.y] as const
    const out = (p: readonly [number, number]) => Math.atan2(p[1] - middle[1], p[0] - middle[0])
    const offs = links
      .map((link, i) => ({
        i,
        off: Math.abs(wrapped(out(link) - out(tip!))),
        away: Math.hypot(link[0] - tip![0], link[1] - tip![1])
      }))
      .filter(({ away }) => away < 80)
      .sort((a, b) => a.off - b.off)
    const [nearest, next] = [offs[0]!, offs.find(({ i }) => adjacent(i, offs[0]!.i, links.length))!]
    return nearest.off > 0.6 * next.off ? between(nearest.i, next.i, links.length) : nearest.i
  })
  return places.map((place, k) => (places[(k + 1) % places.length]! - place + 2 * links.length) % links.length)
}

function wrapped(angle: number): number {
  return Math.atan2(Math.sin(angle), Math.cos(angle))
}

function adjacent(a: number, b: number, n: number): boolean {
  return (a - b + n) % n === 1 || (b - a + n) % n === 1
}

function between(a: number, b: number, n: number): number {
  return (a - b + n) % n === 1 ? b + 0.5 : a + 0.5
}
