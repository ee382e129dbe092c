import { type Cause, causesOf, isSameCause, logWorn, misread, onlyWorn, storiesOf, type Wearing } from './causes'
import { type Hypothesis } from './hypotheses'
import type { Priors } from './priors'
import { predictionAt } from './readingEstimates'
import { type Component, type Solution, solveStory, weighStory } from './solve'
import type { Problem } from './trainProblem'

/** A story of a train with its posterior, and the problem that it is one of. */
export interface Story {
  causes: Cause[]
  odds: number
  /** Odds of the same with something more beside it that is not shown. */
  more: number
  problem: Problem
  as: Component
}

/** A train with its solution, and its wears as what may explain it. */
export interface View {
  problem: Problem
  solution: Solution
  wearings: readonly Wearing[]
  priors: Priors
}

export const isOnly = ({ causes }: Story, cause: Cause) => causes.length === 1 && isSameCause(causes[0]!, cause)
/** Does a story have all causes of another? */
const holds = (story: Story, other: Story) =>
  other.causes.every((cause) => story.causes.some((mine) => isSameCause(mine, cause)))
const isSameStory = (a: Story, b: Story) => holds(a, b) && holds(b, a)

/** Stories shown at least and at the most, and odds that one beyond the least needs. */
const SHOWN = { least: 3, most: 4, odds: 0.005 }
/** Wears that are looked at two together: those that explain most alone. */
const TOGETHER = 4
/** sigmas: a reading that a story misses by more than this may be wrong in its stead. */
const MISSED = 2.5
/** sds by which a wear must lie beyond what is usual to be named beside what else happened. */
const SURELY = 1.3
/** Odds at the most of what the estimate does not count among its credible stories. */
const UNCREDIBLE = 1e-3
/** What other readings tell of as well. */
const TOLD_TOGETHER: ReadonlySet<string> = new Set(['lag', 'extension', 'count', 'elongation'])

/** Everything that may explain a train's readings, and of it what doubts a reading that wear as usual misses. */
export function rivalsOf(view: View): { all: Story[]; odd: Story[] } {
  const worn = wornStories(view)
  const told = [...toldStories(view), ...worn]
  const odd = oddStories(view, worn)
  const further = odd.filter((story) => !told.some((known) => isSameStory(known, story)))
  const total = further.reduce((sum, { odds }) => sum + odds, 1)
  const all = [...told, ...further].map((story) => ({ ...story, odds: story.odds / total }))
  return { all, odd: all.filter((story) => odd.some((one) => isSameStory(one, story))) }
}

/**
 * The likeliest that are worth a column each; behind them, where they are few, unlikely ones of other kinds: what
 * doubts a reading first. One that only adds to a likelier one (the same, and a rail beside it) counts as that with
 * more; a reading that the likeliest explains, and that is no likelier wrong than any, is left out.
 */
export function likeliest({ all, odd }: ReturnType<typeof rivalsOf>): Story[] {
  const shown: Story[] = []
  const byOdds = [...all].sort((a, b) => b.odds - a.odds)
  for (const story of byOdds) {
    const within = shown.find((likelier) => likelier.causes.length > 0 && holds(story, likelier))
    if (within) within.more += story.odds
    else if (!shown[0] || (shown.length < SHOWN.most && story.odds >= SHOWN.odds && !doubtsIdly(story, shown[0])))
      shown.push(story)
  }
  const simple = byOdds.filter((story) => story.causes.length < 2 && kindOf(story) !== 'misread')
  for (const story of [...byOdds.filter((one) => odd.includes(one)), ...simple]) {
    if (shown.length >= SHOWN.least) break
    const isNew = !shown.some((one) => kindOf(one) === kindOf(story) || (one.causes.length > 0 && holds(story, one)))
    if (isNew) shown.push(story)
  }
  return shown.sort((a, b) => b.odds - a.odds)
}

/** What a story is told from others by: what is odd in it before what is worn. */
const kindOf = ({ causes }: Story) => causes.at(-1)?.as ?? 'nothing'

/** Does a story doubt only what the likeliest explains, no more than any reading is doubted? */
function doubtsIdly({ causes, odds, problem: { observations } }: Story, likeliest: Story): boolean {
  return causes.every((cause) => {
    const k = cause.as === 'misread' ? observations.findIndex(({ reading }) => reading?.id === cause.of) : -1
    const one = observations[k]
    return one !== undefined && odds < one.wrong && Math.abs(missedBy(likeliest, k)) < MISSED
  })
}

/** sigmas that a reading misses by what a story says it should show. */
export function missedBy({ problem, as }: Story, k: number): number {
  const { value, whole } = problem.observations[k]!
  return (value - predictionAt(problem, as, k)) / whole
}

/** The estimate's own stories in which something other than wear happened; those of the same causes together. */
function toldStories(view: View): Story[] {
  const { problem, solution } = view
  const found: Story[] = []
  for (const as of solution.components) {
    if (causesOf(problem, as).length === 0) continue
    const story = storyOf(view, as, as.weight)
    const same = found.find((known) => isSameStory(known, story))
    if (same) same.odds += as.weight
    else found.push(story)
  }
  return found
}

/** A story with what is worn beyond doubt in it as well. */
function storyOf({ problem, wearings }: View, as: Component, odds: number): Story {
  const { mean, covariance } = as.posterior
  const worn = wearings.filter(({ at, floor }) => mean[at]! - SURELY * Math.sqrt(covariance[at]![at]!) > floor)
  return { causes: [...worn.map(({ cause }) => cause), ...causesOf(problem, as)], odds, more: 0, problem, as }
}

/** ln of the evidence that all credible stories have together. */
function allEvidence({ solution: { components } }: View): number {
  const [best] = components
  return best!.evidence - Math.log(best!.weight)
}

/** What is left to a drive on its marks and sound readings, parted by which of its wears are beyond what is usual. */
function wornStories(view: View): Story[] {
  const { problem, solution, wearings, priors } = view
  const on = { teeth: problem.cams.map(() => 0), slips: [] }
  const plain =
    solution.components.find((one) => causesOf(problem, one).length === 0) ??
    solveStory(problem, on, solution.components[0]!.posterior.mean, priors)
  const total = Math.exp(Math.min(0, plain.evidence - allEvidence(view)))
  const weigh = (worn: readonly Wearing[]) => {
    const { only, as, evidence } = solveWorn(view, on, worn, plain.posterior.mean)
    return { worn, only, as, evidence: evidence + logWorn(wearings, worn) }
  }
  const one = wearings.map((wearing) => weigh([wearing])).sort((a, b) => b.evidence - a.evidence)
  const most = one.slice(0, TOGETHER).map(({ worn: [wearing] }) => wearing!)
  const two = most.flatMap((a, i) => most.slice(i + 1).map((b) => weigh([a, b])))
  const all = [weigh([]), ...one, ...two]
  const best = Math.max(...all.map(({ evidence }) => evidence))
  const sum = all.reduce((s, { evidence }) => s + Math.exp(evidence - best), 0)
  return all.map(({ worn, only, as, evidence }) => ({
    causes: worn.map(({ cause }) => cause),
    odds: (total * Math.exp(evidence - best)) / sum,
    more: 0,
    problem: only,
    as
  }))
}

/**
 * A drive on its marks of which only these wears are beyond what is usual. The others are held at what is usual at the
 * most, where the readings would have them further: so it shows what it would have to, and explains them as badly.
 */
function solveWorn(
  { problem, wearings, priors }: View,
  on: Hypothesis,
  worn: readonly Wearing[],
  start: readonly number[]
): { only: Problem; as: Component; evidence: number } {
  const held: Wearing[] = []
  let [evidence, from] = [Infinity, start]
  for (;;) {
    const only = onlyWorn(problem, wearings, worn, held)
    const as = solveStory(only, on, from, priors)
    evidence = Math.min(evidence, as.evidence)
    from = as.posterior.mean
    const beyond = wearings.filter((one) => !worn.includes(one) && !held.includes(one) && from[one.at]! > one.floor)
    if (beyond.length === 0) return { only, as, evidence }
    held.push(...beyond)
  }
}

/** Each reading of the whole drive that wear as usual misses: as the one that is wrong, and its cam as jumped. */
function oddStories(view: View, [usual]: readonly Story[]): Story[] {
  const { problem, priors, solution } = view
  return problem.observations.slice(0, problem.read).flatMap((one, k) => {
    const { reading, quantity, whole } = one
    const missed = missedBy(usual!, k)
    if (!reading || !TOLD_TOGETHER.has(quantity.of) || Math.abs(missed) < MISSED) return []
    const cam = quantity.of === 'lag' ? problem.cams[quantity.cam] : undefined
    const teeth = cam ? Math.round((missed * whole) / cam.degreesPerTooth) : 0
    const causes: Cause[] = [
      misread(reading, null),
      ...(cam && teeth !== 0 ? [{ as: 'jumped', of: cam.id, teeth } as const] : [])
    ]
    return causes.flatMap((cause) => {
      const best = bestWay(view, cause)
      if (!best) return []
      const as = solveStory(problem, best, solution.components[0]!.posterior.mean, priors)
      return [storyOf(view, as, Math.min(UNCREDIBLE, oddsFrom(view, as.evidence)))]
    })
  })
}

/** A cause that is no wear as the only one, all wears as usual, in the way that explains most; null where none does. */
export function onlyStory(view: View, cause: Cause): Story | null {
  const { problem, solution, wearings } = view
  const best = bestWay(view, cause)
  if (!best) return null
  const { only, as, evidence } = solveWorn(view, best, [], solution.components[0]!.posterior.mean)
  const odds = oddsFrom(view, evidence + logWorn(wearings, []))
  return { causes: causesOf(problem, as), odds, more: 0, problem: only, as }
}

/** Of the stories of a cause the one of most evidence. */
function bestWay({ problem, solution, priors }: View, cause: Cause): Component | null {
  const { near } = solution.components[0]!
  const ways = storiesOf(problem, cause).map((story) => weighStory(problem, near, story, priors))
  return ways.sort((a, b) => b.evidence - a.evidence)[0] ?? null
}

const oddsFrom = (view: View, evidence: number) => Math.exp(Math.min(0, evidence - allEvidence(view)))

/** Everything that can be picked as the only cause. */
export function allCauses({ problem, wearings }: View): Cause[] {
  const { cams, observations, read } = problem
  const told = cams.filter((_, i) => observations.some(({ teeth }) => teeth[i] !== 0))
  return [
    ...wearings.map(({ cause }) => cause),
    ...told.flatMap(({ id }) => [1, -1].map((teeth): Cause => ({ as: 'jumped', of: id, teeth }))),
    ...cams.flatMap(({ id }): Cause[] => {
      const moved: Cause = { as: 'cam-moved', of: id }
      return storiesOf(problem, moved).length > 0 ? [moved] : []
    }),
    ...observations
      .slice(0, read)
      .flatMap(({ reading, ways }): Cause[] => (reading && ways.length > 0 ? [misread(reading, null)] : []))
  ]
}
