import type { DriveSheet, Operation, SparePart, WayIn } from '../sheet'

/** Operations that reach what is needed, with all that they require, in an order in which they can be done. */
export function accessTo(operations: readonly Operation[], needs: readonly string[]): Operation[] {
  const done: Operation[] = []
  const known = new Map(operations.map((operation) => [operation.id, operation]))
  const visit = (id: string) => {
    const operation = known.get(id)
    if (!operation || done.includes(operation)) return
    operation.requires.forEach(visit)
    if (!done.includes(operation)) done.push(operation)
  }
  needs.forEach(visit)
  return done
}

/** What a part needs under a way in (null: the usual one). */
export function needsOf(part: SparePart, way: WayIn | null): readonly string[] {
  return way?.needs[part.id] ?? part.needs
}

/** The part that can be bought for each component, the first on the sheet where there are several. */
export function spares({ parts = [] }: DriveSheet): SparePart[] {
  return parts.filter(({ fits }, i) => parts.findIndex((other) => other.fits === fits) === i)
}
