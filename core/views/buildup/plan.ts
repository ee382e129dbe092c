import { COUNTED_ITEMS, caution, task } from './says'
import type { Message } from '../../check'
import { accessTo, needsOf, spares } from '../../paths'
import { type AlwaysRenewed, banksOf, compileSheet, type DriveSheet, type Operation, type Torque } from '../../sheet'

/** One thing to be done while building up, ticked by whoever did it. */
export interface Task {
  id: string
  says: Message
  /** What is entered with the tick: a note (number, make), a figure, or nothing. */
  asks: 'nothing' | 'note' | 'length' | 'count'
  /** Must it be done before the engine is started? */
  must: boolean
  /** Said before it is done, not after. */
  cautions: Message[]
  /** How far it is tightened, on a torque step. */
  tighten?: Torque['steps'][number]
}

/** Groups of steps, in the order they are done. */
export type GroupKey = 'parts' | 'items' | 'assembly' | 'inside' | 'fluids'

export interface TaskGroup {
  key: GroupKey
  tasks: Task[]
}

/** What goes in and in which order, for one path and one way in. */
export interface BuildPlan {
  groups: TaskGroup[]
  /** Operations that opened the engine, in the order they were done; they are closed in the reverse. */
  operations: Operation[]
}

/**
 * The build-up of a path: parts received and fitted, always-renewed items, the operations from the inside out with
 * their torques in steps, and what is put in and counted.
 * @param renew components renewed
 * @param wayId the way in; null for the usual one
 */
export function buildPlan(sheet: DriveSheet, renew: readonly string[], wayId: string | null): BuildPlan {
  const way = sheet.waysIn?.find(({ id }) => id === wayId) ?? null
  const parts = spares(sheet).filter(({ fits }) => renew.includes(fits))
  const operations = accessTo(
    sheet.operations ?? [],
    parts.flatMap((part) => needsOf(part, way))
  )
  const itemIds = new Set([
    ...operations.flatMap(({ brings }) => brings ?? []),
    ...parts.flatMap(({ brings }) => brings ?? [])
  ])
  const items = (sheet.alwaysRenewed ?? []).filter(({ id }) => itemIds.has(id))
  const groups: TaskGroup[] = [
    { key: 'parts', tasks: renew.flatMap((id) => partTasks(sheet, id)) },
    { key: 'items', tasks: items.map(itemTask) },
    { key: 'assembly', tasks: operations.toReversed().flatMap((operation) => operationTasks(sheet, operation)) },
    {
      key: 'inside',
      tasks: COUNTED_ITEMS.flatMap((item) => [
        countTask(`in:${item}`, task('went-in', { item })),
        countTask(`out:${item}`, task('came-out', { item }))
      ])
    },
    { key: 'fluids', tasks: fluidTasks(operations) }
  ]
  return { operations, groups: groups.filter(({ tasks }) => tasks.length > 0) }
}

function partTasks(sheet: DriveSheet, id: string): Task[] {
  const revised = sheet.superseded?.find(({ part }) => part === id)
  const cautions = [
    ...(revised ? [caution('revised-design', { design: revised.design, source: revised.source })] : []),
    ...cautionsAt(sheet, id)
  ]
  return [
    { id: `part:${id}:received`, says: task('part-received', { part: id }), asks: 'note', must: true, cautions },
    ...(compileSheet(sheet).chains.has(id)
      ? [
          {
            id: `part:${id}:length`,
            says: task('part-length', { part: id }),
            asks: 'length' as const,
            must: true,
            cautions: []
          }
        ]
      : []),
    {
      id: `part:${id}:fitted`,
      says: task('part-fitted', { part: id }),
      asks: 'nothing',
      must: true,
      cautions: bankCaution(sheet, id)
    }
  ]
}

/** On an engine with two banks, parts that look alike are kept apart. */
function bankCaution(sheet: DriveSheet, id: string): Message[] {
  return banksOf(sheet).length > 1 && compileSheet(sheet).rails.has(id) ? [caution('banks-apart')] : []
}

function itemTask({ id, name, quantity = 1, kind }: AlwaysRenewed): Task {
  return {
    id: `item:${id}`,
    says: task('item-new', { name, quantity, stretch: kind === 'stretch-bolt' }),
    asks: 'nothing',
    must: true,
    cautions: []
  }
}

function operationTasks(sheet: DriveSheet, operation: Operation): Task[] {
  const torques = (sheet.torques ?? []).filter((torque) => torque.operation === operation.id)
  return [
    ...(operation.tools ?? []).map((tool): Task => ({
      id: `tool:${operation.id}:${tool}`,
      says: task('tool', { tool }),
      asks: 'nothing',
      must: false,
      cautions: []
    })),
    {
      id: `op:${operation.id}`,
      says: task('close-again', { operation: operation.name }),
      asks: 'nothing',
      must: true,
      cautions: cautionsAt(sheet, operation.id)
    },
    ...torques.flatMap(torqueTasks)
  ]
}

function torqueTasks({ id, bolt, count, steps, stretch, leftHand }: Torque): Task[] {
  const cautions = [...(stretch ? [caution('new-bolts-only')] : []), ...(leftHand ? [caution('left-hand-thread')] : [])]
  return steps.map((step, i) => ({
    id: `torque:${id}:${i + 1}`,
    asks: 'nothing',
    must: true,
    cautions: i === 0 ? cautions : [],
    says: task('torque', { bolt, count: count ?? 1, step: i + 1, steps: steps.length }),
    tighten: step
  }))
}

function fluidTasks(operations: readonly Operation[]): Task[] {
  if (operations.length === 0) return []
  const must = (id: string, says: Message): Task => ({
    id: `fluid:${id}`,
    says,
    asks: 'nothing',
    must: true,
    cautions: []
  })
  return [must('coolant', task('coolant')), must('oil', task('oil-and-filter')), must('level', task('oil-level'))]
}

function countTask(id: string, says: Message): Task {
  return { id, says, asks: 'count', must: true, cautions: [] }
}

function cautionsAt({ cautions = [] }: DriveSheet, id: string): Message[] {
  return cautions.filter(({ at }) => at === id).map(({ text }) => caution('of-the-sheet', { text }))
}
