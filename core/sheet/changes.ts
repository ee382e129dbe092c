import type { DriveSheet } from './types'

/** One thing that differs between two revisions of a drive sheet. */
export interface SheetChange {
  /** `limits[elongation main].value`: entries of lists are named by what they are, not by their place. */
  place: string
  /** As text; null where it was not there. */
  was: string | null
  /** As text; null where it is gone. */
  is: string | null
}

/** What differs between two revisions of a sheet, value by value, in the order of the newer. */
export function sheetChanges(was: DriveSheet, is: DriveSheet): SheetChange[] {
  const [old, now] = [leaves(was), leaves(is)]
  const places = new Set([...now.keys(), ...old.keys()])
  return [...places].flatMap((place) => {
    const [a, b] = [old.get(place) ?? null, now.get(place) ?? null]
    return a === b ? [] : [{ place, was: a, is: b }]
  })
}

/** Every value of a sheet as text, by its place. */
function leaves(value: unknown, place = '', into = new Map<string, string>()): Map<string, string> {
  if (Array.isArray(value)) {
    if (value.every((entry) => typeof entry !== 'object' || entry === null)) into.set(place, value.join(', '))
    else listByName(value as object[]).forEach(([name, entry]) => leaves(entry, `${place}[${name}]`, into))
  } else if (typeof value === 'object' && value !== null) {
    for (const [key, inner] of Object.entries(value))
      if (inner !== undefined) leaves(inner, place ? `${place}.${key}` : key, into)
  } else {
    into.set(place, String(value))
  }
  return into
}

/**
 * Entries with a name each: its id, else what it is about, else its number; a second one of a name gets its number too.
 */
function listByName(entries: readonly object[]): [name: string, entry: object][] {
  const seen = new Map<string, number>()
  return entries.map((entry, i) => {
    const { id, kind, sprocket, chain, rail, tensioner, part, from, to } = entry as Record<string, unknown>
    const name =
      [id ?? [kind, chain ?? rail ?? tensioner ?? sprocket ?? part, from, to].filter(Boolean).join(' ')].join('') ||
      String(i + 1)
    const count = (seen.get(name) ?? 0) + 1
    seen.set(name, count)
    return [count > 1 ? `${name} ${count}` : name, entry]
  })
}
