import type { Transaction } from 'sequelize'
import { run, select, selectOne } from './select'

/** Vehicles of a customer: those that go with them, and those that somebody else's job is on, which stay. */
export async function vehiclesOf(
  customerId: string,
  transaction: Transaction
): Promise<{ id: string; name: string; registration: string; chassis: string; stays: boolean }[]> {
  return select(
    `select v.id, v.name, v.registration, v.chassis, exists (
       select 1 from jobs j where j.vehicle_id = v.id and j.customer_id is not null and j.customer_id <> $1) as stays
     from vehicles v where v.customer_id = $1 order by v.name`,
    [customerId],
    transaction
  )
}

/** Jobs of a customer, and those on vehicles that go with them. */
export async function jobsOfCustomer(
  customerId: string,
  vehicles: readonly string[],
  transaction: Transaction
): Promise<{ id: string; vehicleId: string | null }[]> {
  return select(
    'select id, vehicle_id as "vehicleId" from jobs where customer_id = $1 or vehicle_id = any($2::uuid[]) order by id',
    [customerId, [...vehicles]],
    transaction
  )
}

/** What hangs on jobs: how many entries, pictures and links. */
export async function countOnJobs(
  jobs: readonly string[],
  transaction: Transaction
): Promise<{ acts: number; photos: number; shares: number }> {
  const counted = await selectOne<Record<'acts' | 'photos' | 'shares', string>>(
    `select (select count(*) from acts where job_id = any($1::uuid[])) as acts,
       (select count(*) from photos where job_id = any($1::uuid[])) as photos,
       (select count(*) from shares where job_id = any($1::uuid[])) as shares`,
    [[...jobs]],
    transaction
  )
  return { acts: Number(counted.acts), photos: Number(counted.photos), shares: Number(counted.shares) }
}

/** A vehicle that stays is nobody's now, and known by nothing of theirs. */
export async function disown(vehicles: readonly string[], transaction: Transaction): Promise<void> {
  await run(
    "update vehicles set customer_id = null, registration = '', chassis = '' where id = any($1::uuid[])",
    [[...vehicles]],
    transaction
  )
}

/** Every summary is made anew, as what was written in any may be changed. */
export async function summariesStale(jobs: readonly string[], transaction: Transaction): Promise<void> {
  await run('update jobs set stale = true where id = any($1::uuid[])', [[...jobs]], transaction)
}
