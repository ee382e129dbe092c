import { mkdirSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { startPostgres, stopPostgres } from '../scripts/postgres.mjs'
import { killForeground } from '../test/faults/foreground'
import { ownWorkshop } from '../test/browser/ownWorkshop'

/** `./umbrette run` and its server ended hard, fifty times in turn. */
const KILLS = 50
const folder = resolve('.data/bench-run')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
process.env.UMBRETTE_DATABASE = await startPostgres(folder)
const own = await ownWorkshop('bench-run-own', 4990)
await own.stop()
const { kills, acknowledged, missing, leftBehind, ended } = await killForeground(own, KILLS, 4994)
console.log(
  `${kills.run} hard ends of run, ${kills.server} of the server under it: ${acknowledged} entries acknowledged, ${missing.length} missing; servers left behind ${leftBehind}; told to end, it ended with its children: ${ended ? 'yes' : 'NO'}`
)
await own.drop()
await stopPostgres(folder)
process.exit(missing.length + leftBehind === 0 && ended ? 0 : 1)
