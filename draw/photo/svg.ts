import type { Point } from '../../core/math'
import type { PhotoScene } from './scene'

/** How a camera shows a point of a scene: mm to pixels. */
export type Lens = (point: Point, z: number) => Point

/**
 * A scene as the camera sees it, before blur and noise.
 * @param light how much brighter it is at the right edge and the lower edge than in the middle, as shares
 */
export function photoSvg(
  { ground, faces }: PhotoScene,
  lens: Lens,
  [width, height]: readonly [number, number],
  light: Point = [0, 0]
): string {
  const grey = (shade: number) => {
    const whole = Math.round(Math.min(255, Math.max(0, shade)))
    return `rgb(${whole},${whole},${whole})`
  }
  const paths = faces.flatMap(({ outline, z, shade, opacity }) => {
    const points = outline.map((point) => lens(point, z))
    if (points.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))) return []
    const d = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('')
    return [
      tag('path', { d: `${d}Z`, fill: grey(shade), ...(opacity === undefined ? {} : { 'fill-opacity': opacity }) })
    ]
  })
  const all = [tag('rect', { width, height, fill: grey(ground) }), ...paths, ...light.flatMap(shadowOf)]
  return tag('svg', { xmlns: 'http://www.w3.org/2000/svg', width, height }, all.join(''))
}

function tag(name: string, attributes: { readonly [key: string]: string | number }, inside = ''): string {
  const given = Object.entries(attributes).map(([key, value]) => ` ${key}="${value}"`)
  return `<${name}${given.join('')}>${inside}</${name}>`
}

/** A shadow that grows towards one edge. */
function shadowOf(share: number, axis: number): string[] {
  if (share === 0) return []
  const stop = (offset: number, opacity: number) =>
    tag('stop', { offset, 'stop-color': '#000', 'stop-opacity': opacity })
  const id = `l${axis}`
  return [
    tag(
      'linearGradient',
      { id, x1: 0, y1: 0, x2: axis === 0 ? 1 : 0, y2: axis === 0 ? 0 : 1 },
      stop(0, Math.max(share, 0)) + stop(1, Math.max(-share, 0))
    ),
    tag('rect', { width: '100%', height: '100%', fill: `url(#${id})` })
  ]
}
