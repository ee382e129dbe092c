import type { Transaction } from 'sequelize'
import { run } from './select'

/**
 * Removes of these names, sheets, vehicles and customers what nothing of the workshop's uses, and what was learnt of
 * jobs that are no longer there.
 */
export async function removeIdle(
  people: readonly string[],
  sheets: readonly string[],
  { vehicles, customers }: { vehicles: readonly string[]; customers: readonly string[] },
  transaction: Transaction
): Promise<void> {
  const names = [[...people]]
  await run(
    `delete from people p where p.name = any($1)
       and not exists (select 1 from acts a where (a.body::jsonb) ->> 'by' = p.name)
       and not exists (select 1 from jobs j where j.opened_by = p.name)
       and not exists (select 1 from practice_runs r where r.by = p.name)`,
    names,
    transaction
  )
  await run(
    `delete from sheets s where s.id = any($1) and s.revision = 1
       and not exists (select 1 from jobs j where (j.sheet::jsonb) ->> 'id' = s.id)`,
    [[...sheets]],
    transaction
  )
  await run(
    `delete from vehicles v where lower(v.name) = any($1)
       and not exists (select 1 from jobs j where j.vehicle_id = v.id)`,
    [vehicles.map((name) => name.toLowerCase())],
    transaction
  )
  await run(
    `delete from customers c where c.id = any($1::uuid[])
       and not exists (select 1 from vehicles v where v.customer_id = c.id)
       and not exists (select 1 from jobs j where j.customer_id = c.id)`,
    [[...customers]],
    transaction
  )
  await run("delete from settings where key like 'own-priors:%'", [], transaction)
}
