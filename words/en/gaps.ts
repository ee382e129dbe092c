import type { Gap, GapSays } from '../../core/drive'
import type { Names } from '../say'

/** What a sheet leaves open, and what that costs at the bench. */

const LIMITS: Readonly<Record<GapSays['limit']['kind'], string>> = {
  elongation: 'Elongation limit',
  groove: 'Groove limit',
  camLag: 'Lag limit',
  extension: 'Extension limit'
}

/** What is missing, and what cannot be computed or judged meanwhile. */
type GapWords = { missing: string; meanwhile: string }

export const GAPS: { readonly [C in keyof GapSays]: (figures: GapSays[C], name: Names) => GapWords } = {
  coordinates: (f, name) => ({
    missing: `Coordinates for ${name(f.chain).toLowerCase()}`,
    meanwhile:
      'The drive is not drawn, a skimmed face or a hot engine is not corrected for, and figures are first order.'
  }),
  curve: (f, name) => ({
    missing: `The curve of ${name(f.rail).toLowerCase()} is not known`,
    meanwhile:
      'Its wear counts by the default, and it is not drawn; a skimmed face or a hot engine is not corrected for.'
  }),
  pivot: (f, name) => ({
    missing: `Where ${name(f.arm).toLowerCase()} turns is not known`,
    meanwhile: 'It is not drawn.'
  }),
  plunger: (f, name) => ({
    missing: `Where ${name(f.tensioner).toLowerCase()} stands is not known`,
    meanwhile: 'Its extension goes by the points that the manual gives, and it is not drawn.'
  }),
  'link-counts': (f, name) => ({
    missing: `Link counts between the marks of ${name(f.chain).toLowerCase()}`,
    meanwhile: 'A jump is told from stretch by degrees alone.'
  }),
  limit: (f, name) => ({
    missing: `${LIMITS[f.kind]} of ${f.parts.length > 2 ? `${f.parts.length} parts` : f.parts.map((part) => name(part).toLowerCase()).join(' and ')}`,
    meanwhile: 'It is measured but never passed: the call stays at look closer.'
  }),
  operations: () => ({
    missing: 'Operations and parts with their prices',
    meanwhile: 'Repair paths have no hours and no prices.'
  }),
  torques: () => ({
    missing: 'Torques',
    meanwhile: "The build-up cannot show them: take them from the maker's manual."
  })
}

export function gapWords({ code, figures }: Gap, name: Names): GapWords {
  return GAPS[code as keyof GapSays](figures as never, name)
}
