import { along, type Point, rotate, unit } from '../math'
import { compileSheet, type Chain, type DriveSheet } from '../sheet'
import type { ChainPicture } from './picture'
import { linksOf, type Segment } from './run'
import { stageOf, turnsOf } from './train'

/** A chain's drive with the crank turned on. */
export interface Turned {
  /** Pins as in the picture it was made from: the same index is the same pin, wherever it has gone. */
  pins: Point[]
  /** Degrees that each sprocket has turned, anticlockwise positive. */
  angles: Readonly<Record<string, number>>
}

/** Chain hanging loose on the strand between two sprockets. */
export interface Slackness {
  from: string
  to: string
  /** mm that it stands out at the strand's middle; below 0 inwards. */
  sag: number
}

/**
 * What turning the crank does to a drive: one crank turn brings z_driver times the driver's speed links past any point;
 * each sprocket turns by its links, the run itself stays where it is.
 * @param picture of the drive at the setting point
 * @returns for crank degrees in the running direction (below 0 against it), where everything stands
 */
export function turningOf(
  sheet: DriveSheet,
  chain: Chain,
  picture: ChainPicture
): (crank: number, slack?: Slackness) => Turned {
  const { run } = picture
  const stretch = linksOf(run) / chain.links
  const driver = compileSheet(sheet).sprocket(chain.driver)
  const speed = stageOf(sheet, chain).speed
  const linksPerDegree = (Math.abs(speed) * driver.teeth) / 360
  const sense = sheet.rotation === 'clockwise' ? -1 : 1
  const sprockets = picture.sprockets.map(({ id }) => ({
    id,
    speed: id === chain.driver ? speed : turnsOf(sheet, chain, id)
  }))
  return (crank, slack) => {
    const start = (((crank * linksPerDegree) % chain.links) + chain.links) % chain.links
    return {
      pins: pinsFrom(run, chain.links, stretch, start, slack),
      angles: Object.fromEntries(sprockets.map(({ id, speed: turns }) => [id, sense * turns * crank]))
    }
  }
}

/** Pins at their distance along the run, the first half a link before `start`, found in one walk round. */
function pinsFrom(run: readonly Segment[], links: number, stretch: number, start: number, slack?: Slackness): Point[] {
  const pins = new Array<Point>(links)
  const loose = slack ? strandBetween(run, slack) : null
  // The first pin past the run's start, and where it lies on the first segment.
  const offset = (start - 0.5 + links) % links
  let index = Math.ceil(links - offset) % links
  let at = ((index + offset) % links) * stretch
  let passed = 0
  for (const segment of run) {
    while (at < passed + segment.links && pins[index] === undefined) {
      pins[index] = placeOn(segment, (at - passed) / segment.links, segment === loose ? (slack?.sag ?? 0) : 0)
      index = (index + 1) % links
      at += stretch
    }
    passed += segment.links
  }
  // What rounding left at the very end stands where the run closes.
  for (let i = 0; i < links; i++) pins[i] ??= placeOn(run.at(-1)!, 1, 0)
  return pins
}

function strandBetween(run: readonly Segment[], { from, to }: Slackness): Segment | null {
  const leaving = run.findIndex((segment) => segment.shape === 'arc' && segment.on === from)
  const arriving = run.findIndex((segment, i) => i > leaving && segment.shape === 'arc' && segment.on === to)
  return run.slice(leaving + 1, arriving).find(({ shape }) => shape === 'straight') ?? null
}

function placeOn(segment: Segment, part: number, sag: number): Point {
  if (segment.shape === 'arc') return along(segment.centre, unit(segment.from + segment.turn * part), segment.radius)
  const length = Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1])
  const on = along(segment.from, unit(segment.heading), part * length)
  return sag === 0 ? on : along(on, rotate(unit(segment.heading), 90), sag * Math.sin(Math.PI * part))
}

/**
 * How far a loose cam trails its phaser at a cam angle, as a share of its play: it lags while it lifts a valve, and
 * snaps over when the lobe has passed.
 * @param cam degrees that the cam has turned
 * @param lobes valves that it lifts one after another in a turn
 */
export function trailBehind(cam: number, lobes: number): number {
  const phase = ((((cam * lobes) / 360) % 1) + 1) % 1
  return phase < SNAP ? phase / SNAP : (1 - phase) / (1 - SNAP)
}

/** Share of a lobe over which the cam is pushed back before the spring throws it on. */
const SNAP = 0.85
