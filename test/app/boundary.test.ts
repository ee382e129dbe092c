import { describe, expect, it } from 'vitest'
import { asNew, camsOf, chainModel, type ChainPicture, chainPicture, isCharted } from '../../core/drive'
import { assess } from '../../core/paths'
import { bankOf, banksOf, type DriveSheet } from '../../core/sheet'
import { partLabels } from '../../app/components/map/partLabels'
import { DEMO_SHEETS } from '../../demo/workshop'
import { doCross, endsOn, type Labelled, placeLabels, type PlacedLabel, type Plate } from '../../draw/boundary'
import { fitPictures, partPoints } from '../../draw/drawing'
import { jobOf } from '../support/jobs'

const crossing = (placed: readonly PlacedLabel[]) =>
  placed.flatMap((one, i) =>
    placed
      .slice(i + 1)
      .filter((other) => one.to && other.to && doCross(one.from, one.to, other.from, other.to))
      .map((other) => [one.part, other.part])
  )

const plates: Plate[] = [
  { width: 796, height: 473, column: 158, tag: 50, gap: 6, margin: 8 },
  { width: 1100, height: 700, column: 158, tag: 50, gap: 6, margin: 8 },
  { width: 440, height: 440, column: 52, tag: 50, gap: 6, margin: 8 }
]

const picturesOf = (sheet: DriveSheet): ChainPicture[] =>
  sheet.chains.map((chain) => {
    const cams = camsOf(sheet, chain).map(() => 0)
    return chainPicture(sheet, chain, asNew(chainModel(sheet, chain)), cams)!
  })

/** The labels of a drive as its map places them. */
function labelled(sheet: DriveSheet, plate: Plate): PlacedLabel[] {
  const pictures = picturesOf(sheet)
  const projection = fitPictures(pictures, plate.width, plate.height - 34, plate.column + 18)
  const ends = endsOn(pictures, projection)
  const [left] = banksOf(sheet)
  const items = partLabels(sheet, assess(jobOf([], { drive: sheet })), pictures).map(({ part, at }): Labelled => {
    const bank = banksOf(sheet).length === 2 ? bankOf(sheet, part) : null
    return {
      part,
      anchors: at ? [{ x: projection.x(at[0]), y: projection.y(at[1]) }, ...(ends.get(part) ?? [])] : [],
      side: bank === null ? null : bank === left ? 'left' : 'right'
    }
  })
  return placeLabels(items, plate, new Map(pictures.flatMap((one) => [...partPoints(one, projection)])))
}

describe('labels at both sides of a drive', () => {
  const charted = DEMO_SHEETS.filter((sheet) => sheet.chains.every((chain) => isCharted(sheet, chain)))

  it.each(charted.map((sheet) => [sheet.id, sheet] as const))(
    '%s: no leader crosses another, on any plate',
    (_, sheet) => {
      for (const plate of plates) expect(crossing(labelled(sheet, plate))).toEqual([])
    }
  )
  it('stand apart, within the plate, each part once', () => {
    const sides = (placed: readonly PlacedLabel[]) =>
      (['left', 'right'] as const).map((side) =>
        placed
          .filter((one) => one.side === side)
          .map(({ top }) => top)
          .sort((a, b) => a - b)
      )
    for (const sheet of charted) {
      const plate = plates[1]!
      const placed = labelled(sheet, plate)
      expect(new Set(placed.map(({ part }) => part)).size).toBe(placed.length)
      for (const tops of sides(placed)) {
        expect(Math.max(...tops)).toBeLessThanOrEqual(plate.height - plate.tag)
        expect(Math.min(...tops)).toBeGreaterThanOrEqual(0)
        const apart = tops.slice(1).map((top, i) => top - tops[i]!)
        expect(Math.min(Infinity, ...apart)).toBeGreaterThanOrEqual(plate.tag)
      }
    }
  })
  it('those of a bank stand on its side', () => {
    const engine = charted.find((one) => banksOf(one).length === 2)!
    const [left, right] = banksOf(engine)
    for (const { part, side } of labelled(engine, plates[0]!)) {
      const bank = bankOf(engine, part)
      if (bank !== null) expect([part, side]).toEqual([part, bank === left ? 'left' : 'right'])
      expect([left, right, null]).toContain(bank)
    }
  })
  it('leaders that would cross change places; a side without room gives one away', () => {
    const plate: Plate = { width: 400, height: 200, column: 100, tag: 50, gap: 6, margin: 8 }
    const at = (part: string, x: number, y: number): Labelled => ({ part, anchors: [{ x, y }], side: 'left' })
    // What lies low and far in would be reached across what lies a little higher and near.
    const placed = placeLabels([at('near', 120, 100), at('far', 190, 98)], plate)
    expect(crossing(placed)).toEqual([])
    const many = placeLabels(
      Array.from({ length: 5 }, (_, i) => at(String(i), 110 + 10 * i, 40 * i)),
      plate
    )
    expect(many.filter(({ side }) => side === 'left').length).toBeLessThan(5)
  })
})
