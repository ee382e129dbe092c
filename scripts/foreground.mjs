// Runs the workshop in the foreground, as a service does: starts again what ended, backs up once a day, and ends with
// its children.
import { writeFileSync } from 'node:fs'
import { userInfo } from 'node:os'
import { dropErased } from './backup.mjs'
import { backUpDaily } from './backups.mjs'
import { workshopDatabase } from './database.mjs'
import { stopPostgres } from './postgres.mjs'
import { say, Stop } from './run.mjs'
import { ledgerOf, runningServer, startServer, stopServer } from './server.mjs'

const LOOK_MS = 500
const BACKUP_LOOK_MS = 1_800_000
/** Seconds before a server that ended is started again: longer each time that it ends soon. */
const PAUSES = [0, 1, 2, 5, 10, 30]
const SOON_MS = 60_000

/**
 * @param {{ kind: 'own' | 'demo', database: { app: string, owner: string, admin: string }, keepDays: number,
 *   options: Parameters<typeof startServer>[2] }} what
 */
export async function runInForeground(dataFolder, { kind, database, keepDays, options }) {
  let ending = false
  const end = () => (ending = true)
  process.once('SIGTERM', end).once('SIGINT', end)
  let looked = 0
  let soon = 0
  let started = Date.now()
  // One that a run before left behind, as it was killed, goes on.
  let server = (await runningServer(dataFolder, kind)) ?? (await startServer(dataFolder, database, options))
  say(`Umbrette is running: ${server.address}`)
  while (!ending) {
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
    if (kind === 'own' && Date.now() - looked > BACKUP_LOOK_MS) {
      looked = Date.now()
      await dropErased(database.admin, database.owner, ledgerOf(dataFolder, kind)).catch((error) =>
        console.error(`A workshop as it was before a restore was not let go of: ${error.message}`)
      )
      await backUpDaily(dataFolder, database.owner, keepDays).catch((error) =>
        console.error(`Today's backup was not made: ${error.message}`)
      )
    }
    if (ending || (await isAlive(dataFolder, kind, server.pid))) continue
    soon = Date.now() - started < SOON_MS ? soon + 1 : 0
    await new Promise((resolve) => setTimeout(resolve, 1000 * PAUSES[Math.min(soon, PAUSES.length - 1)]))
    if (ending) break
    started = Date.now()
    // Its database may have ended too, as where the machine ran out of memory.
    database = await workshopDatabase(dataFolder, { kind })
    server = await startServer(dataFolder, database, { ...options, first: server.port }).catch((error) => {
      console.error(error.message)
      return server
    })
    say(`The server had ended and was started again: ${server.address}`)
  }
  await stopServer(dataFolder, kind)
  if (!process.env.DATABASE_URL && !(await runningServer(dataFolder, kind === 'own' ? 'demo' : 'own')))
    await stopPostgres(dataFolder)
  say('Stopped. Everything entered is kept.')
}

/** Signal 0 asks the system alone; whose process it is, is looked at where one answers. */
async function isAlive(dataFolder, kind, pid) {
  try {
    process.kill(pid, 0)
  } catch {
    return false
  }
  return (await runningServer(dataFolder, kind))?.pid === pid
}

/** A unit for systemd that runs this folder's workshop, as the user who owns it. */
export function unitOf(folder, user = userInfo().username) {
  return `[Unit]
Description=Umbrette, the workshop's record and judgement of timing drives
After=network-online.target
Wants=network-online.target

[Service]
Type=simple
User=${user}
WorkingDirectory=${folder}
ExecStart=${process.execPath} scripts/umbrette.mjs run
Environment=NODE_ENV=production
Restart=always
RestartSec=2
KillMode=mixed
TimeoutStopSec=45
NoNewPrivileges=${user === 'root' ? 'false' : 'true'}
PrivateTmp=false

[Install]
WantedBy=multi-user.target
`
}

const UNIT = '/etc/systemd/system/umbrette.service'

/** Prints the unit; with `install`, as root, puts it where systemd finds it. */
export function service(folder, { install = false }) {
  const unit = unitOf(folder)
  if (!install) {
    say(unit)
    return
  }
  if (process.getuid?.() !== 0) throw new Stop(`Only root may install it: sudo ./umbrette service --install`)
  writeFileSync(UNIT, unit, { mode: 0o644 })
  say(`${UNIT} is written. Begin it with: systemctl enable --now umbrette`)
}
