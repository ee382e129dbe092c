import type { Level } from './types'

/** What is kept of a finished case. */
export interface RunSummary {
  id: string
  by: string
  /** Short code; empty for a case told from a job. */
  code: string
  title: string
  level: Level
  score: number
  /** What was wrong with the engine, and whether it was missed. */
  faults: { id: string; missed: boolean }[]
  finishedAt: string
}

/** How a learner fares with one kind of fault. */
export interface Weakness {
  id: string
  met: number
  missed: number
}

/** Runs that count: what was missed long ago has been learnt since. */
const RECENT = 40
/** Score from which the next level is worth trying, and how many runs it takes. */
const READY = 75
const RUNS = 3

/** What a learner misses, the most missed first. A single miss weighs less than one of many: (missed + 1)/(met + 3). */
export function weaknesses(runs: readonly RunSummary[]): Weakness[] {
  const found = new Map<string, Weakness>()
  for (const { id, missed } of newest(runs).flatMap(({ faults }) => faults)) {
    const one = found.get(id) ?? { id, met: 0, missed: 0 }
    found.set(id, { ...one, met: one.met + 1, missed: one.missed + (missed ? 1 : 0) })
  }
  const weight = ({ met, missed }: Weakness) => (missed + 1) / (met + 3)
  return [...found.values()]
    .filter(({ missed }) => missed > 0)
    .sort((a, b) => weight(b) - weight(a) || b.missed - a.missed)
}

/**
 * The level that a learner is at: one above the highest at which the last runs went well, never more than one beyond
 * what was tried.
 */
export function levelFor(runs: readonly RunSummary[]): Level {
  const good = ([1, 2, 3, 4] as const).filter((level) => {
    const last = newest(runs)
      .filter((run) => run.level === level)
      .slice(0, RUNS)
    return last.length === RUNS && last.every(({ score }) => score >= READY)
  })
  return Math.min(5, (good.at(-1) ?? 0) + 1) as Level
}

function newest(runs: readonly RunSummary[]): RunSummary[] {
  return [...runs].sort((a, b) => b.finishedAt.localeCompare(a.finishedAt)).slice(0, RECENT)
}
