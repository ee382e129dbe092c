import { useLocalStorage, useRefHistory } from '@vueuse/core'
import { cloneDeep, get, set, unset } from 'lodash-es'
import { computed, type ComputedRef, type Ref } from 'vue'
import { sheetFaults } from '../../../core/drive'
import type { DriveSheet } from '../../../core/sheet'
import type { Fault } from '../../../core/check'

/**
 * A drive sheet while it is worked on: anything may be missing, and what was typed but is no figure stands as it was
 * typed.
 */
export type Draft = { [field: string]: unknown }

export interface SheetDraft {
  draft: Ref<Draft>
  /** Revision it was made from. */
  basedOn: ComputedRef<number>
  /** Everything wrong with it; empty when it can be kept. */
  faults: ComputedRef<Fault[]>
  /** The sheet, where it is sound. */
  sound: ComputedRef<DriveSheet | null>
  changed: ComputedRef<boolean>
  get(place: string): unknown
  /** Empty text takes a field away. */
  set(place: string, value: unknown): void
  add(list: string, entry: Record<string, unknown>): void
  remove(list: string, index: number): void
  undo(): void
  redo(): void
  canUndo: Ref<boolean>
  canRedo: Ref<boolean>
  /** Forgets what was worked on and starts from a sheet again. */
  startOver(sheet: DriveSheet, basedOn: number): void
}

/**
 * The draft of a sheet on this device: it survives a reload and a flat battery until it is kept or given up.
 * @param currency that it is priced in where it names none
 */
export function useSheetDraft(sheet: DriveSheet, revision: number, currency = ''): SheetDraft {
  const kept = useLocalStorage<{ draft: Draft; basedOn: number }>(
    `umbrette.sheet.${sheet.id}`,
    { draft: cloneDeep(sheet) as unknown as Draft, basedOn: revision },
    { writeDefaults: false }
  )
  const draft = computed({
    get: () => kept.value.draft,
    set: (value) => (kept.value = { ...kept.value, draft: value })
  })
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(draft, { deep: true, capacity: 200, clone: cloneDeep })
  const faults = computed(() => sheetFaults(draft.value))

  function change(edit: (copy: Draft) => void): void {
    const copy = cloneDeep(draft.value)
    edit(copy)
    draft.value = copy
  }

  return {
    draft,
    basedOn: computed(() => kept.value.basedOn),
    faults,
    canUndo,
    canRedo,
    undo,
    redo,
    sound: computed(() => (faults.value.length === 0 ? (draft.value as unknown as DriveSheet) : null)),
    changed: computed(() => JSON.stringify(draft.value) !== JSON.stringify(sheet)),
    get: (place) => get(draft.value, place) as unknown,
    set: (place, value) =>
      change((copy) => {
        if (value === '' || value === undefined) return withoutEmpty(copy, place)
        set(copy, place, value)
        if (place === 'money.hourRate' && currency && !get(copy, 'money.currency'))
          set(copy, 'money.currency', currency)
      }),
    add: (list, entry) =>
      change((copy) => set(copy, list, [...((get(copy, list) as unknown[] | undefined) ?? []), entry])),
    remove: (list, index) =>
      change((copy) =>
        set(
          copy,
          list,
          (get(copy, list) as unknown[]).filter((_, i) => i !== index)
        )
      ),
    startOver(from, basedOn) {
      kept.value = { draft: cloneDeep(from) as unknown as Draft, basedOn }
      clear()
    }
  }
}

/** Takes a field away, and the object around it once nothing is left in it. */
function withoutEmpty(copy: Draft, place: string): void {
  unset(copy, place)
  const parent = place.slice(0, Math.max(place.lastIndexOf('.'), 0))
  const around = parent ? (get(copy, parent) as unknown) : null
  if (around && typeof around === 'object' && !Array.isArray(around) && Object.keys(around).length === 0)
    unset(copy, parent)
}
