import type { Transaction } from 'sequelize'
import type { Usage } from '../../../core/readings'
import { run, select, selectOne } from './select'

/** The vehicle of a name, however it is spelt in capitals; a new one where there is none. */
export async function vehicleNamed(name: string, transaction: Transaction): Promise<string> {
  const { id } = await selectOne<{ id: string }>(
    `insert into vehicles (id, name) values (gen_random_uuid(), $1)
     on conflict ((lower(name))) do update set name = vehicles.name returning id`,
    [name],
    transaction
  )
  return id
}

/**
 * A vehicle takes from the job that is opened on it what was not known of it, and the job whose the vehicle is.
 * @param opened a registration of '' and a customer of null say nothing
 */
export async function putToVehicle(
  { job, sheet, registration, customer }: { job: string; sheet: string; registration: string; customer: string | null },
  transaction: Transaction
): Promise<void> {
  await run(
    `update vehicles set sheet_id = coalesce(sheet_id, $2), removed_at = null,
       registration = case when registration = '' then $3 else registration end,
       customer_id = coalesce(customer_id, $4::uuid)
     where id = (select vehicle_id from jobs where id = $1)`,
    [job, sheet, registration, customer],
    transaction
  )
  await run(
    'update jobs set customer_id = (select customer_id from vehicles where id = jobs.vehicle_id) where id = $1',
    [job],
    transaction
  )
}

/** Jobs that are nobody's yet are those of their vehicle's customer. */
export async function ownJobs(transaction: Transaction): Promise<void> {
  await run(
    `update jobs j set customer_id = v.customer_id from vehicles v
     where v.id = j.vehicle_id and j.customer_id is null and v.customer_id is not null`,
    [],
    transaction
  )
}

/** What lists tell of a vehicle's jobs. */
export interface NewestJob {
  vehicle: string
  jobs: number
  usage: Usage
  at: Date
  sheet: string
  engine: string
}

/** The newest job of each of these vehicles, and how many it has; deleted ones are not among them. */
export async function newestJobs(vehicles: readonly string[]): Promise<NewestJob[]> {
  const rows = await select<Omit<NewestJob, 'jobs'> & { jobs: string }>(
    // A sheet is large: it is looked into for the newest job alone, and only where no summary names the engine.
    `select n.vehicle_id as vehicle, n.jobs, coalesce(j.summary -> 'usage', j.usage) as usage, j.opened_at as at,
       j.sheet_id as sheet, coalesce(j.summary -> 'sheet' ->> 'name', j.sheet ->> 'name') as engine
     from (select distinct on (vehicle_id) vehicle_id, id, count(*) over (partition by vehicle_id) as jobs
       from jobs where vehicle_id = any($1::uuid[]) and state <> 'deleted' order by vehicle_id, opened_at desc) n
       join jobs j using (id)`,
    [vehicles]
  )
  return rows.map((row) => ({ ...row, jobs: Number(row.jobs) }))
}
