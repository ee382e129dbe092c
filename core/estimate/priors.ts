import type { HalfNormals } from '../math'
import type { NumericKind, Reading } from '../readings'

/** A share of drives is worn far more than the rest: how many, and how many times as much. */
export interface Tail {
  share: number
  times: number
}

/** What is believed of any drive before it is read. Editable: pass others to assess. */
export interface Priors {
  /** Half-normal scale of elongation, fraction. */
  elongation: number
  /** Half-normal scale of rail wear, mm. */
  wear: number
  /** Half-normal scale of pad wear, mm. */
  padWear: number
  /** The worn-through ones among chains, rails and pads. */
  tails: { elongation: Tail; wear: Tail; padWear: Tail }
  /** Normal sd of this engine's as-new extension, mm. */
  extensionScatter: number
  /** Normal sd of this engine's as-new cam reference, crank degrees. */
  lagScatter: number
  /** Half-normal scale of a phaser's play, crank degrees. */
  play: number
  /** Odds of a jump of 0, 1, 2, 3 … teeth either way (each). */
  jump: readonly number[]
  /** Times the method's default sd that a reading scatters by, where its person's own errors are known. */
  error?: (reading: Reading) => number
  /** Odds that a reading of a kind is wrong, by method where one differs. */
  wrong: { readonly [K in NumericKind]?: number | Readonly<Record<string, number>> } & { readonly other: number }
  /** Odds that a cam sits otherwise on its shaft than it was set, and by how much, sd in crank degrees. */
  moved: { odds: number; sd: number }
  /** What nobody told: mm off a head or block face, K above the workshop's, odds of a key either way round. */
  untold: { skim: number; heat: number; key: number }
}

export const PRIORS: Priors = {
  elongation: 0.004,
  wear: 0.5,
  padWear: 0.3,
  tails: {
    elongation: { share: 0.02, times: 2 },
    wear: { share: 0.1, times: 3 },
    padWear: { share: 0.1, times: 4 }
  },
  extensionScatter: 0.5,
  lagScatter: 0.5,
  play: 1,
  jump: [0.94, 0.025, 0.004, 0.001],
  wrong: { other: 0.03 },
  moved: { odds: 0.015, sd: 6 },
  untold: { skim: 0.2, heat: 40, key: 0.2 }
}

/** A wear's prior in units of its scale: most are broken in, a share is worn far more. */
export function tailed({ share, times }: Tail): HalfNormals {
  return share > 0
    ? [
        { weight: 1 - share, scale: 1 },
        { weight: share, scale: times }
      ]
    : [{ weight: 1, scale: 1 }]
}

/** Without a tail. */
export const HALF_NORMAL: HalfNormals = [{ weight: 1, scale: 1 }]

/** Odds that a reading of this kind and method is wrong. */
export function wrongOdds({ wrong }: Priors, kind: NumericKind, method: string): number {
  const said = wrong[kind]
  return (typeof said === 'number' ? said : said?.[method]) ?? wrong.other
}
