import { extensionToNotches, figureOf as figureSpec, isNumeric, methodSigma, type Unread } from '../../readings'
import { randomness, seedOf } from '../../math'
import { compileSheet, limitFor } from '../../sheet'
import type { Inspection } from './inspections'
import { readFigure, type Stand } from './figures'
import { standTrue, wearsOf } from './truth'
import type { PracticeCase, SeenFinding } from './types'

/** What an inspection shows: the figures that a good eye would read, and what is there to be found. */
export interface Sight {
  /** In the order of the inspection's `reads`; notches for a plug. */
  figures: number[]
  findings: SeenFinding[]
}

/** What a sight depends on besides the engine. */
export interface LookedAt {
  /** How many times it was looked at before: each look has its own noise. */
  attempt: number
  /** Was the engine last turned in its running direction, far enough to take up what had kicked back? */
  turnedForward: boolean
}

/** Of a plunger, the share of the stroke that stands in an inspection plug. */
export const PLUG_SHARE = 0.6

/** Share of a method's uncertainty that lies in the drive and the tool; the rest is the reader's eye. */
const IN_THE_TOOL = 0.5

/** What is seen at an inspection. The same engine, inspection and attempt always show the same. */
export function sightOf(engine: PracticeCase, inspection: Inspection, looked: LookedAt): Sight {
  const { normal } = randomness(seedOf('sight', engine.seed, engine.code, inspection.id, looked.attempt))
  const noise = (reading: Unread) =>
    isNumeric(reading.kind) ? normal(IN_THE_TOOL * (methodSigma(reading.kind, reading.method) ?? 0)) : 0
  return {
    figures: inspection.reads.map((reading) => figureOf(engine, reading, noise(reading), looked)),
    findings: findSeen(engine, inspection)
  }
}

/**
 * The true figure of a reading on this engine, its own scatter in it, with so much noise; as fine as it can be read.
 */
export function figureOf(
  engine: PracticeCase,
  reading: Unread,
  noise: number,
  { turnedForward }: Pick<LookedAt, 'turnedForward'>
): number {
  if (!isNumeric(reading.kind)) return foundFigure(engine, reading)
  if (reading.notches !== undefined) return notchesSeen(engine, reading.tensioner ?? '')
  return readFigure(reading.kind, standOfEngine(engine, turnedForward), reading, noise)
}

/** Shares of its limit at which the figure of a thing in order lies, by the side of the limit that is past. */
const IN_ORDER = { below: [1.06, 1.25], above: [0.4, 0.75], outside: [0.75, 0.95] } as const

/** The figure of a finding: what is true of the engine, or one that a thing in order has. */
function foundFigure({ drive, truth, ...engine }: PracticeCase, reading: Unread): number {
  const { target = '', finding = '', cylinder } = reading
  const told = truth.findings.find(
    (one) => one.target === target && one.finding === finding && one.cylinder === cylinder && one.value !== undefined
  )
  if (told?.value !== undefined) return told.value
  const spec = figureSpec(finding)
  const limit = spec?.limit && limitFor(drive, spec.limit, target)
  if (!spec?.past || !limit) return 0
  const [low, high] = IN_ORDER[spec.past]
  const { between } = randomness(seedOf('in-order', engine.seed, engine.code, target, finding, cylinder ?? 0))
  return Number(Math.max(limit.least ?? 0, limit.value * between(low, high)).toFixed(spec.digits))
}

function standOfEngine(engine: PracticeCase, turnedForward: boolean): Stand {
  const { drive: sheet, truth } = engine
  return {
    sheet,
    ...wearsOf(truth),
    play: (phaser) => truth.play?.[phaser] ?? 0,
    extension: (tensioner) => extensionOf(engine, tensioner),
    lag: (sprocket) => lagOf(engine, sprocket),
    kickBack: ({ method }) => (turnedForward || method === 'scan' ? 0 : truth.kickBack),
    moved: (sprocket) => (truth.teeth?.[sprocket] ?? 0) + (truth.betweenLinks.includes(sprocket) ? 0.5 : 0)
  }
}

const stands = new WeakMap<PracticeCase, ReturnType<typeof standTrue>>()

/** What an engine shows, worked out once: its marks are asked for again with every degree that it is turned. */
function standsOf(engine: PracticeCase): ReturnType<typeof standTrue> {
  const known = stands.get(engine) ?? standTrue(engine.drive, engine.truth)
  stands.set(engine, known)
  return known
}

/** mm at which a tensioner stands, its own scatter in it. */
export function extensionOf(engine: PracticeCase, tensioner: string): number {
  return Math.min(
    (standsOf(engine).extension[tensioner] ?? NaN) + (engine.truth.scatter.extension[tensioner] ?? 0),
    compileSheet(engine.drive).tensioner(tensioner).stroke
  )
}

/** crank degrees at which a cam stands, jumps and its own scatter in it. */
export function lagOf(engine: PracticeCase, sprocket: string): number {
  return (standsOf(engine).lag[sprocket] ?? NaN) + (engine.truth.scatter.lag[sprocket] ?? 0)
}

/** Notches as a plug shows them: never more than stand in it. */
function notchesSeen(engine: PracticeCase, tensioner: string): number {
  const { ratchet, stroke } = compileSheet(engine.drive).tensioner(tensioner)
  if (!ratchet) return NaN
  return Math.min(
    extensionToNotches(ratchet, extensionOf(engine, tensioner)),
    extensionToNotches(ratchet, PLUG_SHARE * stroke)
  )
}

/** What is there to be found: what is true of it, else that it is sound where the inspection has a word for that. */
function findSeen({ truth }: PracticeCase, { kind, part, findings }: Inspection): SeenFinding[] {
  const offered = (one: SeenFinding) =>
    one.value === undefined &&
    (kind === 'ask'
      ? one.target === 'engine' && HEARD.test(one.finding)
      : findings.some((f) => f.target === one.target && f.finding === one.finding))
  const seen = truth.findings.filter(offered)
  if (seen.length > 0) return seen
  const sound = SOUND_WORDS.find((word) => findings.some(({ finding }) => finding === word))
  return sound ? [{ target: part, finding: sound }] : []
}

/** What a customer, an ear and a fault-code reader tell. */
const HEARD = /^(noise|code|renewed|loudest|oil-overdue|oil-low)/

/** Words of the closed list for a thing in order. */
const SOUND_WORDS: readonly string[] = [
  'sound',
  'pin-sound',
  'oil-clean',
  'screen-clear',
  'compression-sound',
  'paint-clear',
  'slack-taken-up'
]
