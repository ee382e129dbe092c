import { describe, expect, it } from 'vitest'
import { fitPictures, polar, railPaths, runPlaces, spread, toothPath } from '../../draw/drawing'
import { pathChart } from '../../draw/pathChart'
import { box, dial, disc, line, round, ruler } from '../../draw/practice/strokes'
import { escapeText, svgOf, type Drawing, type Shape } from '../../draw/shapes'
import type { ReportPath } from '../../words/en'
import { chainPicture, drivenSprockets, touchingRails } from '../../core/drive'
import { sheet } from '../support/sheets'

const AXES = { priceNow: 'price now', oddsOfComingBack: 'odds of coming back' }

const INKS = { ground: '#000', line: '#fff', faint: '#888', lit: '#fc0', limit: '#f0f' }
const only = (shape: Shape): Drawing => ({ width: 10, height: 10, shapes: [shape] })

describe('a drawing as an SVG file', () => {
  it('hostile words are text, in titles, names and labels', () => {
    const svg = svgOf(
      only({
        kind: 'text',
        text: '</text><script>1</script>',
        x: 1,
        y: 2,
        size: 9,
        ink: 'line',
        anchor: 'start',
        name: '"><img src=x>'
      }),
      INKS,
      '<b>&"'
    )
    expect(svg).not.toMatch(/<script|<img|<b>/)
    expect(svg).toContain('&#60;script&#62;')
    expect(svg).toContain('data-name="&#34;&#62;')
  })
  it('leaves out what XML has no place for, and keeps the rest of any language', () =>
    expect(escapeText('a\u0000b\u0007 שלום 🔧 ć')).toBe('ab שלום 🔧 ć'))
  it('a shape without a name carries none; a turned one says so', () => {
    expect(svgOf(only({ kind: 'path', d: 'M0 0', stroke: 'line' }), INKS, '')).not.toContain('data-name')
    expect(svgOf(only({ kind: 'path', d: 'M0 0', at: { x: 1.23456, y: 2, turn: 30 } }), INKS, '')).toContain(
      'translate(1.23 2) rotate(30)'
    )
  })
})

describe('scales that are read', () => {
  const scale = { at: (value: number) => 100 + 20 * value, from: 0, to: 5, step: 0.5, long: 2, labelled: 10 }
  const ticks = (shapes: Shape[]) => shapes.filter(({ name }) => name?.startsWith('tick '))
  const texts = (shapes: Shape[]) => shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []))

  it('a ruler has a tick at each step, where its value stands, and a figure at some', () => {
    const shapes = ruler({ ...scale, unit: 'mm' }, 50, 20)
    expect(ticks(shapes)).toHaveLength(11)
    expect(shapes.find(({ name }) => name === 'tick 2.5')).toMatchObject({ d: expect.stringMatching(/^M150 50L150 /) })
    expect(texts(shapes)).toEqual(['0', '5', 'mm'])
  })
  it('a ruler that starts below nothing counts its long ticks from nothing', () => {
    const shapes = ruler({ ...scale, from: -1, to: 1, labelled: 2 }, 50, -20)
    expect(texts(shapes)).toEqual(['-1', '0', '1'])
  })
  it('a dial has its ticks on its circle, inwards', () => {
    const [tick] = ticks(dial({ ...scale, at: (value) => 10 * value }, 0, 0, 100, 14))
    const [outer, inner] = [...(tick as { d: string }).d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) =>
      Math.hypot(Number(x), Number(y))
    )
    expect(outer).toBeCloseTo(100, 1)
    expect(inner).toBeLessThan(100)
  })
  it('angles run clockwise from up', () => {
    expect(round(0, 0, 10, 0)).toEqual([0, -10])
    expect(round(0, 0, 10, 90)[0]).toBeCloseTo(10, 9)
    expect(round(0, 0, 10, 90)[1]).toBeCloseTo(0, 9)
  })
  it('plain strokes are closed where they enclose', () => {
    expect([box(1, 2, 3, 4).endsWith('Z'), disc(0, 0, 5).endsWith('Z'), line([0, 0], [1, 1])]).toEqual([
      true,
      true,
      'M0 0L1 1'
    ])
  })
})

describe('a drive fitted into a frame', () => {
  const picturesOf = (drive: ReturnType<typeof sheet>) =>
    drive.chains.map((chain) =>
      chainPicture(
        drive,
        chain,
        { elongation: 0, wear: touchingRails(drive, chain).map(() => 0), padWear: 0 },
        drivenSprockets(drive, chain).map(() => 0)
      )!
    )
  const pictures = picturesOf(sheet('vellora-v28'))
  it.each([
    [800, 600],
    [320, 900],
    [1200, 300]
  ])('of %i by %i px stays inside it and keeps its proportions', (width, height) => {
    const { x, y, scale } = fitPictures(pictures, width, height, 40)
    for (const [px, py] of pictures.flatMap(({ pins }) => pins)) {
      expect(x(px)).toBeGreaterThan(0)
      expect(x(px)).toBeLessThan(width)
      expect(y(py)).toBeGreaterThan(0)
      expect(y(py)).toBeLessThan(height)
    }
    expect(x(10) - x(0)).toBeCloseTo(10 * scale, 9)
    expect(y(0) - y(10)).toBeCloseTo(10 * scale, 9)
  })
  it('a sprocket has its teeth, a rail its lining on the side away from the chain', () => {
    const { sprockets, rails } = pictures[0]!
    expect(toothPath(sprockets[0]!, 8, 1).split('L').length - 1).toBe(4 * sprockets[0]!.teeth - 1)
    expect(railPaths(rails[0]!, 8, 1).lining).not.toBe(railPaths(rails[0]!, 8, 1).body)
    expect(polar(90, 5).y).toBeCloseTo(-5, 9)
  })
  it.each(['ardmere-a18', 'vellora-v28', 'torvane-d26', 'hexley-h46', 'quillon-q40'] as const)(
    'the counts of %s cover neither each other nor the chain, even drawn small, and are tied to their run where they stand off',
    (id) => {
      const own = picturesOf(sheet(id))
      for (const [width, height] of [
        [460, 270],
        [800, 520]
      ] as const) {
        const projection = fitPictures(own, width, height, 44)
        const places = runPlaces(own, projection)
        const counts = [...places.values()]
        counts.forEach((a, i) =>
          counts.slice(i + 1).forEach((b) => expect(Math.abs(a.x - b.x) < 44 && Math.abs(a.y - b.y) < 44).toBe(false))
        )
        for (const [px, py] of own.flatMap(({ pins }) => pins))
          for (const { x, y } of counts)
            expect(Math.abs(x - projection.x(px)) < 16 && Math.abs(y - projection.y(py)) < 11).toBe(false)
        for (const [run, { x, y, tie }] of places)
          if (!tie) expect(Math.hypot(x - projection.x(run.at[0]), y - projection.y(run.at[1]))).toBeLessThan(26)
      }
    }
  )
  it('labels are spread so that none covers another, within their frame', () => {
    const placed = spread([10, 12, 14, 300], 40, 0, 310).toSorted((a, b) => a - b)
    placed.slice(1).forEach((place, i) => expect(place - placed[i]!).toBeGreaterThanOrEqual(40 - 1e-9))
    expect(Math.max(...placed)).toBeLessThanOrEqual(310)
  })
})

describe('the chart of paths', () => {
  const path = (price: number, comeBack: number, advised = false) => ({ price, comeBack, advised }) as ReportPath
  const chart = pathChart([path(400, 0.4), path(800, 0.1, true)], AXES, 500, 300)
  it('dearer stands further right, less likely to come back lower, each with its number', () => {
    expect(chart.places[1]!.x).toBeGreaterThan(chart.places[0]!.x)
    expect(chart.places[1]!.y).toBeGreaterThan(chart.places[0]!.y)
    const texts = chart.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []))
    expect(texts).toEqual(expect.arrayContaining(['1', '2', 'price now', 'odds of coming back']))
  })
  it('the advised one is filled, the others open', () => {
    const fills = chart.shapes.flatMap((shape) => (shape.kind === 'path' && shape.at ? [shape.fill] : []))
    expect(fills).toEqual(['ground', 'lit'])
  })
  it('a single path, and one that costs nothing, still have a chart', () => {
    for (const one of [path(0, 0), path(900, 1)])
      for (const { x, y } of pathChart([one], AXES, 500, 300).places)
        expect([Number.isFinite(x), Number.isFinite(y)]).toEqual([true, true])
  })
})
