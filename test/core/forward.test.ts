import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  asNew,
  chainModel,
  type ChainModel,
  chartedModel,
  colouredLinksReturn,
  contourAt,
  linksRound
} from '../../core/drive'
import type { DriveSheet } from '../../core/sheet'
import { changed, sheet } from '../support/sheets'

const modelOf = (s: DriveSheet, id = s.chains[0]!.id): ChainModel =>
  chainModel(
    s,
    s.chains.find((c) => c.id === id)!
  )
const at = (model: ChainModel, elongation: number) => model.readout({ ...asNew(model), elongation })

describe('figures of the sample sheets, elongation alone', () => {
  const figures = [
    [
      'ardmere-a18',
      'main',
      [
        [0, 3.0],
        [0.003, 11.94],
        [0.005, 16.54]
      ],
      { 'cam-in': [2.48, 4.13], 'cam-ex': [3.29, 5.47] }
    ],
    [
      'vellora-v28',
      'bank-1',
      [
        [0.003, 11.27],
        [0.005, 15.83]
      ],
      { 'in-1': [2.13, 3.55], 'ex-1': [2.89, 4.8] }
    ],
    [
      'vellora-v28',
      'bank-2',
      [
        [0.003, 11.27],
        [0.005, 15.82]
      ],
      { 'in-2': [2.89, 4.8], 'ex-2': [2.13, 3.55] }
    ],
    [
      'quillon-q40',
      'cam-chain',
      [
        [0, 6.0],
        [0.003, 11.4],
        [0.005, 13.91]
      ],
      { cam: [2.31, 3.84] }
    ],
    [
      'hexley-h46',
      'main',
      [
        [0, 2.0],
        [0.003, 3.77],
        [0.005, 4.77]
      ],
      { cam: [0.69, 1.15] }
    ],
    [
      'torvane-d26',
      'main',
      [
        [0, 3.0],
        [0.003, 10.11],
        [0.005, 13.91]
      ],
      { left: [3.37, 5.61], right: [1.53, 2.55] }
    ],
    [
      'quillon-q40-counted',
      'cam-chain',
      [
        [0.001, 7.67],
        [0.003, 11.03],
        [0.005, 14.38]
      ],
      {}
    ]
  ] as const

  it.each(figures)('%s, chain %s', (id, chain, extensions, lags) => {
    const model = modelOf(sheet(id), chain)
    for (const [elongation, mm] of extensions)
      expect(Math.abs(at(model, elongation).extension! - mm)).toBeLessThan(0.02)
    for (const [cam, [three, five]] of Object.entries(lags) as [string, readonly [number, number]][]) {
      const i = model.cams.indexOf(cam)
      expect(Math.abs(at(model, 0.003).lag[i]! - three)).toBeLessThan(0.02)
      expect(Math.abs(at(model, 0.005).lag[i]! - five)).toBeLessThan(0.02)
      expect(at(model, 0).lag[i]).toBeCloseTo(0, 6)
    }
  })

  it.each([
    ['ardmere-a18', 14],
    ['vellora-v28', 126],
    ['quillon-q40', 88],
    ['hexley-h46', 58],
    ['torvane-d26', 134]
  ] as const)('coloured links of %s return after %i crank turns', (id, turns) => {
    const s = sheet(id)
    expect(colouredLinksReturn(s, s.chains[0]!)).toBe(turns)
  })
})

describe('known corrections', () => {
  const s = sheet('ardmere-a18')
  const model = chartedModel(s, s.chains[0]!)

  it('0.3 mm off the head lets the plunger about 2 mm further out and makes each cam about 0.7° late', () => {
    const skimmed = chartedModel(s, s.chains[0]!, { skim: { 1: 0.3 } })
    const [was, is] = [at(model, 0.002), at(skimmed, 0.002)]
    expect(is.extension! - was.extension!).toBeGreaterThan(1.5)
    expect(is.extension! - was.extension!).toBeLessThan(2.6)
    is.lag.forEach((lag, i) => expect(lag - was.lag[i]!).toBeCloseTo(0.7, 1))
  })

  it('an aluminium engine 80 K warmer hides 0.06 to 0.08 points of elongation', () => {
    const hot = chartedModel(s, s.chains[0]!, { temperature: { celsius: 100, block: 'aluminium' } })
    expect(at(hot, 0.004).extension!).toBeLessThan(at(model, 0.0034).extension!)
    expect(at(hot, 0.004).extension!).toBeGreaterThan(at(model, 0.0032).extension!)
  })

  it('an iron engine grows with its chain and hides next to nothing', () => {
    const hot = chartedModel(s, s.chains[0]!, { temperature: { celsius: 100, block: 'iron' } })
    expect(Math.abs(at(hot, 0.004).extension! - at(model, 0.004).extension!)).toBeLessThan(0.15)
  })
})

describe('the arm at the ends of its reach', () => {
  const model = modelOf(sheet('ardmere-a18'))

  it('stops at the stroke and leaves slack in mm', () => {
    const { extension, slack } = at(model, 0.01)
    expect(extension).toBeCloseTo(22, 6)
    expect(slack).toBeCloseTo(1.6, 1)
  })

  it('says by how much a chain is too short, with the arm all the way back', () => {
    const { tooTight, slack, armAngle } = at(model, -0.004)
    expect(tooTight).toBeGreaterThan(1)
    expect(slack).toBe(0)
    expect(armAngle).toBeCloseTo(-0.92, 6)
  })

  it('pad wear brings the plunger out and leaves the cams where they are', () => {
    const worn = model.readout({ ...asNew(model), elongation: 0.003, padWear: 0.4 })
    expect(worn.extension! - at(model, 0.003).extension!).toBeCloseTo(0.4, 1)
    expect(worn.lag).toEqual(at(model, 0.003).lag)
  })
})

describe('properties of the forward model', () => {
  const base = sheet('ardmere-a18')
  const model = modelOf(base)
  const worn = fc.record({
    elongation: fc.double({ min: 0, max: 0.006, noNaN: true }),
    wear: fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
    padWear: fc.double({ min: 0, max: 0.6, noNaN: true })
  })

  const moved = (
    move: (p: [number, number]) => [number, number],
    angle: (degrees: number) => number,
    scale = 1,
    mirrored = false
  ) =>
    changed(base, (draft) => {
      for (const s of draft.sprockets) s.centre = move(s.centre)
      for (const r of draft.rails) {
        if (r.shoe) r.shoe = { centre: move(r.shoe.centre), radius: r.shoe.radius * scale }
        if (r.pivot) r.pivot = move(r.pivot)
      }
      for (const t of draft.tensioners) {
        t.seat = move(t.seat)
        t.axis = angle(t.axis)
        t.pad = { point: move(t.pad.point), face: angle(t.pad.face) }
        t.stroke *= scale
        if (mirrored) t.armRange = [-t.armRange[1], -t.armRange[0]]
      }
      for (const c of draft.chains) c.pitch *= scale
      if (mirrored) draft.rotation = 'anticlockwise'
    })

  const sameAs = (other: DriveSheet, scale = 1) => {
    const second = modelOf(other)
    fc.assert(
      fc.property(worn, (state) => {
        const [a, b] = [
          model.readout(state),
          second.readout({ ...state, wear: state.wear.map((w) => w * scale), padWear: state.padWear * scale })
        ]
        expect(b.extension! / scale).toBeCloseTo(a.extension!, 5)
        a.lag.forEach((lag, i) => expect(b.lag[i]).toBeCloseTo(lag, 5))
      }),
      { numRuns: 25 }
    )
  }

  it('a mirrored drive reads the same', () =>
    sameAs(
      moved(
        ([x, y]) => [-x, y],
        (a) => 180 - a,
        1,
        true
      )
    ))
  it('a turned drive reads the same', () => {
    const turn =
      (a: number) =>
      ([x, y]: [number, number]): [number, number] => [
        x * Math.cos(a) - y * Math.sin(a),
        x * Math.sin(a) + y * Math.cos(a)
      ]
    sameAs(moved(turn(0.7), (a) => a + (0.7 * 180) / Math.PI))
  })
  it('a shifted drive reads the same', () =>
    sameAs(
      moved(
        ([x, y]) => [x + 311, y - 87],
        (a) => a
      )
    ))
  it('a drive twice the size reads twice the mm and the same degrees', () =>
    sameAs(
      moved(
        ([x, y]) => [2 * x, 2 * y],
        (a) => a,
        2
      ),
      2
    ))

  it('more elongation never shortens the extension while the chain is taut, nor lets a cam catch up', () => {
    fc.assert(
      fc.property(worn, fc.double({ min: 1e-5, max: 0.002, noNaN: true }), (state, more) => {
        const [less, longer] = [model.readout(state), model.readout({ ...state, elongation: state.elongation + more })]
        expect(longer.extension!).toBeGreaterThanOrEqual(less.extension!)
        longer.lag.forEach((lag, i) => expect(lag).toBeGreaterThan(less.lag[i]!))
      })
    )
  })

  it('the links that fit a taut contour are the links of the chain', () => {
    const charted = chartedModel(base, base.chains[0]!)
    fc.assert(
      fc.property(worn, (state) => {
        const { contour, slack } = charted.settle(state)
        if (slack === 0)
          expect(linksRound(charted.elements, contour, charted.linkLength(state.elongation))).toBeCloseTo(126, 6)
      })
    )
  })

  it('a close arm angle only makes it quicker', () => {
    fc.assert(
      fc.property(worn, fc.double({ min: -0.5, max: 6, noNaN: true }), (state, near) => {
        expect(model.readout(state, near).extension).toBeCloseTo(model.readout(state).extension!, 6)
      })
    )
  })

  it('drops a rail that the chain leaves, and gives no contour where circles overlap', () => {
    const charted = chartedModel(base, base.chains[0]!)
    const far = charted.elements.map((e) => (e.id === 'guide' ? { ...e, centre: [900, 63] as const } : e))
    expect(contourAt(far, 0, [0, 0])!.touched).toHaveLength(4)
    const inside = charted.elements.map((e) =>
      e.id === 'cam-in' ? { ...e, centre: [-53, 331] as const, radius: 20 } : e
    )
    expect(contourAt(inside, 0, [0, 0])).toBeNull()
  })
})
