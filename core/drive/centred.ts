import { type Chain, compileSheet, type DriveSheet } from '../sheet'
import type { Corrections } from './corrections'
import { type Contour, contourAt } from './contour'
import { drivenSprockets, type Element, elementsOf, touchingRails } from './elements'
import { perChain } from './perChain'

/**
 * What a sheet gives that has its sprockets' centres and not all of the rest: how the chain runs from sprocket to
 * sprocket, how far it lies round each, and whether the counts can be right. Rails push it aside by what is not known.
 */

/** What a chain with all centres lacks to be computed from coordinates. */
export interface Lack {
  what: 'curve' | 'side' | 'pivot' | 'plunger'
  part: string
}

/** Does the sheet say where every sprocket of a chain stands? */
export function hasCentres(sheet: DriveSheet, chain: Chain): boolean {
  const { sprockets } = compileSheet(sheet)
  return chain.path.every((id) => !sprockets.has(id) || sprockets.get(id)?.centre !== undefined)
}

/** What is not known of the rails and the tensioner of a chain; its centres apart. */
export function lacksOf(sheet: DriveSheet, chain: Chain): Lack[] {
  const touching = touchingRails(sheet, chain)
  return [
    ...sheet.rails.flatMap(({ id: part, kind, shoe, side, pivot }): Lack[] =>
      touching.includes(part)
        ? [
            ...(shoe ? [] : [{ what: 'curve', part } as const]),
            ...(side ? [] : [{ what: 'side', part } as const]),
            ...(kind !== 'arm' || pivot ? [] : [{ what: 'pivot', part } as const])
          ]
        : []
    ),
    ...sheet.tensioners.flatMap(({ id: part, chain: of, armRange, axis, seat, pad }): Lack[] =>
      of === chain.id && !(armRange && axis !== undefined && seat && pad) ? [{ what: 'plunger', part } as const] : []
    )
  ]
}

/** Does the sheet have all coordinates of this chain (else it is counted, from its centres where it has those)? */
export const isCharted = perChain(
  (sheet, chain): boolean => hasCentres(sheet, chain) && lacksOf(sheet, chain).length === 0
)

/** The sprockets of a chain alone, as they are met. @throws RangeError without a centre */
export function sprocketElements(sheet: DriveSheet, chain: Chain, corrections: Corrections = {}): Element[] {
  const { sprockets } = compileSheet(sheet)
  return elementsOf(sheet, { ...chain, path: chain.path.filter((id) => sprockets.has(id)) }, corrections)
}

/** How the chain would run with no rail beside it; null without centres, or where two sprockets overlap. */
export const centredRun = perChain((sheet, chain): { elements: Element[]; contour: Contour } | null => {
  if (!hasCentres(sheet, chain)) return null
  const elements = sprocketElements(sheet, chain)
  const contour = contourAt(elements, 0, [])
  return contour && { elements, contour }
})

/**
 * Links of a chain that lie on no sprocket, all round and on the tight side of each cam: as the sheet counts them, else
 * by its centres. Σ z·sweep/360° lie on sprockets; on the tight side of cam k lie the straights from it to the driver.
 * What rails push aside lies mostly on the slack side, at the arm. Undefined where the sheet says neither.
 */
export const countedOf = perChain((sheet, chain): Chain['counted'] => {
  if (chain.counted) return chain.counted
  const run = centredRun(sheet, chain)
  if (!run) return undefined
  const { elements, contour } = run
  const onSprockets = elements.reduce((sum, { teeth }, i) => sum + (teeth * contour.sweep[i]!) / 360, 0)
  const tight = drivenSprockets(sheet, chain).map((id) => {
    const start = elements.findIndex((element) => element.id === id)
    const straights = contour.straight.slice(start).reduce((sum, length) => sum + length, 0)
    return [id, straights / chain.pitch] as const
  })
  return { freeLinks: chain.links - onSprockets, tight: Object.fromEntries(tight) }
})
