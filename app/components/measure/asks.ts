import { MEASURE } from '../../../words/en'
import type { PictureRead } from '../../../core/record'
import type { Reading } from '../../../core/readings'
import { compileSheet, type DriveSheet, partKindOf } from '../../../core/sheet'
import type { Measuring } from '../../composables/useMeasuring'

/** What can be measured on a photo of a part. */
export type Asked = 'extension' | 'padWear' | 'groove' | 'compare' | 'marks' | 'links' | 'length'

/** A photo of a part that is measured on. */
export interface OnPhoto {
  part: string
  photo: string
  src: string
  asked: Asked
  /** The reading that it is opened for again. */
  again: { id: string; reading: Reading; picture: PictureRead } | null
  measuring: Measuring
}

/** What is measured on a photo of a part, the usual first. */
export function asksOf(sheet: DriveSheet, part: string): Asked[] {
  const kind = partKindOf(sheet, part)
  const { chains, markOf } = compileSheet(sheet)
  const chain = chains.get(part)
  return [
    ...(kind === 'tensioner' ? (['extension', 'padWear'] as const) : []),
    ...(kind === 'guide' || kind === 'arm' ? (['groove'] as const) : []),
    ...(chain ? (['compare'] as const) : []),
    ...(chain && chain.counts.length > 0 ? (['links'] as const) : []),
    ...(kind === 'sprocket' && markOf(part) ? (['marks'] as const) : []),
    'length'
  ]
}

/** The kind of reading that an answer becomes; none for a length that stands for itself. */
export const READ_AS: { readonly [K in Asked]: Reading['kind'] | null } = {
  extension: 'extension',
  padWear: 'padWear',
  groove: 'groove',
  compare: 'chainCompare',
  marks: 'camLag',
  links: 'linkCount',
  length: null
}

/** What was asked where a reading was measured. */
export function askedOf(reading: Reading): Asked {
  return (Object.keys(READ_AS) as Asked[]).find((asked) => READ_AS[asked] === reading.kind) ?? 'length'
}

/** Pins on a rim that a mark is measured by. */
export const RIM_TAPS = 6

/** A point that is asked for, and what it is an end of. */
export interface End {
  id: string
  label: string
  group: 'part' | 'new' | 'rim' | 'known'
}

/** The points that an answer needs, in the order in which they are tapped. */
export function endsOf(asked: Asked, withScale: boolean): End[] {
  const list = (group: End['group'], labels: readonly string[]) =>
    labels.map((label, i): End => ({ id: `${group}-${i}`, label, group }))
  const rim = Array.from({ length: RIM_TAPS }, (_, i) => MEASURE.rimPin(i + 1))
  return [
    ...(asked === 'marks' ? list('rim', rim) : []),
    ...list('part', MEASURE.ends[asked]),
    ...(asked === 'compare' ? list('new', MEASURE.newEnds) : []),
    // A new chain and a rim are scales of their own.
    ...(withScale || asked === 'compare' || asked === 'marks' ? [] : list('known', MEASURE.knownEnds))
  ]
}

/** The points of a reading that its photo is opened for again, by their ids. */
export function pointsOf({ ends, newEnds, rim, known }: PictureRead): Record<string, readonly [number, number]> {
  const put = (group: End['group'], list: readonly (readonly [number, number])[] | undefined) =>
    Object.fromEntries((list ?? []).map((at, i) => [`${group}-${i}`, at]))
  return { ...put('part', ends), ...put('new', newEnds), ...put('rim', rim), ...put('known', known?.ends) }
}
