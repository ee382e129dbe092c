import { type Message, messagesOf } from '../check'
import { compileSheet, type DriveSheet } from '../sheet'
import { hasCentres, type Lack, lacksOf } from './centred'
import { camsOf } from './elements'

/** Limits without which a part is not judged. */
export type JudgedBy = 'elongation' | 'groove' | 'camLag' | 'extension'

/** What a sound sheet can leave open; the words say what cannot be computed or judged meanwhile. */
export interface GapSays {
  coordinates: { chain: string }
  curve: { rail: string }
  pivot: { arm: string }
  plunger: { tensioner: string }
  'link-counts': { chain: string }
  limit: { kind: JudgedBy; parts: readonly string[] }
  operations: {}
  torques: {}
}

const say = messagesOf<GapSays>()

/** Something that a sound sheet leaves open, and where it would be filled in. */
export type Gap = Message & { readonly section: 'sprockets' | 'rails' | 'limits' | 'marks' | 'work' | 'tensioners' }

/** What a sound sheet does not say, and what therefore cannot be computed yet. */
export function sheetGaps(sheet: DriveSheet): Gap[] {
  return [...chainGaps(sheet), ...limitGaps(sheet), ...workGaps(sheet)]
}

function chainGaps(sheet: DriveSheet): Gap[] {
  return sheet.chains.flatMap((chain): Gap[] => [
    ...(hasCentres(sheet, chain)
      ? lacksOf(sheet, chain).flatMap(lackGap)
      : [{ section: 'sprockets' as const, ...say('coordinates', { chain: chain.id }) }]),
    ...(chain.counts.length > 0 ? [] : [{ section: 'marks' as const, ...say('link-counts', { chain: chain.id }) }])
  ])
}

/** A rail without its curve is known by no side either. */
function lackGap({ what, part }: Lack): Gap[] {
  switch (what) {
    case 'curve':
      return [{ section: 'rails', ...say('curve', { rail: part }) }]
    case 'pivot':
      return [{ section: 'rails', ...say('pivot', { arm: part }) }]
    case 'plunger':
      return [{ section: 'tensioners', ...say('plunger', { tensioner: part }) }]
    case 'side':
      return []
  }
}

function limitGaps(sheet: DriveSheet): Gap[] {
  const { limit } = compileSheet(sheet)
  const cams = sheet.chains.flatMap((chain) => camsOf(sheet, chain))
  const gap = (kind: JudgedBy, parts: readonly string[]): Gap[] =>
    parts.length > 0 ? [{ section: 'limits', ...say('limit', { kind, parts }) }] : []
  const without = (kind: Exclude<JudgedBy, 'extension'>, parts: readonly { id: string }[]) =>
    gap(
      kind,
      parts.filter(({ id }) => !limit(kind, id)).map(({ id }) => id)
    )
  return [
    ...without('elongation', sheet.chains),
    ...without(
      'groove',
      sheet.rails.filter(({ touches }) => touches !== false)
    ),
    ...without(
      'camLag',
      sheet.sprockets.filter(({ id }) => cams.includes(id))
    ),
    ...gap(
      'extension',
      sheet.tensioners.filter((tensioner) => !tensioner.limit).map(({ id }) => id)
    )
  ]
}

function workGaps({ operations = [], parts = [], torques = [] }: DriveSheet): Gap[] {
  return [
    ...(operations.length === 0 || parts.length === 0 ? [{ section: 'work' as const, ...say('operations') }] : []),
    ...(torques.length === 0 ? [{ section: 'work' as const, ...say('torques') }] : [])
  ]
}
