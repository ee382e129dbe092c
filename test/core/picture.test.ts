import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { pitchRadius, type Point, randomness, type Roll } from '../../core/math'
import {
  countLinks,
  findCard,
  focalOf,
  type Measure,
  measurePicture,
  type MeasureFile,
  pixelsOf,
  planeOf,
  readMeasure
} from '../../core/picture'
import { cardFaces } from '../../draw/photo/card'
import { moved } from '../../draw/photo/scene'
import { cardPhoto, chainPhoto, photograph } from '../support/photos'
import { makeCamera, measureFile, seenCard, tapped } from '../support/pictures'

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!

function measured(file: MeasureFile) {
  const found = measurePicture(file)
  if ('code' in found) throw new Error(found.code)
  return found
}
const figure = (file: MeasureFile) => {
  const [one] = measured(file).results
  if (!one || !('value' in one)) throw new Error('expected a figure')
  return one
}

/** A length beside a card, tapped; how far it is measured off, over its own doubt. */
function lengthBeside(roll: Roll, { above = 0, told = false, tap = 1.5 } = {}) {
  const camera = makeCamera(roll)
  const mm = roll.between(20, 120)
  const [x, y, way] = [roll.between(-80, 80), roll.between(-60, 60), roll.between(0, 6.28)]
  const end = (px: number, py: number) => tapped(roll, camera.pixel(px, py), tap)
  const file = measureFile(camera, {
    plane: [seenCard(roll, camera, 'a6', { z: -above, sd: 0.1 })],
    tap,
    ...(told ? { behind: above } : {}),
    measure: [{ kind: 'length', a: end(x, y), b: end(x + mm * Math.cos(way), y + mm * Math.sin(way)) }]
  })
  const one = figure(file)
  return { error: one.value - mm, ...one }
}

describe('a camera before a plane', () => {
  it('shows points at pixels, and takes pixels back to points, lens, tilt and height in it', () => {
    const camera = {
      turn: [0.3, -0.2, 2.9],
      aim: [0.05, -0.03],
      distance: 480,
      focal: 3000,
      middle: [4, -7],
      lens: -0.05
    } as const
    const [show, place] = [pixelsOf(camera, [4000, 3000]), planeOf(camera, [4000, 3000], 12)]
    for (const [x, y] of [
      [0, 0],
      [70, -40],
      [-90, 55]
    ] as const) {
      const back = place(show([x, y], 12))
      expect(back[0]).toBeCloseTo(x, 3)
      expect(back[1]).toBeCloseTo(y, 3)
    }
  })
  it('its focal length stands in a picture’s data, or nowhere', () => {
    expect(focalOf({ FocalLengthIn35mmFormat: 26 }, 4000, 3000)).toBeCloseTo(3004.6, 0)
    for (const tags of [null, {}, { FocalLengthIn35mmFormat: 0 }, { FocalLengthIn35mmFormat: '26' }])
      expect(focalOf(tags, 4000, 3000)).toBeNull()
  })
})

describe('lengths beside a scale card', () => {
  const cases = Array.from({ length: 80 }, (_, i) => lengthBeside(randomness(71 * i + 3), { above: 8, told: true }))

  it('are right to a few tenths, and their doubt is honest', () => {
    expect(median(cases.map(({ error }) => Math.abs(error)))).toBeLessThan(0.32)
    const held = cases.filter(({ error, sigma }) => Math.abs(error) < 1.645 * sigma).length
    expect(held).toBeGreaterThan(0.8 * cases.length)
    expect(held).toBeLessThan(0.98 * cases.length)
  })
  it('a card that lies behind is corrected by: not told, it is a doubt, and the largest', () => {
    const far = { above: 15, tap: 0.2 }
    const told = lengthBeside(randomness(9), { ...far, told: true })
    const untold = lengthBeside(randomness(9), far)
    expect(Math.abs(told.error)).toBeLessThan(0.2)
    expect(Math.abs(untold.error)).toBeGreaterThan(1)
    expect(untold.sigma).toBeGreaterThan(2 * told.sigma)
    expect(untold.shares.behind).toBeGreaterThan(0.8)
    expect(told.shares.behind).toBeLessThan(0.2)
  })
  it('the picture says how far the camera was and how it was held', () => {
    const roll = randomness(5)
    const camera = makeCamera(roll, { distance: 500, tilt: 20, lens: 0 })
    const { distance, tilt, corner } = measured(
      measureFile(camera, { plane: [seenCard(roll, camera, 'a5')], measure: [], behind: 0 })
    )
    expect(Math.abs(distance - camera.height)).toBeLessThan(12)
    expect(Math.abs(tilt - 20)).toBeLessThan(3)
    expect(corner).toBeLessThan(0.4)
  })
  it('a card that is bent is refused, not averaged', () => {
    const roll = randomness(6)
    const camera = makeCamera(roll)
    const flat = seenCard(roll, camera, 'a6')
    if (flat.kind !== 'card') throw new Error('expected a card')
    const bent = { ...flat.corners, '2': flat.corners['2']!.map(([x, y]): Point => [x + 14, y - 9]) }
    expect(measurePicture(measureFile(camera, { plane: [{ ...flat, corners: bent }] }))).toMatchObject({
      code: 'card-disagrees'
    })
  })
})

describe('other scales', () => {
  it('a known length, and the rim of a sprocket, which shows how the camera was tilted', () => {
    const off = (known: (roll: Roll, at: (x: number, y: number) => Point) => MeasureFile['plane'][number]) =>
      Array.from({ length: 30 }, (_, i) => {
        const roll = randomness(31 * i + 7)
        const camera = makeCamera(roll, { tilt: roll.between(0, 15) })
        const at = (x: number, y: number) => tapped(roll, camera.pixel(x, y), 1)
        const file = measureFile(camera, {
          plane: [known(roll, at)],
          measure: [{ kind: 'length', a: at(-30, 25), b: at(30, 25) }]
        })
        const { value, sigma } = figure(file)
        return { error: Math.abs(value - 60), sigma }
      })
    const length = off((_, at) => ({ kind: 'known', a: at(-50, 0), b: at(50, 0), mm: 100 }))
    const rim = off((roll, at) => ({
      kind: 'rim',
      teeth: 40,
      pitch: 8,
      points: Array.from({ length: 8 }, (_, k): Point => {
        const angle = (k + roll.between(-0.2, 0.2)) * (Math.PI / 4)
        const r = pitchRadius(8, 40)
        return at(r * Math.cos(angle), r * Math.sin(angle))
      })
    }))
    for (const cases of [length, rim]) {
      expect(median(cases.map(({ error }) => error))).toBeLessThan(0.8)
      expect(cases.filter(({ error, sigma }) => error > 1.645 * sigma).length).toBeLessThan(7)
    }
  })
  it('an old chain beside a new one: the new one is the scale', () => {
    const errors = Array.from({ length: 40 }, (_, i) => {
      const roll = randomness(17 * i + 1)
      const camera = makeCamera(roll, { distance: roll.between(220, 320) })
      const pin = (x: number, y: number) => tapped(roll, camera.pixel(x - 80, y), 1.5)
      const { value } = figure(
        measureFile(camera, {
          plane: [seenCard(roll, camera, 'a6', { at: [0, 80] })],
          behind: 0,
          measure: [
            {
              kind: 'compare',
              old: [pin(0, 10), pin(160.96, 10)],
              new: [pin(0, -10), pin(160, -10)],
              links: 20,
              pitch: 8
            }
          ]
        })
      )
      return Math.abs(value - 0.96)
    })
    expect(median(errors)).toBeLessThan(0.17)
  })
  it('nothing that gives a scale is said, and so are points that say nothing', () => {
    const camera = makeCamera(randomness(1))
    const length: Measure = { kind: 'length', a: [5, 5], b: [500, 500] }
    expect(measurePicture(measureFile(camera, { measure: [length] }))).toMatchObject({ code: 'no-scale' })
    expect(
      measurePicture(
        measureFile(camera, {
          plane: [{ kind: 'known', a: [1, 1], b: [900, 1], mm: 50 }],
          measure: [{ kind: 'length', a: [5, 5], b: [5, 5] }]
        })
      )
    ).toMatchObject({ code: 'same-point' })
  })
})

describe('the layout of an engine', () => {
  const truth: Record<string, { teeth: number; centre: Point }> = {
    crank: { teeth: 21, centre: [0, -130] },
    'cam-in': { teeth: 42, centre: [-62, 110] },
    'cam-ex': { teeth: 42, centre: [64, 112] }
  }
  function layout(roll: Roll, card: boolean) {
    const camera = makeCamera(roll, { distance: roll.between(450, 700), focal: 2600 })
    const rim = (teeth: number, [x, y]: Point) =>
      Array.from({ length: 4 }, (_, k): Point => {
        const angle = roll.between(0, 1) + (k * Math.PI) / 2
        const r = pitchRadius(8, teeth)
        return tapped(roll, camera.pixel(x + r * Math.cos(angle), y + r * Math.sin(angle)), 1.5)
      })
    const { results } = measured(
      measureFile(camera, {
        plane: card ? [seenCard(roll, camera, 'a6')] : [],
        measure: [
          {
            kind: 'layout',
            sprockets: Object.fromEntries(
              Object.entries(truth).map(([id, { teeth, centre }]) => [id, { teeth, pitch: 8, rim: rim(teeth, centre) }])
            ),
            points: { pivot: tapped(roll, camera.pixel(40, -60), 1.5) }
          }
        ]
      })
    )
    const [one] = results
    if (!one || !('centres' in one)) throw new Error('expected a layout')
    return one
  }
  it('is found from rims alone beside a card, every centre with its doubt', () => {
    const cases = Array.from({ length: 25 }, (_, i) => layout(randomness(13 * i + 2), true))
    const errors = cases.flatMap(({ centres }) =>
      ['cam-in', 'cam-ex'].map((id) => {
        const { x, y, sigma } = centres[id]!
        const [tx, ty] = [truth[id]!.centre[0], truth[id]!.centre[1] + 130]
        return { error: Math.hypot(x - tx, y - ty), sigma }
      })
    )
    expect(median(errors.map(({ error }) => error))).toBeLessThan(0.6)
    expect(errors.filter(({ error, sigma }) => error > 2.6 * sigma).length).toBeLessThan(0.15 * errors.length)
    for (const { centres, points } of cases) {
      expect(centres.crank).toMatchObject({ x: 0, y: 0 })
      expect(Math.abs(points.pivot!.x - 40)).toBeLessThan(2)
      expect(Math.abs(points.pivot!.y - 70)).toBeLessThan(2)
    }
  })
  it('and without a card by the rims themselves', () => {
    const apart = Array.from({ length: 15 }, (_, i) => layout(randomness(19 * i + 4), false)).map(({ centres }) =>
      Math.abs(
        Math.hypot(centres['cam-in']!.x - centres['cam-ex']!.x, centres['cam-in']!.y - centres['cam-ex']!.y) - 126.02
      )
    )
    expect(median(apart)).toBeLessThan(1)
  })
})

describe('the card on a photo', () => {
  it('is found by itself, to a part of a pixel, turned any way and partly covered', async () => {
    for (let seed = 0; seed < 5; seed++) {
      const photo = await cardPhoto(randomness(77 * seed + 1), seed)
      const found = findCard(photo.gray)
      if ('code' in found) throw new Error(found.code)
      expect(found.card).toBe(photo.card)
      for (const [place, corners] of Object.entries(found.corners))
        corners!.forEach(([x, y], i) => {
          const [u, v] = photo.corner(Number(place), i)
          expect(Math.hypot(x - u, y - v)).toBeLessThan(0.4)
        })
    }
  })
  it('none, half of one, a folded one and two are said', async () => {
    const camera = makeCamera(randomness(3), { size: [1600, 1200], focal: 1200, tilt: 8, distance: 420 })
    const shoot = async (faces: Parameters<typeof photograph>[0]) =>
      findCard((await photograph(faces, camera, { ground: 110, light: [0, 0], seed: 1 })).gray)
    const card = cardFaces('a6')
    expect(await shoot([])).toMatchObject({ code: 'no-card' })
    const mask = (x: number) => ({
      outline: [
        [x, -80],
        [90, -80],
        [90, 80],
        [x, 80]
      ] as Point[],
      z: 0,
      shade: 110
    })
    const lower = {
      outline: [
        [-90, -80],
        [90, -80],
        [90, 0],
        [-90, 0]
      ] as Point[],
      z: 0,
      shade: 110
    }
    expect(await shoot([...card, mask(-20), lower])).toMatchObject({ code: 'half-a-card' })
    expect(await shoot([...moved(card, [-75, 0]), ...moved(cardFaces('a6'), [80, 0])])).toMatchObject({
      code: 'two-cards'
    })
    // Folded up along its middle: each half is flat, the whole is not.
    const folded = card.map((face) => ({
      ...face,
      outline: face.outline.map(([x, y]): Point => (x > 0 ? [x * 0.8, y] : [x, y]))
    }))
    expect(await shoot(folded)).toMatchObject({ code: 'card-not-flat' })
  })
})

describe('links along a line', () => {
  it('are counted, halves too, and where there is a doubt it is said', async () => {
    let right = 0
    for (let seed = 0; seed < 8; seed++) {
      const roll = randomness(500 + 37 * seed)
      const { gray, line, links } = await chainPhoto(roll, seed)
      const counted = countLinks(gray, line, { links: Math.round(links) + 1 })
      if ('code' in counted) throw new Error(counted.code)
      if (counted.sure) expect(counted.links).toBe(links)
      right += counted.links === links ? 1 : 0
      expect(counted.ticks.length).toBe(Math.floor(counted.links) + 1)
    }
    expect(right).toBeGreaterThan(6)
  })
  it('a line over nothing, or hardly any line, is none', async () => {
    const { gray } = await photograph([], makeCamera(randomness(2), { size: [800, 600], focal: 600 }), {
      ground: 100,
      light: [0, 0],
      seed: 2
    })
    expect(
      countLinks(gray, [
        [1, 1],
        [4, 4]
      ])
    ).toMatchObject({ code: 'line-too-short' })
    const over = countLinks(gray, [
      [100, 300],
      [700, 300]
    ])
    expect('code' in over ? false : over.sure).toBe(false)
  })
})

describe('the command', () => {
  let folder = ''
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'umbrette-picture-'))
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const picture = (...given: string[]) => {
    const { status, stdout, stderr } = spawnSync('node', ['cli/picture.mjs', ...given], { encoding: 'utf8' })
    return { status, stdout, stderr }
  }
  const kept = (name: string, value: unknown) => {
    const path = join(folder, name)
    writeFileSync(path, value instanceof Buffer ? value : JSON.stringify(value))
    return path
  }
  it('measures a file, finds a card and counts links; what the one finds the other takes', async () => {
    const photo = await cardPhoto(randomness(78), 4, { cover: false })
    const found = picture('find', kept('card.jpg', photo.jpeg))
    expect(found.stderr).toBe('')
    const { plane, size } = JSON.parse(found.stdout) as MeasureFile
    const [a, b] = [photo.corner(0, 0), photo.corner(1, 1)]
    const file = { format: 'umbrette-picture', version: 1, size, plane, behind: 0, measure: [{ kind: 'length', a, b }] }
    const answer = picture(kept('m.json', file))
    const { results } = JSON.parse(answer.stdout) as { results: { value: number; sigma: number }[] }
    expect(Math.abs(results[0]!.value - (photo.card === 'a6' ? 140 : 196))).toBeLessThan(3 * results[0]!.sigma)
    expect(answer.stdout.trim().split('\n')).toHaveLength(1)
    const { jpeg, line, links } = await chainPhoto(randomness(500), 0)
    const counted = JSON.parse(
      picture('links', kept('chain.jpg', jpeg), kept('line.json', { line, links })).stdout
    ) as {
      links: number
    }
    expect(counted.links).toBe(links)
  })
  it('says in one line what stands in the way, and ends with 2', async () => {
    const { jpeg } = await cardPhoto(randomness(78), 4, { cover: false })
    const file = { format: 'umbrette-picture', version: 1, size: [100, 100], plane: [], measure: [] }
    for (const given of [
      [],
      ['find'],
      [join(folder, 'nowhere.json')],
      ['find', kept('cut.jpg', jpeg.subarray(0, 30_000))],
      ['find', kept('text.jpg', Buffer.from('no picture'))],
      ['links', kept('whole.jpg', jpeg), kept('bad-line.json', { line: [[1, 'x']] })],
      [kept('bad.json', Buffer.from('{"format":'))],
      [kept('kind.json', { ...file, measure: [{ kind: 'toString' }] })],
      [kept('deep.json', { ...file, plane: [{ kind: 'card', card: 'a6', corners: { '0': [[1, 2]] } }] })],
      [kept('none.json', { ...file, measure: [{ kind: 'length', a: [1, 1], b: [5, 5] }] })],
      [kept('proto.json', Buffer.from('{"__proto__":1}'))]
    ]) {
      const { status, stdout, stderr } = picture(...given)
      expect([given.at(0), status]).toEqual([given.at(0), 2])
      expect(stdout).toBe('')
      expect(stderr.trim().length).toBeGreaterThan(10)
      expect(stderr).not.toMatch(/at .*\.ts|node:internal|Error:/)
    }
  })
  it('a file of any shape is checked, and never throws', () => {
    for (const value of [null, 1, [], {}, { format: 'umbrette-picture' }, { measure: [null], plane: [1] }])
      expect(readMeasure(value).faults.length).toBeGreaterThan(0)
  })
})
