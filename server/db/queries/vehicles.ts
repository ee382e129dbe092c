import { literal, type Transaction } from 'sequelize'
import type { Usage } from '../../../core/readings'
import { select, selectOne } from './select'

/** When a vehicle was last seen. */
export const LAST_SEEN = literal('(select max(opened_at) from jobs where vehicle_id = "vehicles"."id")')

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
    `select distinct on (vehicle_id) vehicle_id as vehicle, count(*) over (partition by vehicle_id) as jobs, usage,
       opened_at as at, sheet ->> 'id' as sheet, sheet ->> 'name' as engine
     from jobs where vehicle_id = any($1::uuid[]) and state <> 'deleted' order by vehicle_id, opened_at desc`,
    [vehicles]
  )
  return rows.map((row) => ({ ...row, jobs: Number(row.jobs) }))
}
