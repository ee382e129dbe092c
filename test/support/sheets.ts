import { DEMO_SHEETS } from '../../demo/workshop'
import type { DriveSheet } from '../../core/sheet'

export const SHEETS = [
  'ardmere-a18',
  'gannet-g90',
  'hexley-h46',
  'petrel-p16',
  'quillon-q40',
  'quillon-q40-counted',
  'torvane-d26',
  'vellora-v28'
] as const

/** A fresh copy of a shipped sheet, free to be changed. */
export function sheet(id: (typeof SHEETS)[number]): DriveSheet {
  return structuredClone(DEMO_SHEETS.find((s) => s.id === id)!)
}

/** A copy of a value with changes made to it; sheets are read-only everywhere else. */
export function changed<T>(value: T, change: (draft: Editable<T>) => void): T {
  const copy = structuredClone(value) as Editable<T>
  change(copy)
  return copy as T
}

type Editable<T> = any & Partial<Record<keyof T, unknown>>
