/** What deciding wrongly about a part costs. */
export interface Stake {
  /** A sound one renewed (a cam: set again that had not jumped). */
  renewed: number
  /** One past its limit kept (a cam: run though it has jumped). */
  kept: number
}

/** What decisions on a drive's parts cost, in one currency. */
export interface Stakes {
  of(part: string, about: 'wear' | 'jump'): Stake
  /** What a minute at the stand costs. */
  minute: number
  /** Null: in equal units, as the sheet has no prices. */
  currency: string | null
}

/** Without prices every decision weighs alike, and a hundred minutes as much as one part. */
export const EQUAL_STAKES: Stakes = {
  of: () => ({ renewed: 1, kept: 1 }),
  minute: 0.01,
  currency: null
}

/** Expected cost of deciding now, for the better of keeping and renewing. @param odds of being past the limit */
export function lossOf({ renewed, kept }: Stake, odds: number): number {
  return Math.min(renewed * (1 - odds), kept * odds)
}
