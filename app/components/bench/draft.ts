import type { DriveSheet } from '../../../core/sheet/types'
import { impossibleReading, readingStructureFaults } from '../../../core/readings/checkReading'
import { methodOf } from '../../../core/readings/kinds'
import type { Reading } from '../../../core/readings/types'
import type { Slot } from '../../../core/job/slots'

/** What stands in the form for one slot before it is saved. */
export interface Draft {
  figure: string
  side: 'late' | 'early'
  inNotches: boolean
  method: string
  links: string
  turned: 'yes' | 'no' | 'unknown'
  locked: 'yes' | 'no'
  note: string
}

export function emptyDraft(slot: Slot): Draft {
  return { figure: '', side: 'late', inNotches: false, method: methodOf(slot.kind), links: String(slot.target.links ?? ''), turned: 'unknown', locked: 'yes', note: '' }
}

/** The form filled with a reading, for correcting it. */
export function draftOf(slot: Slot, reading: Reading): Draft {
  const value = reading.value ?? reading.notches!
  return {
    figure: String(slot.kind === 'camLag' ? Math.abs(value) : value),
    side: value < 0 ? 'early' : 'late',
    inNotches: reading.value === undefined,
    method: methodOf(slot.kind, reading.method),
    links: String(reading.links ?? ''),
    turned: reading.turnedForward === undefined ? 'unknown' : reading.turnedForward ? 'yes' : 'no',
    locked: reading.phaserLocked === false ? 'no' : 'yes',
    note: reading.note ?? ''
  }
}

/** Does it matter for this slot whether the drive was turned forward last? */
export function asksTurning(sheet: DriveSheet, slot: Slot): boolean {
  return slot.kind === 'camLag' || (slot.kind === 'extension' && ratchetOf(sheet, slot) !== undefined)
}

/** Does the cam of this slot carry a phaser that may not have been locked? */
export function asksLocking(sheet: DriveSheet, slot: Slot): boolean {
  return slot.kind === 'camLag' && sheet.phasers.some((phaser) => phaser.sprocket === slot.target.sprocket)
}

export function ratchetOf(sheet: DriveSheet, slot: Slot): { first: number; pitch: number } | undefined {
  return slot.kind === 'extension' ? sheet.tensioners.find((t) => t.id === slot.target.tensioner)?.ratchet : undefined
}

/** The reading a form stands for, or what is wrong with it and at which field. */
export function readingOf(sheet: DriveSheet, slot: Slot, draft: Draft): { reading: Reading; fault: null } | { reading: null; fault: { field: 'figure' | 'links' | 'note'; message: string } } {
  const at = (field: 'figure' | 'links' | 'note', message: string) => ({ reading: null, fault: { field, message } })
  const value = numberOf(draft.figure)
  if (value === null) return at('figure', draft.figure.trim() === '' ? 'Enter the figure that was read.' : `“${draft.figure.trim().slice(0, 30)}” is no number: write digits, such as 14.2`)
  if (slot.kind === 'camLag' && value < 0) return at('figure', 'Write the figure without a sign and choose late or early.')
  const links = slot.target.links === undefined ? undefined : numberOf(draft.links)
  if (links === null || (links !== undefined && !(Number.isInteger(links) && links > 0))) return at('links', 'Enter over how many whole links it was measured.')
  const reading: Reading = {
    kind: slot.kind, ...slot.target,
    ...(links === undefined ? {} : { links }),
    ...(draft.inNotches && ratchetOf(sheet, slot) ? { notches: value } : { value: slot.kind === 'camLag' && draft.side === 'early' ? -value : value, method: draft.method }),
    ...(asksTurning(sheet, slot) && draft.turned !== 'unknown' ? { turnedForward: draft.turned === 'yes' } : {}),
    ...(asksLocking(sheet, slot) && draft.locked === 'no' ? { phaserLocked: false } : {}),
    ...(draft.note.trim() ? { note: draft.note.trim() } : {})
  }
  const [fault] = readingStructureFaults(sheet, reading)
  if (fault) return at(fault.place === 'links' || fault.place === 'note' ? fault.place : 'figure', fault.message)
  const impossible = impossibleReading(sheet, reading)
  return impossible ? at('figure', sentence(impossible)) : { reading, fault: null }
}

/** A figure with a point or a comma; null when it is no number. */
export function numberOf(text: string): number | null {
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : null
}

function sentence(text: string): string {
  return `${text[0]!.toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`
}
