import type { DriveSheet } from './types'
import type { Fault } from '../check'
import { faultAt, type SheetEntry } from './says'

/**
 * Faults in how a sheet's operations, parts, always-renewed items, ways in, torques and cautions name each other and
 * the drive.
 */
export function workshopFaults(sheet: DriveSheet): Fault[] {
  const {
    operations = [],
    parts = [],
    alwaysRenewed = [],
    waysIn = [],
    stopGaps = [],
    torques = [],
    cautions = [],
    superseded = []
  } = sheet
  const components = new Set(
    [...sheet.chains, ...sheet.rails, ...sheet.tensioners, ...sheet.sprockets, ...sheet.phasers].map(({ id }) => id)
  )
  const operationIds = new Set(operations.map(({ id }) => id))
  const itemIds = new Set(alwaysRenewed.map(({ id }) => id))
  const faults: Fault[] = []
  const known = (ids: ReadonlySet<string>, list: readonly string[] | undefined, place: string, what: SheetEntry) =>
    list?.forEach((id, i) => ids.has(id) || faults.push(faultAt(`${place}[${i}]`, 'none-of-sheet', { id, what })))
  const one = (ids: ReadonlySet<string>, id: string | undefined, place: string, what: SheetEntry) => {
    if (id !== undefined && !ids.has(id)) faults.push(faultAt(place, 'none-of-sheet', { id, what }))
  }
  operations.forEach(({ requires, brings }, i) => {
    known(operationIds, requires, `operations[${i}].requires`, 'operation')
    known(itemIds, brings, `operations[${i}].brings`, 'always-renewed')
  })
  parts.forEach(({ fits, needs, brings }, i) => {
    one(components, fits, `parts[${i}].fits`, 'component')
    known(operationIds, needs, `parts[${i}].needs`, 'operation')
    known(itemIds, brings, `parts[${i}].brings`, 'always-renewed')
  })
  const partIds = new Set(parts.map(({ id }) => id))
  waysIn.forEach(({ needs }, i) => {
    for (const [part, list] of Object.entries(needs)) {
      one(partIds, part, `waysIn[${i}].needs.${part}`, 'part')
      known(operationIds, list, `waysIn[${i}].needs.${part}`, 'operation')
    }
  })
  stopGaps.forEach(({ tensioner, needs }, i) => {
    one(new Set(sheet.tensioners.map(({ id }) => id)), tensioner, `stopGaps[${i}].tensioner`, 'component')
    known(operationIds, needs, `stopGaps[${i}].needs`, 'operation')
  })
  torques.forEach(({ operation }, i) => one(operationIds, operation, `torques[${i}].operation`, 'operation'))
  cautions.forEach(({ at }, i) =>
    one(new Set([...operationIds, ...components]), at, `cautions[${i}].at`, 'operation-or-component')
  )
  superseded.forEach(({ part }, i) => one(components, part, `superseded[${i}].part`, 'component'))
  return [
    ...twice(operations, 'operations'),
    ...twice(parts, 'parts'),
    ...twice(alwaysRenewed, 'alwaysRenewed'),
    ...twice(waysIn, 'waysIn'),
    ...twice(stopGaps, 'stopGaps'),
    ...faults,
    ...(faults.length > 0 ? [] : circleFaults(sheet))
  ]
}

function twice(list: readonly { id: string }[], place: string): Fault[] {
  return list.flatMap(({ id }, i) =>
    list.findIndex((other) => other.id === id) === i ? [] : [faultAt(`${place}[${i}].id`, 'twice', { id })]
  )
}

/**
 * Operations that require each other in a circle could never be done. Each is followed once, however many ways lead to
 * it.
 */
function circleFaults({ operations = [] }: DriveSheet): Fault[] {
  const requires = new Map(operations.map(({ id, requires: list }) => [id, list]))
  return operations.flatMap(({ id }, i) =>
    requiredBy(requires, id).has(id) ? [faultAt(`operations[${i}].requires`, 'requires-itself', { id })] : []
  )
}

/** All that an operation requires in the end. */
function requiredBy(requires: ReadonlyMap<string, readonly string[]>, id: string): Set<string> {
  const found = new Set<string>()
  const open = [...(requires.get(id) ?? [])]
  while (open.length > 0) {
    const next = open.pop()!
    if (found.has(next)) continue
    found.add(next)
    open.push(...(requires.get(next) ?? []))
  }
  return found
}
