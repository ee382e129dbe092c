import { connect } from '../server/db/connection'
import { putDemo } from '../server/db/demo'
import { alone, migrate } from '../server/db/migrate'

/** Puts the demo jobs of the database at DATABASE_URL back as they ship. */
const sequelize = connect(process.env.DATABASE_URL!)
await alone(sequelize, async (transaction) => {
  await migrate(sequelize, transaction)
  await putDemo(transaction)
})
await sequelize.close()
