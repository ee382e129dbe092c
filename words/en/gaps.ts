import type { Gap, GapSays } from '../../core/drive'
import type { Names } from '../say'
import { t, texts, midSentence } from '../spoken'

/** What a sheet leaves open, and what that costs at the bench. */

const LIMITS: Readonly<Record<GapSays['limit']['kind'], string>> = texts({
  elongation: 'Elongation limit',
  groove: 'Groove limit',
  camLag: 'Lag limit',
  extension: 'Extension limit'
})

/** What is missing, and what cannot be computed or judged meanwhile. */
type GapWords = { missing: string; meanwhile: string }

export const GAPS: { readonly [C in keyof GapSays]: (figures: GapSays[C], name: Names) => GapWords } = {
  coordinates: (f, name) => ({
    missing: t`Coordinates for ${midSentence(name(f.chain))}`,
    meanwhile: t`The drive is not drawn, a skimmed face or a hot engine is not corrected for, and figures are first order.`
  }),
  curve: (f, name) => ({
    missing: t`The curve of ${midSentence(name(f.rail))} is not known`,
    meanwhile: t`Its wear counts by the default, and it is not drawn; a skimmed face or a hot engine is not corrected for.`
  }),
  pivot: (f, name) => ({
    missing: t`Where ${midSentence(name(f.arm))} turns is not known`,
    meanwhile: t`It is not drawn.`
  }),
  plunger: (f, name) => ({
    missing: t`Where ${midSentence(name(f.tensioner))} stands is not known`,
    meanwhile: t`Its extension goes by the points that the manual gives, and it is not drawn.`
  }),
  'link-counts': (f, name) => ({
    missing: t`Link counts between the marks of ${midSentence(name(f.chain))}`,
    meanwhile: t`A jump is told from stretch by degrees alone.`
  }),
  limit: (f, name) => ({
    missing: t`${LIMITS[f.kind]} of ${f.parts.length > 2 ? t`${f.parts.length} parts` : f.parts.map((part) => midSentence(name(part))).join(t` and `)}`,
    meanwhile: t`It is measured but never passed: the call stays at look closer.`
  }),
  operations: () => ({
    missing: t`Operations and parts with their prices`,
    meanwhile: t`Repair paths have no hours and no prices.`
  }),
  torques: () => ({
    missing: t`Torques`,
    meanwhile: t`The build-up cannot show them: take them from the maker's manual.`
  })
}

export function gapWords({ code, figures }: Gap, name: Names): GapWords {
  return GAPS[code as keyof GapSays](figures as never, name)
}
