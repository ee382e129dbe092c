import { isCharted } from './chainModel'
import { type DriveSheet, limitFor } from '../sheet'

/** Something that a sound sheet leaves open, and what that costs at the bench. */
export interface Gap {
  /** Where it would be filled in. */
  section: 'sprockets' | 'limits' | 'marks' | 'work' | 'tensioners'
  missing: string
  /** What cannot be computed or judged meanwhile. */
  meanwhile: string
}

/** What a sound sheet does not say, and what therefore cannot be computed yet. */
export function sheetGaps(sheet: DriveSheet): Gap[] {
  return [...chainGaps(sheet), ...limitGaps(sheet), ...workGaps(sheet)]
}

function chainGaps(sheet: DriveSheet): Gap[] {
  return sheet.chains.flatMap((chain): Gap[] => {
    const counted = !isCharted(sheet, chain)
    const unmarked = chain.counts.length === 0
    return [
      ...(counted ? [{ section: 'sprockets' as const, missing: `Coordinates for ${chain.name.toLowerCase()}`, meanwhile: 'The drive is not drawn, a skimmed face or a hot engine is not corrected for, and figures are first order.' }] : []),
      ...(unmarked ? [{ section: 'marks' as const, missing: `Link counts between the marks of ${chain.name.toLowerCase()}`, meanwhile: 'A jump is told from stretch by degrees alone.' }] : [])
    ]
  })
}

function limitGaps(sheet: DriveSheet): Gap[] {
  const cams = sheet.chains.flatMap((chain) => chain.path.filter((id) => id !== chain.driver && sheet.sprockets.some((s) => s.id === id)))
  const lacking = (names: readonly string[]) => (names.length > 2 ? `${names.length} parts` : names.map((name) => name.toLowerCase()).join(' and '))
  const without = (kind: 'elongation' | 'groove' | 'camLag', parts: readonly { id: string; name: string }[]) => parts.filter(({ id }) => !limitFor(sheet, kind, id)).map(({ name }) => name)
  const gap = (what: string, names: readonly string[]): Gap[] => (names.length > 0 ? [{ section: 'limits', missing: `${what} of ${lacking(names)}`, meanwhile: 'It is measured but never passed: the call stays at look closer.' }] : [])
  return [
    ...gap('Elongation limit', without('elongation', sheet.chains)),
    ...gap('Groove limit', without('groove', sheet.rails.filter(({ touches }) => touches !== false))),
    ...gap('Lag limit', without('camLag', sheet.sprockets.filter(({ id }) => cams.includes(id)))),
    ...gap('Extension limit', sheet.tensioners.filter(({ limit }) => !limit).map(({ name }) => name))
  ]
}

function workGaps({ operations = [], parts = [], torques = [] }: DriveSheet): Gap[] {
  return [
    ...(operations.length === 0 || parts.length === 0 ? [{ section: 'work' as const, missing: 'Operations and parts with their prices', meanwhile: 'Repair paths have no hours and no prices.' }] : []),
    ...(torques.length === 0 ? [{ section: 'work' as const, missing: 'Torques', meanwhile: 'The build-up cannot show them: take them from the maker\'s manual.' }] : [])
  ]
}
