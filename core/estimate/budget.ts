import { asNew, type ChainModel, type ChainWear } from '../drive'

/** One cause of a tensioner's extension and what it adds. */
export interface BudgetEntry {
  /** `as new`, `corrections`, `stretch`, a rail's id, `pad` or `unexplained`. */
  cause: string
  mm: number
}

/**
 * Where a tensioner's extension comes from: causes added one after another (as new, corrections, stretch, rails in path
 * order, pad), then what no cause explains. The entries sum to what was read, or to the prediction where nothing was.
 * @param reference the same chain without corrections
 */
export function extensionBudget(
  model: ChainModel,
  reference: ChainModel,
  state: ChainWear,
  read: number | null
): BudgetEntry[] {
  const entries: BudgetEntry[] = []
  let reached = 0
  const add = (cause: string, extension: number) => {
    entries.push({ cause, mm: extension - reached })
    reached = extension
  }
  let upTo = asNew(model)
  const extension = () => model.readout(upTo).extension ?? NaN
  add('as new', reference.readout(upTo).extension ?? NaN)
  if (Math.abs(extension() - reached) > 1e-6) add('corrections', extension())
  upTo = { ...upTo, elongation: state.elongation }
  add('stretch', extension())
  model.rails.forEach((id, i) => {
    upTo = { ...upTo, wear: upTo.wear.map((w, k) => (k === i ? state.wear[i]! : w)) }
    add(id, extension())
  })
  upTo = { ...upTo, padWear: state.padWear }
  add('pad', extension())
  if (read !== null) add('unexplained', read)
  return entries
}
