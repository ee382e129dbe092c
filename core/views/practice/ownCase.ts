import { messagesOf, type Message } from '../../check'
import { assess } from '../../paths'
import { type Act, foldActs, jobFile, type KeptJob } from '../../record'
import { camsOf, isCharted } from '../../drive'
import { combineFigures, seedOf } from '../../math'
import { readingSigma } from '../../readings'
import type { HiddenTruth, Level, PracticeCase, SeenFinding } from './types'

/** Why a job cannot be told as a case. */
export interface UntellableSays {
  'cannot-be-drawn': {}
  'nothing-to-practise-on': {}
}

const say = messagesOf<UntellableSays>()

/** Thrown for a job that cannot be told as a case. */
export class UntellableError extends RangeError {
  constructor(readonly said: Message) {
    super(said.code)
  }
}

/**
 * A job told as a case: what its readings came to is taken for the truth. Names of vehicle, people and photos stay out.
 * @throws UntellableError for a sheet without coordinates, which no engine can be drawn from, or a job with nothing
 *   read
 */
export function caseOfJob(job: KeptJob, acts: readonly Act[], title: string): PracticeCase {
  const file = jobFile(job, acts)
  const { drive } = file
  if (!drive.chains.every((chain) => isCharted(drive, chain))) throw new UntellableError(say('cannot-be-drawn'))
  const { readings } = foldActs(acts, job.school)
  if (readings.length === 0) throw new UntellableError(say('nothing-to-practise-on'))
  return {
    format: 'umbrette-practice',
    version: 1,
    code: '',
    seed: seedOf(title, JSON.stringify(readings.map(({ id }) => id))),
    level: levelOf(readings.length),
    title,
    drive,
    usage: file.usage,
    complaint: job.complaint,
    start: START,
    truth: truthOf(file)
  }
}

/** crank degrees: as a case on paper has no crank, it comes in a little short of its mark. */
const START = 660

function levelOf(readings: number): Level {
  return readings > 12 ? 4 : 3
}

function truthOf(file: Parameters<typeof assess>[0]): HiddenTruth {
  const { drive, readings } = file
  const { chains, rails, tensioners, cams } = assess(file)
  const by = <T>(ids: Record<string, T>, value: (one: T) => number) =>
    Object.fromEntries(Object.entries(ids).map(([id, one]) => [id, value(one)]))
  const play = drive.phasers.map(
    ({ id }) =>
      [
        id,
        combineFigures(
          readings.flatMap((r) =>
            r.kind === 'phaserPlay' && r.phaser === id ? [{ value: r.value, sigma: readingSigma(drive, r) ?? NaN }] : []
          )
        )?.mean ?? 0.3
      ] as const
  )
  const findings = readings.flatMap((r): SeenFinding[] =>
    r.kind === 'condition'
      ? [
          {
            target: r.target,
            finding: r.finding,
            ...(r.count === undefined ? {} : { count: r.count }),
            ...(r.value === undefined ? {} : { value: r.value }),
            ...(r.cylinder === undefined ? {} : { cylinder: r.cylinder })
          }
        ]
      : []
  )
  return {
    elongation: by(chains, ({ elongation }) => digits(elongation.mean, 5)),
    wear: by(rails, ({ wear }) => digits(wear.mean, 2)),
    pad: by(tensioners, ({ padWear }) => digits(padWear.mean, 2)),
    teeth: by(cams, ({ jump }) => jump.teeth),
    shift: {},
    play: Object.fromEntries(play.map(([id, value]) => [id, digits(value, 1)])),
    faults: [],
    findings,
    kickBack: 0,
    betweenLinks: [],
    scatter: {
      extension: Object.fromEntries(drive.tensioners.map(({ id }) => [id, 0])),
      lag: Object.fromEntries(drive.chains.flatMap((chain) => camsOf(drive, chain)).map((id) => [id, 0]))
    }
  }
}

function digits(value: number, places: number): number {
  return Number(value.toFixed(places))
}
