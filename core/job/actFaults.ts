import { lazy, mixed } from 'yup'
import { flag, id, listOf, needed, num, oneOf, schemaFaults, shape, text, whole, words } from '../check/rules'
import { partKindOf } from '../readings/conditions'
import { readingSchema, readingStructureFaults, readingTargetFaults } from '../readings/checkReading'
import { impossibleReading } from '../readings/impossible'
import { READING_KINDS } from '../readings/kinds'
import { sheetFaults } from '../sheet/readSheet'
import type { DriveSheet, Fault } from '../sheet/types'
import { foldActs, sameThing, sheetInForce, type Act, type ReadAct, type SheetAct, type UndoAct } from './acts'
import { SEVERITY } from '../calls/types'
import { pricingSchema } from '../paths/pricingSchema'
import { correctionsSchema } from './readJob'

const base = { id: text(64).required(needed).min(1, needed), by: words(80, 'choose who is at the bench'), at: isoTime() }

const actSchemas: { [type: string]: ReturnType<typeof shape> } = {
  read: shape({ ...base, type: oneOf('read').required(needed), reading: readingSchema, supersedes: text(64) }).required(needed),
  undo: shape({ ...base, type: oneOf('undo').required(needed), act: text(64).required(needed) }).required(needed),
  corrections: shape({ ...base, type: oneOf('corrections').required(needed), corrections: correctionsSchema.required(needed) }).required(needed),
  part: shape({ ...base, type: oneOf('part').required(needed), part: id().required(needed), known: shape({ design: text(200), make: text(120), fittedAt: num(0, 1e7) }).required(needed) }).required(needed),
  photo: shape({ ...base, type: oneOf('photo').required(needed), photo: text(64).required(needed), part: id().required(needed), note: text(4000) }).required(needed),
  state: shape({ ...base, type: oneOf('state').required(needed), state: oneOf('open', 'closed', 'archived', 'deleted').required(needed) }).required(needed),
  waits: shape({ ...base, type: oneOf('waits').required(needed), for: oneOf('part', 'customer', 'nothing').required(needed), note: text(400) }).required(needed),
  sheet: shape({ ...base, type: oneOf('sheet').required(needed), sheet: mixed().required(needed), revision: whole(1, 1e6).required(needed) }).required(needed),
  overrule: shape({ ...base, type: oneOf('overrule').required(needed), part: id().required(needed), call: oneOf(...SEVERITY).required(needed), reason: words(1000, 'say why') }).required(needed),
  pricing: shape({ ...base, type: oneOf('pricing').required(needed), pricing: pricingSchema.required(needed) }).required(needed),
  path: shape({ ...base, type: oneOf('path').required(needed), renew: listOf(id().required(needed), 64).required(needed) }).required(needed),
  signoff: shape({ ...base, type: oneOf('signoff').required(needed), revision: whole(1, 1e6).required(needed), core: text(20).required(needed), sheetRevision: whole(1, 1e6).nullable(), assessment: mixed().required(needed) }).required(needed),
  choice: shape({ ...base, type: oneOf('choice').required(needed), share: text(64).required(needed), renew: listOf(id().required(needed), 64).required(needed), price: num(0, 1e9).required(needed) }).required(needed),
  task: shape({ ...base, type: oneOf('task').required(needed), task: text(160).required(needed), state: oneOf('done', 'open').required(needed), note: text(1000), value: num(0, 1e6) }).required(needed),
  rebuilt: shape({ ...base, type: oneOf('rebuilt').required(needed), round: oneOf('set', 'turned', 'proof').required(needed), reading: readingSchema }).required(needed),
  hole: shape({ ...base, type: oneOf('hole').required(needed), cover: id().required(needed), x: num(0, 1).required(needed), y: num(0, 1).required(needed), length: num(1, 500).required(needed) }).required(needed),
  release: shape({ ...base, type: oneOf('release').required(needed), hold: text(160).required(needed), reason: words(1000, 'say why') }).required(needed),
  check: shape({ ...base, type: oneOf('check').required(needed), date: text(10).matches(/^\d{4}-\d{2}-\d{2}$/, 'expected a date'), usage: num(0, 1e7), stopGap: flag().required(needed), note: text(1000) }).required(needed),
  school: shape({ ...base, type: oneOf('school').required(needed), school: oneOf('whole-set', 'on-evidence', 'weighed').required(needed) }).required(needed)
}

/** Structure of one act, whatever its type. */
export const actSchema = lazy((value: unknown) => actSchemas[String((value as { type?: unknown } | null)?.type)] ?? shape({ type: oneOf(...Object.keys(actSchemas)).required(needed) }).required('expected an act'))

/** The acts of a job before the one in question, by id. */
export type ActsBefore = ReadonlyMap<string, Act>

/**
 * What makes an act from outside no act on this job; empty when it can stand. A reading that cannot be true is not its concern.
 * @param sheet the one in force before the act
 * @param opened the one the job was opened with
 */
export function actFaults(sheet: DriveSheet, before: ActsBefore, value: unknown, place = '', opened = sheet): Fault[] {
  const structure = schemaFaults(actSchema as never, value, place)
  if (structure.length > 0) return structure
  const act = value as Act
  const at = (field: string) => (place ? `${place}.${field}` : field)
  if (act.type === 'undo') return before.has(act.act) ? undoFaults(opened, before, act, at('act')) : [{ place: at('act'), message: 'there is no such act on this job' }]
  if (act.type === 'sheet') return moveFaults(before, act, at('sheet'))
  if (act.type === 'rebuilt') return readingTargetFaults(sheet, act.reading, at('reading'))
  if (act.type === 'read') return readFaults(sheet, before, act, at)
  if (act.type === 'path' || act.type === 'choice') return act.renew.filter((part) => !partKindOf(sheet, part)).map((part) => ({ place: at('renew'), message: `"${part}" is no part of this drive` }))
  const ofPart = act.type === 'part' || act.type === 'photo' || act.type === 'overrule'
  return ofPart && !partKindOf(sheet, act.part) ? [{ place: at('part'), message: `"${act.part}" is no part of this drive` }] : []
}

function readFaults(sheet: DriveSheet, before: ActsBefore, act: ReadAct, at: (field: string) => string): Fault[] {
  const faults = readingTargetFaults(sheet, act.reading, at('reading'))
  if (faults.length > 0) return faults
  return act.supersedes === undefined ? [] : supersedingFaults(before, act, at('supersedes'))
}

function moveFaults(before: ActsBefore, act: SheetAct, place: string): Fault[] {
  const faults = sheetFaults(act.sheet, place)
  return faults.length > 0 ? faults : stranded(act.sheet, [...before.values()], place)
}

/** Taking back a move brings back the sheet before it: what was read since must fit that one too. */
function undoFaults(opened: DriveSheet, before: ActsBefore, act: UndoAct, place: string): Fault[] {
  if (before.get(act.act)?.type !== 'sheet') return []
  const acts = [...before.values(), act]
  return stranded(sheetInForce(opened, acts), acts, place)
}

/** Standing readings, photos and facts of parts that a sheet has no place for. */
export function stranded(sheet: DriveSheet, acts: readonly Act[], place: string): Fault[] {
  const { readings, rebuilt, photos, parts } = foldActs(acts, 'on-evidence')
  const lost = [
    ...[...readings, ...rebuilt.map((act) => ({ ...act.reading, id: act.id }))].filter((reading) => readingStructureFaults(sheet, reading, '').length > 0).map(({ kind, id: act }) => `the ${READING_KINDS[kind as keyof typeof READING_KINDS]?.name.toLowerCase() ?? 'finding'} of act ${act}`),
    ...[...photos.map((photo) => photo.part), ...parts.keys()].filter((part) => !partKindOf(sheet, part)).map((part) => `what is kept of "${part}"`)
  ]
  return lost.map((what) => ({ place, message: `has no place for ${what}: take that back first` }))
}

/** What is wrong with an act as it is entered: besides its structure, a reading that cannot be true of this drive is refused. */
export function entryFaults(sheet: DriveSheet, before: ActsBefore, value: unknown, opened = sheet): Fault[] {
  const faults = actFaults(sheet, before, value, '', opened)
  if (faults.length > 0) return faults
  const act = value as Act
  const impossible = act.type === 'read' || act.type === 'rebuilt' ? impossibleReading(sheet, act.reading) : null
  return impossible ? [{ place: 'reading.value', message: impossible }] : []
}

function supersedingFaults(before: ActsBefore, act: ReadAct, place: string): Fault[] {
  const old = before.get(act.supersedes!)
  if (old?.type !== 'read') return [{ place, message: 'there is no such reading on this job' }]
  return sameThing(old.reading, act.reading) ? [] : [{ place, message: 'a correction must be of the same kind and part as the reading it supersedes' }]
}

function isoTime() {
  return text(40).required(needed).test('time', 'expected an ISO time', (v) => v === undefined || !Number.isNaN(Date.parse(v)))
}
