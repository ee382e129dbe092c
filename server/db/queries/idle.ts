import type { Transaction } from 'sequelize'
import { run } from './select'

/**
 * Removes of these names and sheets what nothing of the workshop's uses, vehicles without a job, and what was learnt of
 * jobs that are no longer there.
 */
export async function removeIdle(
  people: readonly string[],
  sheets: readonly string[],
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
  await run('delete from vehicles v where not exists (select 1 from jobs j where j.vehicle_id = v.id)', [], transaction)
  await run("delete from settings where key like 'own-priors:%'", [], transaction)
}
