import { workshopSchema } from '../core/record'
import { sayOfCheck, shape, words } from '../core/check'
import { passphrase } from '../server/access/rules'
import { digestSecret } from '../server/access/secrets'
import { connect } from '../server/db/connection'
import { alone, migrate } from '../server/db/migrate'
import { PersonRow, SettingRow } from '../server/db/models'
import { withoutDemo } from '../server/db/demo'
import { outdateSummaries } from '../server/db/rows'
import { told } from '../words/problems'
import { readInput } from './input'

/** Makes the database at DATABASE_URL a workshop's own: what stands for it and its owner, on standard input. */
const schema = shape({
  workshop: workshopSchema,
  person: words(40, told('first-name')),
  passphrase: passphrase().required(told('passphrase-length', { least: 10 }))
}).required(sayOfCheck('object'))

const given = await readInput(schema)
const secret = await digestSecret(given.passphrase)
const sequelize = connect(process.env.DATABASE_URL!, 0)
await alone(sequelize, async (transaction) => {
  await migrate(sequelize, transaction)
  await withoutDemo(transaction)
  await outdateSummaries(transaction)
  await SettingRow.upsert({ key: 'workshop', value: given.workshop }, { transaction })
  const [row] = await PersonRow.findOrCreate({ where: { name: given.person }, transaction })
  await row.update({ role: 'owner', passphrase: secret }, { transaction })
})
await sequelize.close()
