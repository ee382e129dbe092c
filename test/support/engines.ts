import { angleClock, contourAt, elementsOf, linksBetweenMarks, linksRound, touchingRails } from '../../core/drive'
import { brent, type Point, randomness } from '../../core/math'
import { type Chain, clockAngle, type DriveSheet } from '../../core/sheet'

export interface EngineShape {
  seed: number
  cams?: 1 | 2 | 4
  /** Teeth of driver and cams; a cam chain driven at half speed already has as many on both. */
  teeth?: readonly [number, number]
}

/** Where cams sit above the driver, mm. */
const PLACES: Record<number, Point[]> = {
  1: [[0, 230]],
  2: [
    [-58, 320],
    [58, 320]
  ],
  4: [
    [-195, 240],
    [-72, 350],
    [72, 350],
    [195, 240]
  ]
}

/**
 * A sound drive of random shape: cams over a driver, an arm on the slack side, a guide on the tight side, the height
 * chosen so that the new chain closes with whole links. Mirrored half of the time.
 */
export function randomEngine({ seed, cams, teeth }: EngineShape): DriveSheet {
  const { uniform } = randomness(1000 + 7919 * seed)
  const between = (a: number, b: number) => a + (b - a) * uniform()
  const whole = (a: number, b: number) => Math.round(between(a, b))
  const count = cams ?? (uniform() < 0.5 ? 1 : 2)
  const [driver, driven] = teeth ?? [whole(17, 22), 0]
  const camTeeth = driven || 2 * driver
  const scatter = PLACES[count]!.map(([x, y]): Point => [x * between(0.95, 1.1), y + between(-6, 6)])
  const shape = {
    pitch: count < 4 && uniform() < 0.3 ? 9.525 : 8,
    dent: [between(4, 8), between(8, 13)] as const,
    radius: [between(280, 420), between(180, 240)] as const,
    newExtension: between(2, 4)
  }
  const at = (height: number) =>
    engineAt(
      seed,
      driver,
      camTeeth,
      scatter.map(([x, y]): Point => [x, y + height]),
      shape
    )
  const links = (sheet: DriveSheet) => {
    const chain = sheet.chains[0]!
    const contour = contourAt(
      elementsOf(sheet, chain),
      0,
      touchingRails(sheet, chain).map(() => 0)
    )
    return contour ? linksRound(elementsOf(sheet, chain), contour, chain.pitch) : NaN
  }
  const target = 2 * Math.round(links(at(0)) / 2)
  const height = brent((h) => links(at(h)) - target, -10, 10, 1e-7)
  const sheet = counted(at(height), target)
  return uniform() < 0.5 ? sheet : mirrored(sheet)
}

interface Shape {
  pitch: number
  dent: readonly [number, number]
  radius: readonly [number, number]
  newExtension: number
}

function engineAt(
  seed: number,
  driver: number,
  camTeeth: number,
  places: readonly Point[],
  { pitch, dent, radius, newExtension }: Shape
): DriveSheet {
  const reach = (z: number) => pitch / (2 * Math.sin(Math.PI / z))
  const [left, right] = [places[0]!, places.at(-1)!]
  // Clockwise travel leaves the driver on the left: the arm stands there, the guide on the right.
  const strand = (cam: Point, side: -1 | 1) => {
    const more = reach(camTeeth) - reach(driver)
    const length = Math.sqrt(cam[0] ** 2 + cam[1] ** 2 - more ** 2)
    const heading = Math.atan2(cam[1], cam[0]) - side * Math.atan2(more, length)
    const along: Point = [Math.cos(heading), Math.sin(heading)]
    const out: Point = side < 0 ? [-along[1], along[0]] : [along[1], -along[0]]
    const point = (part: number, off: number): Point =>
      [0, 1].map((k) => (reach(driver) + off) * out[k]! + part * length * along[k]!) as unknown as Point
    return { along, out, point }
  }
  const [slack, tight] = [strand(left, -1), strand(right, 1)]
  const pad = slack.point(0.32, 12)
  const axis: Point = [-slack.out[0], -slack.out[1]]
  const degrees = ([x, y]: Point) => (Math.atan2(y, x) * 180) / Math.PI
  const ids = places.map((_, i) => `cam-${i + 1}`)
  return {
    format: 'umbrette-drive',
    version: 1,
    id: `made-${seed}`,
    name: `Made ${seed}`,
    rotation: 'clockwise',
    engine: { cylinders: 4, layout: 'inline', interference: true, fuel: 'petrol' },
    sprockets: [
      { id: 'crank', name: 'Crank sprocket', teeth: driver, centre: [0, 0] },
      ...places.map((centre, i) => ({ id: ids[i]!, name: `Cam ${i + 1}`, teeth: camTeeth, centre, bank: 1 }))
    ],
    rails: [
      {
        id: 'guide',
        name: 'Guide',
        kind: 'guide',
        side: 'outside',
        shoe: { centre: tight.point(0.5, radius[0] - dent[0]), radius: radius[0] }
      },
      {
        id: 'arm',
        name: 'Arm',
        kind: 'arm',
        side: 'outside',
        shoe: { centre: slack.point(0.45, radius[1] - dent[1]), radius: radius[1] },
        pivot: slack.point(0.85, 8)
      }
    ],
    tensioners: [
      {
        id: 'tensioner',
        name: 'Tensioner',
        chain: 'main',
        arm: 'arm',
        armRange: [-1.5, 9],
        axis: degrees(axis),
        seat: [pad[0] - axis[0] * newExtension, pad[1] - axis[1] * newExtension],
        pad: { point: pad, face: degrees(slack.along) },
        stroke: 30,
        type: 'hydraulic-ratchet',
        ratchet: { first: 2, pitch: 2 },
        limit: { value: 20, unit: 'mm', source: 'made up' }
      }
    ],
    chains: [
      {
        id: 'main',
        name: 'Chain',
        pitch,
        links: 100,
        type: 'bush',
        driver: 'crank',
        path: ['crank', 'arm', ...ids, 'guide'],
        counts: []
      }
    ],
    phasers: [],
    marks: [{ sprocket: 'crank', at: '6:00' }, ...ids.map((sprocket) => ({ sprocket, at: '12:00' }))],
    limits: [
      { kind: 'elongation', chain: 'main', value: 0.5, unit: '%', source: 'made up' },
      { kind: 'camLag', value: 6, unit: 'crank degrees', source: 'made up' },
      { kind: 'groove', rail: 'guide', value: 1.2, unit: 'mm', source: 'made up' },
      { kind: 'groove', rail: 'arm', value: 1.2, unit: 'mm', source: 'made up' }
    ]
  }
}

/** The sheet with the chain's links and whole counts between its marks, the last taking what is left. */
function counted(sheet: DriveSheet, links: number): DriveSheet {
  const chain: Chain = { ...sheet.chains[0]!, links }
  const elements = elementsOf(sheet, chain)
  const contour = contourAt(
    elements,
    0,
    touchingRails(sheet, chain).map(() => 0)
  )!
  const stops = [chain.driver, ...chain.path.filter((id) => id.startsWith('cam')), chain.driver]
  let at = 0
  let exact = 0
  const counts = stops.slice(0, -1).map((from, i) => {
    const to = stops[i + 1]!
    exact += linksBetweenMarks(sheet, chain, elements, contour, from, to)!
    const whole = i === stops.length - 2 ? links - at : Math.round(exact) - at
    at += whole
    return { from, to, links: whole }
  })
  return { ...sheet, chains: [{ ...chain, counts }] }
}

/** A point and an angle moved: what turns, shifts, scales or mirrors a whole drive. */
export interface Move {
  point: (p: Point) => Point
  /** degrees. */
  angle: (a: number) => number
  scale?: number
  mirrors?: boolean
}

/** The same drive elsewhere in the plane, of another size, or seen from behind. */
export function moved(sheet: DriveSheet, { point, angle, scale = 1, mirrors = false }: Move): DriveSheet {
  const turns = mirrors
    ? sheet.rotation === 'clockwise'
      ? ('anticlockwise' as const)
      : ('clockwise' as const)
    : sheet.rotation
  return {
    ...sheet,
    rotation: turns,
    sprockets: sheet.sprockets.map((s) => ({ ...s, centre: point(s.centre!) })),
    rails: sheet.rails.map((r) => ({
      ...r,
      ...(r.shoe ? { shoe: { centre: point(r.shoe.centre), radius: r.shoe.radius * scale } } : {}),
      ...(r.pivot ? { pivot: point(r.pivot) } : {})
    })),
    tensioners: sheet.tensioners.map((t) => ({
      ...t,
      seat: point(t.seat!),
      axis: angle(t.axis!),
      pad: { point: point(t.pad!.point), face: angle(t.pad!.face) },
      stroke: t.stroke * scale,
      armRange: mirrors ? ([-t.armRange![1], -t.armRange![0]] as const) : t.armRange!
    })),
    chains: sheet.chains.map((c) => ({ ...c, pitch: c.pitch * scale })),
    marks: sheet.marks.map((m) => ({ ...m, at: angleClock(angle(clockAngle(m.at))) }))
  }
}

export function mirrored(sheet: DriveSheet): DriveSheet {
  return moved(sheet, { point: ([x, y]) => [-x, y], angle: (a) => 180 - a, mirrors: true })
}

/** A whole drive turned about the origin. */
export function turnedBy(sheet: DriveSheet, degrees: number): DriveSheet {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  return moved(sheet, { point: ([x, y]) => [x * c - y * s, x * s + y * c], angle: (a) => a + degrees })
}

/** Every id of a drive given another name. */
export function renamed(sheet: DriveSheet, name: (id: string) => string): DriveSheet {
  const ids = [...sheet.sprockets, ...sheet.rails, ...sheet.tensioners, ...sheet.chains, ...sheet.phasers].map(
    ({ id }) => id
  )
  return JSON.parse(JSON.stringify(sheet), (key, value: unknown) =>
    typeof value === 'string' && key !== 'kind' && ids.includes(value) ? name(value) : value
  ) as DriveSheet
}

/**
 * A drive in two stages: a short first chain from the crank turns a shaft at half speed, whose second sprocket drives
 * the cams one to one, above it. With `gears` the shaft is driven by a pair of gears instead, and turns against the
 * crank.
 */
export function stagedEngine(seed: number, by: 'chain' | 'gears' = 'chain'): DriveSheet {
  const first = renamed(unmirrored(randomEngine({ seed, cams: 1 })), (id) =>
    id === 'crank' ? 'crank' : id === 'cam-1' ? 'idler' : `first-${id}`
  )
  const upper = unmirrored(randomEngine({ seed: seed + 1, cams: 2, teeth: [32, 32] }))
  const { centre: hub } = first.sprockets[1]!
  const raised = renamed(
    moved(by === 'gears' ? mirrored(upper) : upper, { point: ([x, y]) => [x + hub![0], y + hub![1]], angle: (a) => a }),
    (id) => (id === 'crank' ? 'upper' : id)
  )
  const shaft = { shaft: 'idler-shaft' }
  const second = { ...raised, sprockets: raised.sprockets.map((s) => (s.id === 'upper' ? { ...s, ...shaft } : s)) }
  if (by === 'gears') {
    return {
      ...second,
      rotation: 'clockwise',
      gears: [{ id: 'pair', name: 'Gear pair', driver: 'crank', driven: 'upper', teeth: [30, 60] }]
    }
  }
  return {
    ...second,
    sprockets: [...first.sprockets.map((s) => (s.id === 'idler' ? { ...s, ...shaft } : s)), ...second.sprockets],
    rails: [...first.rails, ...second.rails],
    tensioners: [...first.tensioners, ...second.tensioners],
    chains: [...first.chains, ...second.chains],
    marks: [...first.marks, ...second.marks],
    limits: [...first.limits.filter((l) => l.kind !== 'camLag'), ...second.limits]
  }
}

function unmirrored(sheet: DriveSheet): DriveSheet {
  return sheet.rotation === 'clockwise' ? sheet : mirrored(sheet)
}
