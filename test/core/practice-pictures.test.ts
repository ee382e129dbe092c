import { titleOf } from '../support/told'
import { describe, expect, it } from 'vitest'
import { PRACTICE_SHEETS } from '../../demo/workshop'
import {
  extensionOf,
  type InspectionKind,
  inspectionsOf,
  lagOf,
  type Level,
  makeCase,
  PLUG_SHARE,
  seedWith,
  type PracticeCase,
  sightOf
} from '../../core/views/practice'
import { pictureOf } from '../../draw/practice/pictureOf'
import { svgOf } from '../../draw/shapes'
import { named, readAlong, readCounts, readDial, readMarks } from '../support/readPictures'

const INKS = { ground: '#000', line: '#fff', faint: '#888', lit: '#fc0', limit: '#f0f' }
const LOOKED = { attempt: 0, turnedForward: true }
const cases = Array.from({ length: 30 }, (_, i): PracticeCase =>
  makeCase(PRACTICE_SHEETS[i % PRACTICE_SHEETS.length]!, (1 + (i % 5)) as Level, 700 + i)
)

/** Every inspection of a kind on every case, with its picture as SVG. */
function pictures(kind: InspectionKind, crank = 0) {
  return cases.flatMap((engine) =>
    inspectionsOf(engine.drive)
      .filter((one) => one.kind === kind)
      .map((inspection) => ({
        engine,
        inspection,
        sight: sightOf(engine, inspection, LOOKED),
        svg: svgOf(pictureOf(engine, inspection, LOOKED, crank)!, INKS, titleOf(engine.drive, inspection))
      }))
  )
}

describe('pictures drawn from the truth, read back', () => {
  it('a tensioner against its rule, to a tenth', () => {
    for (const { engine, inspection, sight, svg } of pictures('extension')) {
      expect(readAlong(svg, 'tip', 0)).toBeCloseTo(sight.figures[0]!, 1)
      expect(Math.abs(readAlong(svg, 'tip', 0) - extensionOf(engine, inspection.part))).toBeLessThan(1.2)
      expect(named(svg, 'witness').length > 0).toBe(
        engine.truth.findings.some(({ target, finding }) => target === inspection.part && finding === 'witness-mark')
      )
    }
  })
  it('as many notches stand clear of the housing as the extension lets out, and a plug shows no more than its slot', () => {
    for (const { engine, inspection, svg } of pictures('extension')) {
      const { ratchet } = engine.drive.tensioners.find(({ id }) => id === inspection.part)!
      const read = readAlong(svg, 'tip', 0)
      if (ratchet)
        expect(named(svg, 'notch')).toHaveLength(Math.max(0, Math.floor((read - ratchet.first) / ratchet.pitch) + 1))
    }
    for (const { engine, inspection, sight, svg } of pictures('plug')) {
      const { ratchet, stroke } = engine.drive.tensioners.find(({ id }) => id === inspection.part)!
      const most = Math.floor((PLUG_SHARE * stroke - ratchet!.first) / ratchet!.pitch) + 1
      expect(sight.figures[0]).toBeLessThanOrEqual(most)
      if (extensionOf(engine, inspection.part) < PLUG_SHARE * stroke)
        expect(named(svg, 'notch')).toHaveLength(sight.figures[0]!)
      const slot = named(svg, 'slot')[0]!
      for (const notch of named(svg, 'notch')) expect(notch.points[0]![0]).toBeGreaterThan(slot.points[0]![0] - 20)
    }
  })
  it('a groove and a pad against their depth scale', () => {
    for (const { sight, svg, inspection } of pictures('rail'))
      if (inspection.reads.length > 0) expect(readAlong(svg, 'groove bottom', 1)).toBeCloseTo(sight.figures[0]!, 1)
    for (const { sight, svg, inspection } of pictures('pad'))
      if (inspection.reads.length > 0) expect(readAlong(svg, 'pad face', 1)).toBeCloseTo(sight.figures[0]!, 1)
  })
  it('what is missing, broken and swapped is to be seen, and nothing else', () => {
    for (const { engine, inspection, svg } of pictures('rail')) {
      const has = (finding: string) =>
        engine.truth.findings.find(({ target, finding: f }) => target === inspection.part && f === finding)
      expect(named(svg, 'missing piece')).toHaveLength(has('piece-missing')?.count ?? 0)
      expect(named(svg, 'break').length > 0).toBe(Boolean(has('broken')))
      expect(named(svg, 'metal').length > 0).toBe(Boolean(has('metal-showing')))
      expect(svg.includes('that of the other guide')).toBe(Boolean(has('swapped')))
    }
    for (const { engine, svg } of pictures('pan'))
      expect(named(svg, 'piece')).toHaveLength(
        engine.truth.findings.find(({ finding }) => finding === 'pieces-found')?.count ?? 0
      )
  })
  it('links counted on the real run, halves and jumps in them, at the setting point and after whole cycles', () => {
    for (const crank of [0, 720]) {
      for (const { inspection, sight, svg } of pictures('count', crank)) {
        const counted = readCounts(
          svg,
          inspection.reads.map(({ from }) => from!)
        )
        expect(counted).toEqual(sight.figures)
      }
    }
    const { engine, inspection } = pictures('count').find(({ sight }) =>
      sight.figures.some((links) => links % 1 !== 0)
    )!
    const total = sightOf(engine, inspection, LOOKED).figures.reduce((sum, links) => sum + links, 0)
    expect(total).toBe(engine.drive.chains.find(({ id }) => id === inspection.part)!.links)
  })
  it('a figure of a finding on its meter, gauge or rule', () => {
    const later = PRACTICE_SHEETS.flatMap((one) =>
      (['solenoid-open', 'gasket-through', 'spring-tired'] as const).flatMap((fault) => {
        const seed = seedWith(one, 3, fault, 0, 2)
        return seed === null ? [] : [makeCase(one, 3, seed, 2)]
      })
    )
    expect(later.length).toBeGreaterThan(3)
    for (const engine of later) {
      const show = (kind: InspectionKind) => {
        const inspection = inspectionsOf(engine.drive).find((one) => one.kind === kind && one.reads.length > 0)
        if (!inspection) return null
        const svg = svgOf(pictureOf(engine, inspection, LOOKED, 0)!, INKS, '')
        return { svg, figures: sightOf(engine, inspection, LOOKED).figures }
      }
      const oil = show('oil')
      if (oil) expect(readDial(oil.svg, 'ohms', 480, 270)).toBeCloseTo(oil.figures[0]!, 0)
      const push = show('push')
      if (push) expect(readAlong(push.svg, 'spring end', 0)).toBeCloseTo(push.figures[0]!, 1)
      const pressed = show('compression')
      pressed?.figures.forEach((bar, i) => {
        const [from, to] = named(pressed.svg, `needle ${i + 1}`)[0]!.points as [[number, number], [number, number]]
        const turned = (Math.atan2(to[0] - from[0], from[1] - to[1]) * 180) / Math.PI
        expect(((turned + 120 + 360) % 360) / 15).toBeCloseTo(bar, 1)
      })
    }
  })
  it('what is wrong with wheel, cover, camshaft and phaser, and nothing on a sound one', () => {
    const shown = {
      'trigger-chewed': ['trigger', 'chewed tooth'],
      'cover-eaten': ['cover', 'hole'],
      'seat-worn': ['camshaft', 'fretted seat'],
      'head-sheared': ['phaser', 'sheared head']
    } as const
    for (const [fault, [kind, stroke]] of Object.entries(shown)) {
      const sheet = PRACTICE_SHEETS.find((one) => seedWith(one, 3, fault, 0, 2) !== null)!
      const seen = (engine: PracticeCase) =>
        inspectionsOf(engine.drive)
          .filter((one) => one.kind === kind)
          .flatMap((one) => named(svgOf(pictureOf(engine, one, LOOKED, 0)!, INKS, ''), stroke))
      const struck = makeCase(sheet, 3, seedWith(sheet, 3, fault, 0, 2)!, 2)
      expect(seen(struck).length).toBeGreaterThan(0)
      expect(seen({ ...struck, truth: { ...struck.truth, findings: [] } })).toEqual([])
    }
  })
  it.each(['marks', 'wheel'] as const)("with the cam at its line the crank's pointer shows its lag: %s", (kind) => {
    for (const {
      engine,
      inspection,
      sight: {
        figures: [lag]
      }
    } of pictures(kind)) {
      const svg = svgOf(pictureOf(engine, inspection, LOOKED, lag! + 720)!, INKS, '')
      const { pointer, off } = readMarks(svg)
      expect(off).toBeCloseTo(0, 0)
      expect(pointer).toBeCloseTo(lag!, 1)
      expect(Math.abs(lag! - lagOf(engine, inspection.part))).toBeLessThan(2.5)
      // Half a cam turn away no mark is in sight, though the crank stands at its own.
      expect(readMarks(svgOf(pictureOf(engine, inspection, LOOKED, lag! + 360)!, INKS, '')).off).toBeNaN()
      // A little further on, the cam's mark has passed its line in the running direction.
      const on = readMarks(svgOf(pictureOf(engine, inspection, LOOKED, lag! + 2)!, INKS, '')).off
      expect(Math.sign(on)).toBe(engine.drive.rotation === 'clockwise' ? 1 : -1)
    }
  })
  it('old chain beside new, calliper, phaser play', () => {
    for (const { sight, svg } of pictures('bench'))
      expect(readAlong(svg, 'old end', 0) - readAlong(svg, 'new end', 0)).toBeCloseTo(sight.figures[0]!, 1)
    for (const { sight, svg } of pictures('length')) {
      const parts = readDial(svg.replaceAll(/data-name="tick 1\d\d"/g, ''), 'needle', 320, 250)
      expect(Math.abs(parts - (sight.figures[0]! % 1))).toBeLessThan(0.011)
    }
    for (const { sight, svg, engine, inspection } of pictures('phaser')) {
      expect(readDial(svg, 'rocked on', 180, 300) - readDial(svg, 'rocked back', 180, 300)).toBeCloseTo(
        sight.figures[0]!,
        1
      )
      expect(named(svg, 'snaps').length > 0).toBe(
        engine.truth.findings.some(({ target, finding }) => target === inspection.part && finding === 'snaps-back')
      )
    }
  })
  it('names what it shows and never the truth: no figure of it stands written in a picture', () => {
    for (const kind of ['rail', 'bench', 'extension', 'phaser', 'marks'] as const) {
      for (const { sight, svg } of pictures(kind)) {
        const texts = [...svg.matchAll(/<text[^>]*>([^<]*)<\/text>/g)].map(([, text]) => text)
        const exact = String(sight.figures[0])
        if (exact.includes('.') && exact.length > 3) expect(texts).not.toContain(exact)
      }
    }
  })
})
