import { CARDS, type CardId, codeBits, cornersOf } from '../../core/picture'
import { dense, type Face, rectangle } from './scene'

/** mm of white round the codes. */
const MARGIN = 5
/** Fields along a code: six of its bits and a black one at each end. */
const FIELDS = 8

/** A printed scale card, its middle at 0. */
export function cardFaces(card: CardId): Face[] {
  const { width, height, code, first } = CARDS[card]
  const field = code / FIELDS
  return [
    {
      outline: rectangle(-width / 2 - MARGIN, -height / 2 - MARGIN, width + 2 * MARGIN, height + 2 * MARGIN),
      z: 0,
      shade: 236
    },
    ...[0, 1, 2, 3].flatMap((place): Face[] => {
      const corners = cornersOf(CARDS[card], place)
      const [left, top] = corners[0]!
      const bits = codeBits(first + place)
      return [
        { outline: dense(corners), z: 0, shade: 22 },
        ...brightRuns(bits).map(({ row, from, to }): Face => ({
          outline: rectangle(left + (from + 1) * field, top - (row + 2) * field, (to - from) * field, field),
          z: 0,
          shade: 236
        }))
      ]
    })
  ]
}

/** Bright fields of each row, neighbours as one, so that no seam shows between them. */
function brightRuns(bits: readonly boolean[]): { row: number; from: number; to: number }[] {
  const runs: { row: number; from: number; to: number }[] = []
  for (let row = 0; row < 6; row++)
    for (let column = 0; column < 6; column++) {
      if (!bits[6 * row + column]) continue
      const last = runs.at(-1)
      if (last && last.row === row && last.to === column) last.to = column + 1
      else runs.push({ row, from: column, to: column + 1 })
    }
  return runs
}
