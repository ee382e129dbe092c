import type { Chain } from '../sheet'
import { sheetCount } from './sheetCount'
import type { Of } from './types'

/** links: mean counts of a loop may differ from the chain's total by less than this. */
const LOOP_TOLERANCE = 0.25

/**
 * Link counts that close a loop but do not sum to the chain's links: a counting error, or a wrong chain. No jump may be
 * inferred from them. Counts of the same run are averaged first.
 *
 * Each count's deviation from the sheet is j(from) − j(to), so round any closed loop of runs the deviations cancel.
 * @param counts link counts of one chain, each with the id it is named by
 * @returns ids of the readings concerned, and the sum found where the runs go once round
 */
export function brokenLoops(
  chain: Chain,
  counts: readonly (Of<'linkCount'> & { readonly id: string })[]
): { ids: string[]; sum: number }[] {
  const runs = new Map<string, { from: string; to: string; values: number[]; ids: string[] }>()
  for (const { id, from, to, value } of counts) {
    const key = `${from}>${to}`
    const run = runs.get(key) ?? { from, to, values: [], ids: [] }
    run.values.push(value)
    run.ids.push(id)
    runs.set(key, run)
  }
  const edges = [...runs.values()].map((run) => ({
    ...run,
    off: run.values.reduce((a, b) => a + b, 0) / run.values.length - (sheetCount(chain, run.from, run.to) ?? NaN)
  }))
  return closures(edges)
    .filter(({ off }) => Math.abs(off) >= LOOP_TOLERANCE)
    .map(({ off, ids }) => ({ ids, sum: chain.links + off }))
}

interface Edge {
  from: string
  to: string
  off: number
  ids: string[]
}

/**
 * For each run that closes a loop with runs before it: the loop's readings and how far its deviations are from
 * cancelling.
 */
function closures(edges: readonly Edge[]): { off: number; ids: string[] }[] {
  const tree: Edge[] = []
  const found: { off: number; ids: string[] }[] = []
  for (const edge of edges) {
    const back = pathBetween(tree, edge.to, edge.from, [])
    if (!back) tree.push(edge)
    else
      found.push({
        off: edge.off + back.reduce((sum, step) => sum + step.off, 0),
        ids: [...edge.ids, ...back.flatMap((step) => step.ids)]
      })
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
