import type { Transaction } from 'sequelize'
import type { KnownCustomer, KnownVehicle } from '../../../core/views/history'
import { run, select, selectOne } from './select'

/** What the workshop knows already, for rows of older records to be put to. */
export async function knownHistory(): Promise<{ customers: KnownCustomer[]; vehicles: KnownVehicle[] }> {
  const customers = await select<KnownCustomer>(
    'select id, name, phone, email from customers where removed_at is null order by made_at, id',
    []
  )
  const vehicles = await select<KnownVehicle>(
    `select v.id, v.name, v.registration, v.chassis, v.sheet_id as sheet, v.customer_id as customer,
       coalesce((select json_agg(json_build_object('usage', coalesce(j.summary -> 'usage', j.usage), 'at',
         to_char(j.opened_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')))
         from jobs j where j.vehicle_id = v.id and j.state <> 'deleted'), '[]') as seen,
       coalesce((select json_agg(json_build_object('doneOn', p.done_on, 'usage', (p.usage ->> 'value')::float, 'work', p.work))
         from past_jobs p where p.vehicle_id = v.id and p.removed_at is null), '[]') as past
     from vehicles v order by v.created_at, v.id`,
    []
  )
  return { customers, vehicles }
}

/**
 * Removes what an intake brought: its jobs, its vehicles that nothing else is on, and its customers who have nothing
 * else.
 * @returns how many vehicles and customers of it stay
 */
export async function removeIntake(id: string, transaction: Transaction): Promise<number> {
  await run('delete from past_jobs where intake_id = $1', [id], transaction)
  await run(
    `delete from vehicles v where v.intake_id = $1
       and not exists (select 1 from jobs j where j.vehicle_id = v.id)
       and not exists (select 1 from past_jobs p where p.vehicle_id = v.id)`,
    [id],
    transaction
  )
  await run(
    `delete from customers c where c.intake_id = $1
       and not exists (select 1 from vehicles v where v.customer_id = c.id)
       and not exists (select 1 from jobs j where j.customer_id = c.id)`,
    [id],
    transaction
  )
  const { stay } = await selectOne<{ stay: string }>(
    `select (select count(*) from vehicles where intake_id = $1) + (select count(*) from customers where intake_id = $1)
       as stay`,
    [id],
    transaction
  )
  return Number(stay)
}
