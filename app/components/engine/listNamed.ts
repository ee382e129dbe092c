import type { Draft } from './useSheetDraft'

/** Entries of some lists of a draft, to be chosen by name. */
export function listNamed(draft: Draft, lists: readonly string[]): { value: string; label: string }[] {
  return lists.flatMap((list) =>
    ((draft[list] as { id: string; name?: string }[] | undefined) ?? []).map(({ id, name }) => ({
      value: id,
      label: name || id
    }))
  )
}
