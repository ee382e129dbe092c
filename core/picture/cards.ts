import type { Point } from '../math'

/** A scale card: four square codes at the corners of a rectangle, seen from the front. */
export interface CardPlan {
  /** mm between the outer edges of its codes, along and across. */
  width: number
  height: number
  /** mm along the side of a code. */
  code: number
  /** Id of the code at the top left; the others follow clockwise. */
  first: number
}

export const CARDS = {
  a6: { width: 140, height: 90, code: 24, first: 0 },
  a5: { width: 196, height: 134, code: 32, first: 4 }
} as const satisfies Record<string, CardPlan>

export type CardId = keyof typeof CARDS

/**
 * Corners of a card's code, mm from the card's middle, y up; clockwise from its own top left.
 * @param place 0 to 3, clockwise from the card's top left
 * @param scale at which it is printed
 */
export function cornersOf({ width, height, code }: CardPlan, place: number, scale = 1): Point[] {
  const left = place === 0 || place === 3 ? -width / 2 : width / 2 - code
  const top = place < 2 ? height / 2 : -height / 2 + code
  return [
    [left, top],
    [left + code, top],
    [left + code, top - code],
    [left, top - code]
  ].map(([x, y]): Point => [x! * scale, y! * scale])
}
