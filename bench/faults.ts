import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import sharp from 'sharp'
import { endMigrations, endRestores, fillDisk } from '../test/faults/ends'
import { killAtRandom } from '../test/faults/kills'

/**
 * Hard kills of server and database at random moments of bursts of saves, pictures and imports, restores and migrations
 * ended in the middle, and a full disk: `npm run bench:faults`, or with another number of kills behind it.
 */
const wanted = Number(process.argv[2] ?? 1000)
if (!existsSync('.output/server/index.mjs')) {
  console.error('There is no build yet: run ./umbrette start once.')
  process.exit(1)
}
const seed = Date.now() % 100_000
const started = performance.now()
const { kills, acknowledged, photos, imports, repeated, missing, doubled, altered } = await killAtRandom(
  '.data/bench-faults',
  Math.round(0.9 * wanted),
  { seed, firstPort: 4880 }
)
console.log(
  `${kills.server} kills of the server, ${kills.database} of PostgreSQL in ${((performance.now() - started) / 60_000).toFixed(1)} minutes`
)
console.log(
  `${acknowledged} acknowledged (${photos} pictures and ${imports} imports of them), ${repeated} sent again; missing ${missing.length}, doubled ${doubled.length}, altered ${altered.length}`
)
const restores = await endRestores('.data/bench-faults', Math.round(0.06 * wanted), { seed, firstPort: 4860 })
console.log(
  `${restores.ended} restores ended in the middle, ${restores.through} of them had their way; torn ${restores.torn.length} ${restores.torn.join('; ')}`
)
const migrations = await endMigrations('.data/bench-migrations', Math.round(0.04 * wanted), { seed })
console.log(
  `${migrations.ended} migrations ended in the middle, ${migrations.through} of them had their way; torn ${migrations.torn.length} ${migrations.torn.join('; ')}`
)
const full = await smallDisk()
process.exit(
  missing.length + doubled.length + altered.length + restores.torn.length + migrations.torn.length === 0 && full ? 0 : 1
)

/** A workshop on a file system of 200 MB, where this machine lets one be made. */
async function smallDisk(): Promise<boolean> {
  const place = '.data/bench-small'
  mkdirSync(place, { recursive: true })
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=200m,mode=755', 'tmpfs', place], { stdio: 'ignore' })
  } catch {
    console.log('a full disk: not tried, as no small file system can be mounted here (root is needed)')
    return true
  }
  try {
    writeFileSync(`${place}/room`, Buffer.alloc(40_000_000))
    const picture = await sharp({
      create: {
        width: 1400,
        height: 1000,
        channels: 3,
        background: '#345',
        noise: { type: 'gaussian', mean: 120, sigma: 60 }
      }
    })
      .jpeg({ quality: 90 })
      .toBuffer()
    const { full, words, after, acknowledged: taken, kept, logBytes } = await fillDisk(place, picture)
    console.log(
      `a full disk: ${taken} pictures acknowledged, ${kept} kept; answers while full ${JSON.stringify(full)}, "${words}"; goes on when there is room: ${after ? 'yes' : 'NO'}; log ${Math.round(logBytes / 1000)} kB`
    )
    return after && kept >= taken && Object.keys(full).every((status) => ['507', '503'].includes(status))
  } finally {
    execFileSync('umount', ['-l', place], { stdio: 'ignore' })
    rmSync(place, { recursive: true, force: true })
  }
}
