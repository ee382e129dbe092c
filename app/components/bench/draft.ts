import { sayLeftOut, DRAFT } from '../../../words/en'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import { impossibleReading, methodOf, readWritten, type Reading } from '../../../core/readings'
import type { Slot } from '../../../core/views/bench'
import { fromStored, toStored } from '../../units'

/** What stands in the form for one slot before it is saved. */
export interface Draft {
  figure: string
  side: 'late' | 'early'
  /** An extension in mm, by the notches that show, or by the gap that the removed lifter leaves. */
  readIn?: 'mm' | 'notches' | 'gap'
  method: string
  links: string
  /** chainLength, chainCompare: which place along the chain; empty when it was not said. */
  place: '' | '1' | '2' | '3'
  turned: 'yes' | 'no' | 'unknown'
  locked: 'yes' | 'no'
  note: string
}

export function emptyDraft(slot: Slot): Draft {
  return {
    figure: '',
    side: 'late',
    readIn: 'mm',
    method: methodOf(slot.kind),
    links: String(slot.target.links ?? ''),
    place: '',
    turned: 'unknown',
    locked: 'yes',
    note: ''
  }
}

/** The form filled with a reading, for correcting it. */
export function draftOf(slot: Slot, reading: Reading): Draft {
  const length = reading.value ?? reading.gap
  const value = length === undefined ? (reading.notches ?? 0) : fromStored(slot.kind, length)
  return {
    figure: String(slot.kind === 'camLag' ? Math.abs(value) : value),
    side: value < 0 ? 'early' : 'late',
    readIn: reading.gap !== undefined ? 'gap' : reading.value === undefined ? 'notches' : 'mm',
    method: methodOf(slot.kind, reading.method),
    links: String(reading.links ?? ''),
    place: placeOf(reading),
    turned: reading.turnedForward === undefined ? 'unknown' : reading.turnedForward ? 'yes' : 'no',
    locked: reading.phaserLocked === false ? 'no' : 'yes',
    note: reading.note ?? ''
  }
}

function placeOf({ place }: Reading): Draft['place'] {
  return place === 1 ? '1' : place === 2 ? '2' : place === 3 ? '3' : ''
}

/** Does it matter for this slot whether the drive was turned forward last? */
export function asksTurning(sheet: DriveSheet, slot: Slot): boolean {
  return slot.kind === 'camLag' || (slot.kind === 'extension' && ratchetOf(sheet, slot) !== undefined)
}

/** Does the cam of this slot carry a phaser that may not have been locked? */
export function asksLocking(sheet: DriveSheet, slot: Slot): boolean {
  return slot.kind === 'camLag' && sheet.phasers.some((phaser) => phaser.sprocket === slot.target.sprocket)
}

/** Is this measured along the chain, where three places tell more than one? */
export function asksPlace(slot: Slot): boolean {
  return slot.kind === 'chainLength' || slot.kind === 'chainCompare'
}

export function ratchetOf(sheet: DriveSheet, slot: Slot): { first: number; pitch: number } | undefined {
  return slot.kind === 'extension'
    ? compileSheet(sheet).tensioners.get(slot.target.tensioner ?? '')?.ratchet
    : undefined
}

/** What an extension is read in: notches only where there is a ratchet. */
export function readInOf(sheet: DriveSheet, slot: Slot, { readIn = 'mm' }: Draft): 'mm' | 'notches' | 'gap' {
  if (slot.kind !== 'extension') return 'mm'
  return readIn === 'notches' && !ratchetOf(sheet, slot) ? 'mm' : readIn
}

export type DraftField = 'figure' | 'links' | 'note'

/** Characters of a note. */
const MOST_NOTE = 4000

/** The reading a form stands for, or what is wrong with it and at which field. */
export function readingOf(
  sheet: DriveSheet,
  slot: Slot,
  draft: Draft
): { reading: Reading; fault: null } | { reading: null; fault: { field: DraftField; message: string } } {
  const at = (field: DraftField, message: string) => ({ reading: null, fault: { field, message } })
  const typed = typedFault(slot, draft)
  if (typed) return at(typed.field, typed.message)
  const reading = assembleReading(sheet, slot, draft)
  if (reading.notches !== undefined && !Number.isInteger(reading.notches)) return at('figure', DRAFT.countWholeNotches)
  if ((reading.note?.length ?? 0) > MOST_NOTE) return at('note', DRAFT.writeAtMostCharacters(MOST_NOTE))
  const impossible = impossibleReading(sheet, reading)
  return impossible ? at('figure', sentence(sayLeftOut(impossible))) : { reading, fault: null }
}

/** What is wrong with the text as it was typed, before it means anything. */
function typedFault(slot: Slot, draft: Draft): { field: DraftField; message: string } | null {
  const figure = draft.figure.trim()
  const value = numberOf(figure)
  if (figure === '') return { field: 'figure', message: DRAFT.enterTheFigureThatWas }
  if (value === null) return { field: 'figure', message: DRAFT.isNoNumberWriteDigits(figure.slice(0, 30)) }
  if (slot.kind === 'camLag' && value < 0) return { field: 'figure', message: DRAFT.writeTheFigureWithoutA }
  const links = numberOf(draft.links)
  if (slot.target.links === undefined || (links !== null && Number.isInteger(links) && links > 0)) return null
  return { field: 'links', message: DRAFT.enterOverHowManyWhole }
}

/** @param draft without a fault in what was typed */
function assembleReading(sheet: DriveSheet, slot: Slot, draft: Draft): Reading {
  const value = numberOf(draft.figure) ?? NaN
  const readIn = readInOf(sheet, slot, draft)
  return {
    kind: slot.kind,
    ...slot.target,
    ...(slot.target.links === undefined ? {} : { links: numberOf(draft.links) ?? NaN }),
    ...(readIn === 'notches'
      ? { notches: value }
      : readIn === 'gap'
        ? { gap: toStored(slot.kind, value) }
        : {
            value: slot.kind === 'camLag' && draft.side === 'early' ? -value : toStored(slot.kind, value),
            method: draft.method
          }),
    ...(asksPlace(slot) && draft.place ? { place: Number(draft.place) } : {}),
    ...(asksTurning(sheet, slot) && draft.turned !== 'unknown' ? { turnedForward: draft.turned === 'yes' } : {}),
    ...(asksLocking(sheet, slot) && draft.locked === 'no' ? { phaserLocked: false } : {}),
    ...(draft.note.trim() ? { note: draft.note.trim() } : {})
  } as Reading
}

/**
 * A usage or an amount, as people write thousands: `148.200`, `148,200` and `148 200` are one figure, `148.2` is
 * another. Null when it is no number.
 */
export function largeNumberOf(text: string): number | null {
  return readWritten(text)?.value ?? numberOf(text)
}

/** A figure with a point or a comma; null when it is no number. */
export function numberOf(text: string): number | null {
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : null
}

function sentence(text: string): string {
  return `${text[0]!.toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`
}
