import type { Chain } from '../sheet'
import { sheetCount } from './sheetCount'
import type { Reading } from './types'

/** links: mean counts of a loop may differ from the chain's total by less than this. */
const LOOP_TOLERANCE = 0.25

/**
 * Link counts that close a loop but do not sum to the chain's links: a counting error, or a wrong chain. No jump may be
 * inferred from them. Counts of the same run are averaged first.
 *
 * Each count's deviation from the sheet is j(from) − j(to), so round any closed loop of runs the deviations cancel.
 * @param counts linkCount readings of one chain, with their index in the job
 * @returns indices of the readings concerned, and the sum found where the runs go once round
 */
export function brokenLoops(chain: Chain, counts: readonly { index: number; reading: Reading }[]): { indices: number[]; sum: number }[] {
  const runs = new Map<string, { from: string; to: string; values: number[]; indices: number[] }>()
  for (const { index, reading } of counts) {
    const key = `${reading.from}>${reading.to}`
    const run = runs.get(key) ?? { from: reading.from!, to: reading.to!, values: [], indices: [] }
    run.values.push(reading.value!)
    run.indices.push(index)
    runs.set(key, run)
  }
  const edges = [...runs.values()].map((run) => ({
    ...run,
    off: run.values.reduce((a, b) => a + b, 0) / run.values.length - (sheetCount(chain, run.from, run.to) ?? NaN)
  }))
  return closures(edges).filter(({ off }) => Math.abs(off) >= LOOP_TOLERANCE).map(({ off, indices }) => ({ indices, sum: chain.links + off }))
}

interface Edge {
  from: string
  to: string
  off: number
  indices: number[]
}

/** For each run that closes a loop with runs before it: the loop's readings and how far its deviations are from cancelling. */
function closures(edges: readonly Edge[]): { off: number; indices: number[] }[] {
  const tree: Edge[] = []
  const found: { off: number; indices: number[] }[] = []
  for (const edge of edges) {
    const back = pathBetween(tree, edge.to, edge.from, [])
    if (!back) tree.push(edge)
    else found.push({ off: edge.off + back.reduce((sum, step) => sum + step.off, 0), indices: [...edge.indices, ...back.flatMap((step) => step.indices)] })
  }
  return found
}

/** The way through a forest of runs from one sprocket to another, runs taken backwards with their sign turned. */
function pathBetween(tree: readonly Edge[], from: string, to: string, used: readonly Edge[]): Edge[] | null {
  if (from === to) return []
  for (const edge of tree) {
    if (used.includes(edge) || (edge.from !== from && edge.to !== from)) continue
    const forward = edge.from === from
    const rest = pathBetween(tree, forward ? edge.to : edge.from, to, [...used, edge])
    if (rest) return [forward ? edge : { ...edge, off: -edge.off }, ...rest]
  }
  return null
}
