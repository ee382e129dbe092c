import { banksOf, type DriveSheet, type PartKind } from '../sheet'
import { COUNTED_FINDINGS } from './conditions'
import { figureOf } from './figured'

/** What may be said of a finding beside that it was made. */
export type FindingDetail = 'count' | 'figure' | 'cylinder' | 'bank' | 'sensor' | 'frozen' | 'where'

/** What may be said of a finding of a kind of part on this drive, in the order in which it is asked. */
export function detailsOf(sheet: DriveSheet, kind: PartKind, finding: string): FindingDetail[] {
  const code = finding.startsWith('code-') && finding !== 'code-none'
  const spec = figureOf(finding)
  const sided = code || kind === 'oil' || finding === 'loudest-bank'
  return [
    ...(COUNTED_FINDINGS.includes(finding) ? (['count'] as const) : []),
    ...(finding === 'pieces-found' ? (['where'] as const) : []),
    ...(spec?.perCylinder || finding === 'code-misfire' ? (['cylinder'] as const) : []),
    ...(spec ? (['figure'] as const) : []),
    ...(sided && banksOf(sheet).length > 1 ? (['bank'] as const) : []),
    ...(code || kind === 'oil' ? (['sensor'] as const) : []),
    ...(code ? (['frozen'] as const) : [])
  ]
}

/** Is a finding no use before more is said of it? */
export function needsDetail(finding: string): boolean {
  return COUNTED_FINDINGS.includes(finding) || (figureOf(finding)?.needed ?? false)
}
