/** What is not known about one chain and what rides on it. */
export interface ChainWear {
  /** Fraction by which the chain is longer than new (0.004 = 0.4 %). */
  elongation: number
  /** mm, one for each touching rail in path order. */
  wear: readonly number[]
  /** mm worn off the tensioner's contact pad. */
  padWear: number
}

/** What would be read on a drive in a given state; without this engine's own scatter and without jumps. */
export interface ChainReadout {
  /** mm, null on a chain without a tensioner. */
  extension: number | null
  /** degrees, 0 = as new; null where the sheet has no coordinates or the chain no tensioner. */
  armAngle: number | null
  /** mm of chain left over when the arm is at the end of its reach. */
  slack: number
  /** mm that the chain is too short for the arm's other end; above 0 is a fault of sheet, chain or corrections. */
  tooTight: number
  /**
   * crank degrees, + = retarded, one for each driven sprocket in path order, then 0 for each cam that gears drive from
   * them; of this stage alone.
   */
  lag: number[]
}

/** The forward model of one chain: from its state to what would be read. */
export interface ChainModel {
  chain: string
  /** Ids, the order of `wear`. */
  rails: string[]
  /** Ids, the order of `lag`. */
  cams: string[]
  tensioner: string | null
  /** crank degrees that one tooth of jump moves each driven sprocket. */
  degreesPerTooth: number
  /** @param near arm angle of a state close to this one, where known: only makes it quicker */
  readout(state: ChainWear, near?: number): ChainReadout
}

/** A chain and rails as new. */
export function asNew(model: ChainModel): ChainWear {
  return { elongation: 0, wear: model.rails.map(() => 0), padWear: 0 }
}
