import type { Message } from '../check'
import { type DriveSheet, limitFor } from '../sheet'
import { doubtMade } from './doubtMade'
import { linearEstimate } from './marginals'
import type { Priors } from './priors'
import { seatAt } from './seats'
import { jumpedBy, type Problem } from './trainProblem'
import type { Solution } from './solve'
import { argue } from './says'
import type { CamEstimate } from './types'

/** A jump less likely than this is not listed. */
const LISTED = 0.001
/** crank degrees: a lag is early beyond doubt when it lies this many of its sd, and this far, before its mark. */
const EARLY = { sds: 2, degrees: 1 }
/** crank degrees of wear below which it hides nothing worth a word. */
const HIDDEN = 0.5

/** A driven sprocket's lag, what of it is wear, and its odds of having jumped. */
export function camEstimate(
  sheet: DriveSheet,
  problem: Problem,
  solution: Solution,
  cam: number,
  priors: Priors
): CamEstimate {
  const { cams, parts, scale } = problem
  const { id, part, place } = cams[cam]!
  const at = parts[part]!.at.lag + place
  const lag = linearEstimate(
    solution,
    ({ near, teeth }) => near.lag[cam]! + near.point[at]! * scale[at]! + jumpedBy(problem, cam, teeth),
    ({ near }) => near.lagSlope[cam]!,
    limitFor(sheet, 'camLag', id)?.value
  )
  const wearLag = solution.components.reduce((sum, { weight, near }) => sum + weight * near.lag[cam]!, 0)
  const told = problem.observations.some((o) => o.teeth[cam] !== 0)
  const jump = { ...jumpOf(solution, cam, told, priors), told }
  return {
    chain: parts[part]!.chain.id,
    lag,
    made: doubtMade(problem, solution.components[0]!, solution.components[0]!.near.lagSlope[cam]!),
    wearLag,
    jump,
    moved: movedOf(problem, solution, cam),
    argument: told ? argumentOf(lag, wearLag, jump.teeth) : null
  }
}

/**
 * The argument from the direction: wear only retards, so what stands early was moved, and wear hides a part of that.
 */
function argumentOf(lag: { mean: number; sd: number }, wearLag: number, teeth: number): Message | null {
  const early = lag.mean < -EARLY.degrees && lag.mean < -EARLY.sds * lag.sd
  return early || teeth < 0 ? argue('moved', { hidden: wearLag >= HIDDEN ? wearLag : null }) : null
}

/**
 * Odds that a cam sits otherwise on its shaft than it was set, and by how much then; null where nothing was read on it.
 */
function movedOf(
  { observations, parts, cams, scale }: Problem,
  { components }: Solution,
  cam: number
): CamEstimate['moved'] {
  const at = parts[cams[cam]!.part]!.at.lag + cams[cam]!.place
  const seat = seatAt(observations, at)
  if (seat < 0) return null
  const stories = components.filter(({ slips }) => slips.some(({ observation }) => observation === seat))
  const odds = stories.reduce((sum, { weight }) => sum + weight, 0)
  const by = stories.reduce((sum, { weight, posterior }) => sum + weight * posterior.mean[at]! * scale[at]!, 0)
  return { odds, by: odds > 0 ? by / odds : 0 }
}

function jumpOf(
  { components }: Solution,
  cam: number,
  told: boolean,
  priors: Priors
): { teeth: number; odds: number; all: Record<string, number> } {
  const odds = new Map<number, number>()
  if (told) for (const { teeth, weight } of components) odds.set(teeth[cam]!, (odds.get(teeth[cam]!) ?? 0) + weight)
  else priors.jump.forEach((p, teeth) => [teeth, -teeth].forEach((t) => odds.set(t, p)))
  const listed = [...odds].filter(([, p]) => p >= LISTED).sort(([a], [b]) => a - b)
  const [teeth, most] = listed.reduce((best, entry) => (entry[1] > best[1] ? entry : best))
  return { teeth: teeth + 0, odds: most, all: Object.fromEntries(listed.map(([t, p]) => [String(t), p])) }
}
