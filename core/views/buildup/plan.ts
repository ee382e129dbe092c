import { accessTo, needsOf, spares } from '../../paths'
import type { AlwaysRenewed, DriveSheet, Operation, Torque } from '../../sheet'
import { partName } from '../../wording'

/** One thing to be done while building up, ticked by whoever did it. */
export interface Task {
  id: string
  text: string
  /** What is entered with the tick: a note (number, make), a figure, or nothing. */
  asks: 'nothing' | 'note' | 'length' | 'count'
  /** Must it be done before the engine is started? */
  must: boolean
  /** Said before it is done, not after. */
  cautions: string[]
  /** How far it is tightened, on a torque step. */
  tighten?: Torque['steps'][number]
}

export interface TaskGroup {
  key: string
  title: string
  tasks: Task[]
}

/** What goes in and in which order, for one path and one way in. */
export interface BuildPlan {
  groups: TaskGroup[]
  /** Operations that opened the engine, in the order they were done; they are closed in the reverse. */
  operations: Operation[]
}

/** Things that are carried into an open engine and must all come out again. */
export const COUNTED_ITEMS = { rags: 'Rags and plugs', tools: 'Tools and holders', magnets: 'Magnets', bolts: 'Bolts and washers taken out' } as const

/**
 * The build-up of a path: parts received and fitted, always-renewed items, the operations from the inside out with their
 * torques in steps, and what is put in and counted.
 * @param renew components renewed
 * @param wayId the way in; null for the usual one
 */
export function buildPlan(sheet: DriveSheet, renew: readonly string[], wayId: string | null): BuildPlan {
  const way = sheet.waysIn?.find(({ id }) => id === wayId) ?? null
  const parts = spares(sheet).filter(({ fits }) => renew.includes(fits))
  const operations = accessTo(sheet.operations ?? [], parts.flatMap((part) => needsOf(part, way)))
  const itemIds = new Set([...operations.flatMap(({ brings }) => brings ?? []), ...parts.flatMap(({ brings }) => brings ?? [])])
  const items = (sheet.alwaysRenewed ?? []).filter(({ id }) => itemIds.has(id))
  const groups: TaskGroup[] = [
    { key: 'parts', title: 'Parts', tasks: renew.flatMap((id) => partTasks(sheet, id)) },
    { key: 'items', title: 'Always renewed', tasks: items.map(itemTask) },
    { key: 'assembly', title: 'From the inside out', tasks: operations.toReversed().flatMap((operation) => operationTasks(sheet, operation)) },
    { key: 'inside', title: 'Nothing left inside', tasks: Object.entries(COUNTED_ITEMS).flatMap(([id, name]) => [counted(`in:${id}`, `${name} that went in`), counted(`out:${id}`, `${name} that came out`)]) },
    { key: 'fluids', title: 'Oil and coolant', tasks: fluidTasks(operations) }
  ]
  return { operations, groups: groups.filter(({ tasks }) => tasks.length > 0) }
}

function partTasks(sheet: DriveSheet, id: string): Task[] {
  const name = partName(sheet, id)
  const chain = sheet.chains.find((c) => c.id === id)
  const revised = sheet.superseded?.find(({ part }) => part === id)
  const cautions = [...(revised ? [`Superseded: ${revised.design}. Fit the revised design only (${revised.source}).`] : []), ...cautionsAt(sheet, id)]
  return [
    { id: `part:${id}:received`, text: `${name}: received and unpacked; number and make`, asks: 'note', must: true, cautions },
    ...(chain ? [{ id: `part:${id}:length`, text: `${name}: new one over 20 links, laid beside the old`, asks: 'length' as const, must: true, cautions: [] }] : []),
    { id: `part:${id}:fitted`, text: `${name}: fitted`, asks: 'nothing', must: true, cautions: bankCaution(sheet, id) }
  ]
}

/** On an engine with two banks, parts that look alike are kept apart. */
function bankCaution(sheet: DriveSheet, id: string): string[] {
  const banks = new Set(sheet.sprockets.flatMap(({ bank }) => (bank === undefined ? [] : [bank])))
  return banks.size > 1 && sheet.rails.some((rail) => rail.id === id) ? ['Banks kept apart: check the number against the bank, and which end is up.'] : []
}

function itemTask({ id, name, quantity = 1, kind }: AlwaysRenewed): Task {
  const stretch = kind === 'stretch-bolt' ? ' (a stretch bolt never goes back)' : ''
  return { id: `item:${id}`, text: `${quantity > 1 ? `${quantity} × ` : ''}${name}: new${stretch}`, asks: 'nothing', must: true, cautions: [] }
}

function operationTasks(sheet: DriveSheet, operation: Operation): Task[] {
  const torques = (sheet.torques ?? []).filter((torque) => torque.operation === operation.id)
  const closing = operation.name.replace(/\boff\b/, 'back on').replace(/\bout\b/, 'back in')
  return [
    ...(operation.tools ?? []).map((tool): Task => ({ id: `tool:${operation.id}:${tool}`, text: `${tool} at hand`, asks: 'nothing', must: false, cautions: [] })),
    { id: `op:${operation.id}`, text: closing, asks: 'nothing', must: true, cautions: cautionsAt(sheet, operation.id) },
    ...torques.flatMap(torqueTasks)
  ]
}

function torqueTasks({ id, bolt, count, steps, stretch, leftHand }: Torque): Task[] {
  const cautions = [...(stretch ? ['New bolts only: tightening has stretched the old ones.'] : []), ...(leftHand ? ['Left-hand thread: it tightens anticlockwise.'] : [])]
  return steps.map((step, i) => ({
    id: `torque:${id}:${i + 1}`, asks: 'nothing', must: true, cautions: i === 0 ? cautions : [],
    text: `${count && count > 1 ? `${count} × ` : ''}${bolt}, step ${i + 1} of ${steps.length}`, tighten: step
  }))
}

function fluidTasks(operations: readonly Operation[]): Task[] {
  if (operations.length === 0) return []
  const must = (id: string, text: string): Task => ({ id: `fluid:${id}`, text, asks: 'nothing', must: true, cautions: [] })
  return [must('coolant', 'No coolant has run into the sump, or the oil was drained after it did'), must('oil', 'Oil and filter new, as the covers were open'), must('level', 'Oil at its level before the first start')]
}

function counted(id: string, text: string): Task {
  return { id, text, asks: 'count', must: true, cautions: [] }
}

function cautionsAt({ cautions = [] }: DriveSheet, id: string): string[] {
  return cautions.filter(({ at }) => at === id).map(({ text }) => text)
}
