import { askOfUsage, type SeenUsage, type Usage } from '../../readings'
import type { CustomerFacts } from '../../record'
import {
  type HistoryPlan,
  type HistoryRow,
  type HistoryVehicle,
  type KnownEngine,
  readHistoryRow,
  type RowNote
} from './readRow'
import { say } from './says'

/** A customer and a vehicle that the workshop has. */
export interface KnownCustomer {
  id: string
  name: string
  phone: string
  email: string
}
export interface KnownVehicle {
  id: string
  name: string
  registration: string
  chassis: string
  sheet: string | null
  customer: string | null
  seen: readonly SeenUsage[]
  /** Days and usage of what is known to have been done. */
  past: readonly { doneOn: string; usage: number | null; work: string }[]
}

/** What a row comes to: whose and which, known or new (`n:` and a number of its own), and what stands against it. */
export interface PlannedRow {
  /** Its line in the file, the headings being the first. */
  line: number
  customer: string | null
  vehicle: string | null
  job: HistoryRow['job']
  sheet: string | null
  faults: RowNote[]
  notes: RowNote[]
}

/** What a file would bring. */
export interface HistoryOutcome {
  rows: PlannedRow[]
  customers: (CustomerFacts & { key: string })[]
  vehicles: (HistoryVehicle & { key: string; customer: string | null })[]
}

const squeeze = (text: string) => text.toLowerCase().replaceAll(/[^\p{L}\p{N}]/gu, '')

/** Rows of older records put to what is known, one after the other; nothing that is known is changed. */
export class HistoryReader {
  readonly outcome: HistoryOutcome = { rows: [], customers: [], vehicles: [] }
  private readonly customers = new Map<string, string>()
  private readonly vehicles = new Map<string, string>()
  /** Customers with a phone or an e-mail address. */
  private readonly reachable = new Set<string>()
  private readonly known = new Map<string, Plates>()
  private readonly sheets = new Map<string, string | null>()
  private readonly seen = new Map<string, SeenUsage[]>()
  private readonly done = new Set<string>()
  private readonly names = new Set<string>()

  constructor(
    private readonly plan: HistoryPlan,
    private readonly engines: readonly KnownEngine[],
    private readonly today: string,
    known: { customers: readonly KnownCustomer[]; vehicles: readonly KnownVehicle[] }
  ) {
    for (const one of known.customers) this.noteCustomer(one.id, one)
    for (const one of known.vehicles) {
      this.noteVehicle(one.id, one)
      this.sheets.set(one.id, one.sheet)
      this.seen.set(one.id, [...one.seen])
      for (const { doneOn, usage, work } of one.past) this.done.add(jobKey(one.id, doneOn, usage, work))
    }
  }

  /** Adds a row. @param line in the file. */
  add(cells: readonly string[], line: number): PlannedRow | null {
    if (cells.every((cell) => cell.trim() === '')) return null
    const row = readHistoryRow(cells, this.plan, this.engines, this.today, (vehicle) => this.sheetOf(vehicle))
    const { faults, notes, job, sheet } = row
    const planned: PlannedRow = { line, customer: null, vehicle: null, job, sheet, faults, notes }
    this.outcome.rows.push(planned)
    this.checkPlates(row)
    if (faults.length > 0) return planned
    planned.customer = row.customer && this.customerOf(row.customer)
    planned.vehicle = row.vehicle && this.vehicleOf(row.vehicle, planned.customer)
    if (job && planned.vehicle) this.checkJob(planned, planned.vehicle, job)
    return planned
  }

  private sheetOf(vehicle: HistoryVehicle): string | null {
    const known = this.findVehicle(vehicle)
    return vehicle.sheet ?? (known ? (this.sheets.get(known) ?? null) : null)
  }

  private checkPlates({ vehicle, faults }: HistoryRow): void {
    const key = vehicle && this.findVehicle(vehicle)
    const known = key ? this.known.get(key) : null
    if (!vehicle || !known) return
    const differ = (['registration', 'chassis'] as const).some(
      (of) => vehicle[of] && known[of] && squeeze(vehicle[of]) !== squeeze(known[of])
    )
    // A plate is given to another vehicle in time; a chassis number never is.
    if (differ && squeeze(vehicle.chassis) !== squeeze(known.chassis))
      faults.push({ field: 'chassis', says: say('plates-differ', { name: known.name }) })
  }

  private customerOf(facts: CustomerFacts): string {
    const key = this.findCustomer(facts)
    if (key) return key
    const made = `n:${this.outcome.customers.length}`
    this.outcome.customers.push({ ...facts, key: made })
    this.noteCustomer(made, facts)
    return made
  }

  /** By phone or e-mail with the name; by the name alone where the row, or who is known, has neither. */
  private findCustomer(facts: CustomerFacts): string | null {
    const keys = reachedKeys(facts)
    const reached = keys.map((key) => this.customers.get(key)).find((one) => one !== undefined)
    if (reached) return reached
    const namesake = this.customers.get(aloneKey(facts))
    return namesake && (keys.length === 0 || !this.reachable.has(namesake)) ? namesake : null
  }

  /** By chassis number, else by plate; by its name where the row, or what is known, has neither. */
  private findVehicle(vehicle: Plates): string | null {
    const keys = plateKeys(vehicle)
    const plated = keys.map((key) => this.vehicles.get(key)).find((one) => one !== undefined)
    if (plated) return plated
    const namesake = this.vehicles.get(nameKey(vehicle))
    if (!namesake) return null
    return keys.length === 0 || plateKeys(this.known.get(namesake)!).length === 0 ? namesake : null
  }

  private vehicleOf(vehicle: HistoryVehicle, customer: string | null): string {
    const known = this.findVehicle(vehicle)
    if (known) return known
    const key = `n:${this.outcome.vehicles.length}`
    this.outcome.vehicles.push({ ...vehicle, name: this.freeName(vehicle), key, customer })
    this.noteVehicle(key, vehicle)
    this.sheets.set(key, vehicle.sheet)
    return key
  }

  /** No two vehicles have one name: the plate tells those apart that would. */
  private freeName({ name, registration, chassis }: HistoryVehicle): string {
    const tries = [
      name,
      `${name} ${registration || chassis}`.trim(),
      ...Array.from({ length: 999 }, (_, i) => `${name} ${i + 2}`)
    ]
    return tries.map((one) => one.slice(0, 120)).find((one) => !this.names.has(one.toLowerCase())) ?? name
  }

  private checkJob(planned: PlannedRow, vehicle: string, job: NonNullable<HistoryRow['job']>): void {
    const key = jobKey(vehicle, job.doneOn, job.usage?.value ?? null, job.work)
    if (this.done.has(key)) {
      planned.faults.push({ field: null, says: say(vehicle.startsWith('n:') ? 'twice-in-file' : 'known-already') })
      return
    }
    this.done.add(key)
    if (!job.usage) return
    const at = `${job.doneOn}T12:00:00.000Z`
    const seen = this.seen.get(vehicle) ?? []
    const asked = askOfUsage(seen, job.usage as Usage, at)
    if (asked) planned.notes.push({ field: 'usage', says: asked })
    this.seen.set(vehicle, [...seen, { usage: job.usage as Usage, at }])
  }

  private noteCustomer(id: string, facts: Reached): void {
    const keys = reachedKeys(facts)
    if (keys.length > 0) this.reachable.add(id)
    for (const key of [...keys, aloneKey(facts)]) if (!this.customers.has(key)) this.customers.set(key, id)
  }

  private noteVehicle(id: string, vehicle: Plates): void {
    for (const key of [...plateKeys(vehicle), nameKey(vehicle)]) if (!this.vehicles.has(key)) this.vehicles.set(key, id)
    this.known.set(id, vehicle)
    this.names.add(vehicle.name.toLowerCase())
  }
}

type Reached = Pick<CustomerFacts, 'name' | 'phone' | 'email'>
type Plates = Pick<HistoryVehicle, 'name' | 'registration' | 'chassis'>

function reachedKeys({ name, phone, email }: Reached): string[] {
  const who = name.trim().toLowerCase()
  const digits = phone.replaceAll(/\D/g, '')
  return [...(digits ? [`${who} tel ${digits}`] : []), ...(email ? [`${who} mail ${email.toLowerCase()}`] : [])]
}

const aloneKey = ({ name }: Reached) => `${name.trim().toLowerCase()} alone`

function plateKeys({ registration, chassis }: Plates): string[] {
  return [
    ...(squeeze(chassis) ? [`chassis ${squeeze(chassis)}`] : []),
    ...(squeeze(registration) ? [`plate ${squeeze(registration)}`] : [])
  ]
}

const nameKey = ({ name }: Plates) => `name ${name.toLowerCase()}`

const jobKey = (vehicle: string, doneOn: string, usage: number | null, work: string) =>
  [vehicle, doneOn, usage ?? '', work].join('\u0000')
