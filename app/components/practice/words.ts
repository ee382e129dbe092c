import { COMMON, PRACTICE_WORDS } from '../../../words/en'
import type { Drawing } from '../../../draw/shapes'
import { isNumeric, READING_KINDS, type Unread } from '../../../core/readings'
import type { DriveSheet } from '../../../core/sheet'
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
    return COMMON.to(partName(sheet, reading.from ?? ''), partName(sheet, reading.to ?? '').toLowerCase())
  if (reading.kind === 'camLag') return PRACTICE_WORDS.late(partName(sheet, reading.sprocket ?? ''))
  return isNumeric(reading.kind) ? KIND_NAMES[reading.kind] : ''
}

export function askedUnit(reading: Unread): string {
  if (reading.notches !== undefined) return 'notches'
  return isNumeric(reading.kind) ? READING_KINDS[reading.kind].unit : ''
}

/** What a picture is of, for who cannot see it; the figure itself is not told. */
export function pictureWords(title: string, drawing: Drawing): string {
  const said = drawing.shapes.flatMap((shape) => (shape.kind === 'text' && shape.text.length > 12 ? [shape.text] : []))
  return `${title}. ${said.join('. ')}`
}
