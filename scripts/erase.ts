import { listOf, needed } from '../core/check'
import { ARCHIVE_ROWS } from '../core/views/archive'
import { useDb } from '../server/db/connection'
import { eraseAgain } from '../server/erasing/erase'
import { readInput } from './input'

/** Erases again, in the database at DATABASE_URL, what a ledger on standard input says was erased. */
const ledger = await readInput(listOf(ARCHIVE_ROWS.erasures, 100_000).required(needed))
const sequelize = await useDb()
console.log(`${await eraseAgain(ledger)} erased again`)
await sequelize.close()
