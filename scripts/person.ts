import { flag, oneOf, sayOfCheck, shape, words } from '../core/check'
import { ROLES } from '../core/record'
import { passphrase, pin } from '../server/access/rules'
import { digestSecret } from '../server/access/secrets'
import { connect } from '../server/db/connection'
import { alone, migrate } from '../server/db/migrate'
import { PersonRow, SessionRow } from '../server/db/models'
import { CONSOLE } from '../words/en/console'
import { told } from '../words/problems'
import { readInput } from './input'

/** Changes who may come in, in the database at DATABASE_URL, for when nobody can sign in. */
const schema = shape({
  name: words(40, told('first-name')),
  add: flag(),
  role: oneOf(...ROLES),
  passphrase: passphrase(),
  pin: pin(),
  retired: flag()
}).required(sayOfCheck('object'))

const { name, add, role, passphrase: phrase, pin: digits, retired } = await readInput(schema)
const secrets = {
  ...(phrase === undefined ? {} : { passphrase: await digestSecret(phrase) }),
  ...(digits === undefined ? {} : { pin: await digestSecret(digits) })
}
const sequelize = connect(process.env.DATABASE_URL!, 0)
await alone(sequelize, async (transaction) => {
  await migrate(sequelize, transaction)
  if (add) await PersonRow.findOrCreate({ where: { name }, transaction })
  const row = await PersonRow.findOne({ where: { name }, transaction })
  if (!row) {
    console.error(CONSOLE.noSuchPerson(name))
    process.exit(1)
  }
  await row.update(
    { ...secrets, ...(role === undefined ? {} : { role }), ...(retired ? { retiredAt: new Date() } : {}) },
    { transaction }
  )
  if (retired || phrase !== undefined) await SessionRow.destroy({ where: { personId: row.id }, transaction })
})
await sequelize.close()
