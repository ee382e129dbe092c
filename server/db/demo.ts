import { QueryTypes, type Transaction } from 'sequelize'
import { DEMO_JOBS, DEMO_PEOPLE, DEMO_SHEETS } from '../../demo/workshop'
import { JobRow, PersonRow, SheetRow } from './models'
import { createJob } from './rows'

/** Fills in the demo workshop the first time; later its jobs are the user's to keep. */
export async function fillDemo(transaction: Transaction): Promise<void> {
  const sequelize = JobRow.sequelize!
  const [done] = await sequelize.query("select 1 from settings where key = 'demo'", { type: QueryTypes.SELECT, transaction })
  if (done) return
  await putDemo(transaction)
  await sequelize.query("insert into settings (key, value) values ('demo', 'true')", { transaction })
}

/** Puts the demo jobs back as they ship. Jobs of the workshop's own stay as they are. */
export async function putDemo(transaction: Transaction): Promise<void> {
  for (const name of DEMO_PEOPLE) await PersonRow.findOrCreate({ where: { name }, transaction })
  for (const body of DEMO_SHEETS) await SheetRow.upsert({ id: body.id, name: body.name, body }, { transaction })
  await JobRow.destroy({ where: { demo: true }, transaction })
  for (const { id, job, acts } of DEMO_JOBS) await createJob(id, job, acts, { demo: true, transaction })
}
