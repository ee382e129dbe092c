import { grantUse, renameFill } from '../server/db/queries/schema'
import { connect } from '../server/db/connection'
import { alone, migrate } from '../server/db/migrate'
import { ActRow, JobRow } from '../server/db/models'
import { outdateSummaries } from '../server/db/rows'

/**
 * Brings a database that a backup was put into up to date, gives this fill of it a name of its own, and looks whether
 * all can be read.
 */
const owner = connect(process.env.DATABASE_URL!, 0)
await alone(owner, async (transaction) => {
  await migrate(owner, transaction)
  await outdateSummaries(transaction)
  await renameFill(owner, transaction)
  if (process.env.UMBRETTE_ROLE) await grantUse(owner, process.env.UMBRETTE_ROLE, transaction)
})
const [jobs, acts] = [await JobRow.count(), await ActRow.count()]
await JobRow.findOne()
await ActRow.findOne()
console.log(`${jobs} jobs, ${acts} entries`)
await owner.close()
