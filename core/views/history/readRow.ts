import { type Message, schemaFaults } from '../../check'
import { readWritten, type Usage, type UsageUnit } from '../../readings'
import { customerSchema, type CustomerFacts, type PastJobFacts, pastJobSchema, vehicleSchema } from '../../record'
import { type HistoryField, JOB_FIELDS, VEHICLE_FIELDS } from './fields'
import { say } from './says'

/** How a file's columns are read: a field each, or null for one that is left out. */
export interface HistoryPlan {
  fields: readonly (HistoryField | null)[]
  unit: UsageUnit
  /** Is 5/4/2024 the fifth of April? */
  dayFirst: boolean
}

/** An engine sheet as rows name it, and its parts. */
export interface KnownEngine {
  id: string
  name: string
  parts: readonly { id: string; name: string }[]
}

/** What is wrong with a field of a row, or worth knowing. */
export interface RowNote {
  field: HistoryField | null
  says: Message
}

export interface HistoryVehicle {
  name: string
  registration: string
  chassis: string
  model: string
  note: string
  sheet: string | null
}

export type HistoryJob = Omit<PastJobFacts, 'usage' | 'elongation'> & {
  usage: Usage | null
  elongation: number | null
}

/** A row as it would be kept. */
export interface HistoryRow {
  customer: CustomerFacts | null
  vehicle: HistoryVehicle | null
  job: HistoryJob | null
  /** The engine sheet that its parts are of. */
  sheet: string | null
  faults: RowNote[]
  notes: RowNote[]
}

type Cells = Readonly<Partial<Record<HistoryField, string>>>

/**
 * A row of older records, read by itself. @param today as 2026-11-26
 * @param sheetOf the engine of a vehicle where the row names none
 */
export function readHistoryRow(
  cells: readonly string[],
  plan: HistoryPlan,
  engines: readonly KnownEngine[],
  today: string,
  sheetOf: (vehicle: HistoryVehicle) => string | null = ({ sheet }) => sheet
): HistoryRow {
  const faults: RowNote[] = []
  const notes: RowNote[] = []
  const of = cellsOf(cells, plan)
  if (cells.slice(plan.fields.length).some((cell) => cell.trim() !== ''))
    faults.push({ field: null, says: say('more-cells', { cells: cells.length, columns: plan.fields.length }) })
  const customer = readCustomer(of, faults)
  const vehicle = readVehicle(of, engines, faults)
  const sheet = vehicle && sheetOf(vehicle)
  const engine = engines.find(({ id }) => id === sheet) ?? null
  const job = readPast(of, plan, engine, today, { faults, notes })
  if (job && !vehicle) faults.push({ field: null, says: say('job-without-vehicle') })
  checkShape(customerSchema, customer, CUSTOMER_FIELDS, faults)
  checkShape(vehicleSchema, vehicle && withoutSheet(vehicle), VEHICLE_NAMES, faults)
  checkShape(pastJobSchema, job, JOB_NAMES, faults)
  return { customer, vehicle, job, sheet, faults, notes }
}

function cellsOf(cells: readonly string[], { fields }: HistoryPlan): Cells {
  const of: Partial<Record<HistoryField, string>> = {}
  fields.forEach((field, i) => {
    const text = (cells[i] ?? '').trim()
    if (field && text) of[field] = of[field] ? `${of[field]}\n${text}` : text
  })
  return of
}

const any = (of: Cells, fields: readonly HistoryField[]) => fields.some((field) => of[field] !== undefined)

function readCustomer(of: Cells, faults: RowNote[]): CustomerFacts | null {
  const { customer = '', phone = '', email = '', address = '', customerNote = '' } = of
  if (!any(of, ['customer', 'phone', 'email', 'address', 'customerNote'])) return null
  if (!customer) {
    faults.push({ field: 'customer', says: say('customer-without-name') })
    return null
  }
  return { name: customer, phone, email, address, note: customerNote }
}

function readVehicle(of: Cells, engines: readonly KnownEngine[], faults: RowNote[]): HistoryVehicle | null {
  if (!any(of, VEHICLE_FIELDS)) return null
  const { registration = '', chassis = '', model = '', vehicleNote = '', engine = '' } = of
  // Without a name of its own it is called by its plate, or by its chassis number.
  const name = of.vehicle ?? (registration || chassis)
  if (!name) {
    faults.push({ field: 'vehicle', says: say('vehicle-without-name') })
    return null
  }
  const sheet = engine ? engines.find((one) => isCalled(one, engine)) : null
  if (sheet === undefined) faults.push({ field: 'engine', says: say('no-engine', { text: engine }) })
  return { name, registration, chassis, model, note: vehicleNote, sheet: sheet?.id ?? null }
}

const isCalled = ({ id, name }: { id: string; name: string }, text: string) =>
  [id, name].some((one) => one.toLowerCase() === text.toLowerCase())

function readPast(
  of: Cells,
  { unit, dayFirst }: HistoryPlan,
  engine: KnownEngine | null,
  today: string,
  { faults, notes }: { faults: RowNote[]; notes: RowNote[] }
): HistoryJob | null {
  if (!any(of, JOB_FIELDS)) return null
  const doneOn = readDay(of.day, dayFirst, today, faults)
  const usage = readNumber(of.usage, 'usage', faults)
  const percent = readNumber(of.elongation?.replace(/\s*%$/, ''), 'elongation', faults)
  const { renewed, unknown } = readRenewed(of.renewed, engine)
  for (const text of unknown) notes.push({ field: 'renewed', says: say('no-part', { text }) })
  const work = [of.work, ...(unknown.length > 0 ? [of.renewed] : [])].filter(Boolean).join('\n')
  return {
    doneOn,
    usage: usage === null ? null : { value: usage, unit },
    work,
    doneBy: of.doneBy ?? '',
    renewed,
    elongation: percent === null ? null : percent / 100
  }
}

/** Parts by the names that the engine sheet has for them; others are kept in words. */
function readRenewed(text = '', engine: KnownEngine | null): { renewed: string[]; unknown: string[] } {
  const named = text
    .split(/[,;\n]/)
    .map((one) => one.trim())
    .filter(Boolean)
  const partOf = (one: string) => engine?.parts.find((part) => isCalled(part, one))?.id
  return {
    renewed: [...new Set(named.flatMap((one) => partOf(one) ?? []))],
    unknown: named.filter((one) => !partOf(one))
  }
}

function readNumber(text: string | undefined, field: HistoryField, faults: RowNote[]): number | null {
  if (text === undefined) return null
  const written = readWritten(text)
  if (!written) faults.push({ field, says: say('no-number', { text: text.slice(0, 40) }) })
  return written?.value ?? null
}

/** Spellings of a day: year first, or year last with day or month before the other. */
const YEAR_FIRST = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[T ].*)?$/
const YEAR_LAST = /^(\d{1,2})[-./](\d{1,2})[-./](\d{4}|\d{2})$/

function readDay(text: string | undefined, dayFirst: boolean, today: string, faults: RowNote[]): string {
  const fault = (says: Message) => {
    faults.push({ field: 'day', says })
    return today
  }
  if (text === undefined) return fault(say('day-missing'))
  const parts = partsOfDay(text, dayFirst)
  if (!parts) return fault(say('no-day', { text: text.slice(0, 40) }))
  const [year, month, day] = parts
  const written = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
  const real = new Date(`${written}T12:00:00.000Z`)
  if (Number.isNaN(real.getTime()) || real.toISOString().slice(0, 10) !== written)
    return fault(say('no-day', { text: text.slice(0, 40) }))
  return written > today ? fault(say('day-in-future', { day: written })) : written
}

function partsOfDay(text: string, dayFirst: boolean): [number, number, number] | null {
  const first = YEAR_FIRST.exec(text)
  if (first) return [Number(first[1]), Number(first[2]), Number(first[3])]
  const last = YEAR_LAST.exec(text)
  if (!last) return null
  const [a, b] = [Number(last[1]), Number(last[2])]
  const year = last[3]!.length === 2 ? 2000 + Number(last[3]) : Number(last[3])
  // What can only be read one way is read that way.
  return dayFirst ? (b > 12 && a <= 12 ? [year, a, b] : [year, b, a]) : a > 12 && b <= 12 ? [year, b, a] : [year, a, b]
}

type Names = Readonly<Record<string, HistoryField>>
const CUSTOMER_FIELDS: Names = {
  name: 'customer',
  note: 'customerNote',
  phone: 'phone',
  email: 'email',
  address: 'address'
}
const VEHICLE_NAMES: Names = {
  name: 'vehicle',
  note: 'vehicleNote',
  registration: 'registration',
  chassis: 'chassis',
  model: 'model'
}
const JOB_NAMES: Names = {
  doneOn: 'day',
  usage: 'usage',
  work: 'work',
  doneBy: 'doneBy',
  renewed: 'renewed',
  elongation: 'elongation'
}

function withoutSheet({ sheet: _sheet, ...vehicle }: HistoryVehicle) {
  return vehicle
}

/** What the rules of its kind say of it, under the fields that a column can be. */
function checkShape(
  schema: Parameters<typeof schemaFaults>[0],
  value: object | null,
  names: Names,
  faults: RowNote[]
): void {
  if (!value) return
  for (const { place, code, figures } of schemaFaults(schema, value)) {
    const field = names[/^\w+/.exec(place)?.[0] ?? ''] ?? null
    if (!faults.some((fault) => fault.field === field)) faults.push({ field, says: { code, figures } })
  }
}
