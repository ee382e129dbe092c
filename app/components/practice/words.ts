import { midSentence } from '../../../words/spoken'
import { COMMON, findingWords, PRACTICE_WORDS } from '../../../words/en'
import type { Drawing } from '../../../draw/shapes'
import { figureOf, READING_KINDS, type Unread } from '../../../core/readings'
import { type DriveSheet, partKindOf } from '../../../core/sheet'
import { KIND_NAMES, partName } from '../../words'

/** `2 h 05`, `8 min`. */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes)
  return whole < 60 ? PRACTICE_WORDS.min(whole) : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`
}

/** What a figure is asked as. */
export function askedWords(sheet: DriveSheet, reading: Unread): string {
  if (reading.notches !== undefined) return PRACTICE_WORDS.notchesThatShow
  if (reading.kind === 'linkCount')
    return COMMON.to(partName(sheet, reading.from ?? ''), midSentence(partName(sheet, reading.to ?? '')))
  if (reading.kind === 'camLag') return PRACTICE_WORDS.late(partName(sheet, reading.sprocket ?? ''))
  if (reading.kind === 'condition') return askedFinding(sheet, reading)
  return KIND_NAMES[reading.kind]
}

/** A finding that is asked for its figure, with its cylinder. */
function askedFinding(sheet: DriveSheet, { target = '', finding = '', cylinder }: Unread): string {
  const asked = findingWords(partKindOf(sheet, target) ?? 'engine', finding)
  return cylinder === undefined ? asked : PRACTICE_WORDS.ofCylinder(asked, cylinder)
}

export function askedUnit(reading: Unread): string {
  if (reading.notches !== undefined) return 'notches'
  if (reading.kind === 'condition') return figureOf(reading.finding ?? '')?.unit ?? ''
  return READING_KINDS[reading.kind].unit
}

/** What a picture is of, for who cannot see it; the figure itself is not told. */
export function pictureWords(title: string, drawing: Drawing): string {
  const said = drawing.shapes.flatMap((shape) => (shape.kind === 'text' && shape.text.length > 12 ? [shape.text] : []))
  return `${title}. ${said.join('. ')}`
}
