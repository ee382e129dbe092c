import { existsSync } from 'node:fs'
import { killAtRandom } from '../test/faults/kills'

/** Hard kills of server and database at random moments of bursts of saves: `npm run bench:faults`, or with another number of kills behind it. */
const wanted = Number(process.argv[2] ?? 1000)
if (!existsSync('.output/server/index.mjs')) {
  console.error('There is no build yet: run ./umbrette start once.')
  process.exit(1)
}
const started = performance.now()
const { kills, acknowledged, repeated, missing, doubled, altered } = await killAtRandom('.data/bench-faults', wanted, { seed: Date.now() % 100_000, firstPort: 4880 })
console.log(`${kills.server} kills of the server, ${kills.database} of PostgreSQL in ${((performance.now() - started) / 60_000).toFixed(1)} minutes`)
console.log(`${acknowledged} acts acknowledged, ${repeated} sent again; missing ${missing.length}, doubled ${doubled.length}, altered ${altered.length}`)
process.exit(missing.length + doubled.length + altered.length === 0 ? 0 : 1)
