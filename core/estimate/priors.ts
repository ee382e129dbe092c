/** What is believed of any drive before it is read. Editable: pass others to assess. */
export interface Priors {
  /** Half-normal scale of elongation, fraction. */
  elongation: number
  /** Half-normal scale of rail wear, mm. */
  wear: number
  /** Half-normal scale of pad wear, mm. */
  padWear: number
  /** Normal sd of this engine's as-new extension, mm. */
  extensionScatter: number
  /** Normal sd of this engine's as-new cam reference, crank degrees. */
  lagScatter: number
  /** Half-normal scale of a phaser's play, crank degrees. */
  play: number
  /** Odds of a jump of 0, 1, 2, 3 … teeth either way (each). */
  jump: readonly number[]
}

export const PRIORS: Priors = {
  elongation: 0.004,
  wear: 0.5,
  padWear: 0.3,
  extensionScatter: 0.5,
  lagScatter: 0.5,
  play: 1,
  jump: [0.94, 0.025, 0.004, 0.001]
}
