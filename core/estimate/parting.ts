import { dot } from '../math'
import type { Candidate } from './candidates'
import { normalAlong } from './marginals'
import type { Story } from './rivals'
import { predictionOf } from './trainProblem'

const MOST_ASKS = 3
/** Least weight of a story when it is asked what would part them: also an unlikely one is to be told apart. */
const HEARD = 0.1
/** What parts them less than this is not worth a row. */
const PARTS = 0.05

/** Something to read next, and how far it would part the stories: 0 not at all, 1 beyond doubt. */
export interface Asked {
  candidate: Candidate
  parts: number
}

/** What would part the explanations most; of one thing the method that does, and of methods alike the quickest. */
export function asksOf(candidates: readonly Candidate[], stories: readonly Story[]): Asked[] {
  const rated = candidates
    .filter(({ kind }) => kind !== 'question')
    .map((candidate) => ({ candidate, parts: partedBy(candidate, stories) }))
    .filter(({ parts }) => parts >= PARTS)
    .sort((a, b) => Math.round(20 * b.parts) - Math.round(20 * a.parts) || a.candidate.minutes - b.candidate.minutes)
  const things = new Map<string, Asked>()
  for (const one of rated) {
    const { kind, target, from, to } = one.candidate
    const key = [kind, target, from ?? '', to ?? ''].join(' ')
    if (!things.has(key)) things.set(key, one)
  }
  return [...things.values()].slice(0, MOST_ASKS)
}

/**
 * How far what a reading would show parts the explanations: 1 less the overlap of each two (Bhattacharyya's
 * coefficient of their normals), weighed by their odds.
 */
function partedBy(candidate: Candidate, stories: readonly Story[]): number {
  const shown = stories.map((story) => ({ ...wouldShow(candidate, story), weight: Math.max(story.odds, HEARD) }))
  let [parted, all] = [0, 0]
  shown.forEach((a, i) => {
    for (const b of shown.slice(i + 1)) {
      const variance = a.sd ** 2 + b.sd ** 2
      const overlap = Math.sqrt((2 * a.sd * b.sd) / variance) * Math.exp(-((a.value - b.value) ** 2) / variance / 4)
      parted += a.weight * b.weight * (1 - overlap)
      all += a.weight * b.weight
    }
  })
  return all > 0 ? parted / all : 0
}

/** What a reading not yet taken would show under a story, with its own sigma. */
export function wouldShow(
  { quantity, sigma, teeth }: Candidate,
  { problem, as }: Story
): { value: number; sd: number } {
  const { predicted, slope } = predictionOf(problem, as.near, quantity)
  const { mean, sd } = normalAlong(as, predicted, slope)
  return { value: mean + dot(teeth, as.teeth), sd: Math.hypot(sd, sigma) }
}
