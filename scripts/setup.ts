import { workshopSchema } from '../core/record'
import { schemaFaults } from '../core/check'
import { connect } from '../server/db/connection'
import { alone, migrate } from '../server/db/migrate'
import { PersonRow, SettingRow } from '../server/db/models'
import { withoutDemo } from '../server/db/demo'
import { outdateSummaries } from '../server/db/rows'
import { sayFault } from '../words/en'

/** Makes the database at DATABASE_URL a workshop's own: what stands for it and its first person, on standard input. */
const chunks: Buffer[] = []
for await (const chunk of process.stdin) chunks.push(chunk as Buffer)
const { workshop, person } = JSON.parse(Buffer.concat(chunks).toString('utf8')) as { workshop: unknown; person: string }
const faults = schemaFaults(workshopSchema, workshop)
if (faults.length > 0) {
  for (const fault of faults) console.error(`${fault.place}: ${sayFault(fault)}`)
  process.exit(1)
}
const sequelize = connect(process.env.DATABASE_URL!, 0)
await alone(sequelize, async (transaction) => {
  await migrate(sequelize, transaction)
  await withoutDemo(transaction)
  await outdateSummaries(transaction)
  await SettingRow.upsert({ key: 'workshop', value: workshop }, { transaction })
  if (person) await PersonRow.findOrCreate({ where: { name: person }, transaction })
})
await sequelize.close()
