// ./umbrette start | setup | stop | test | dev | backup | restore | reset-demo | help
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { parseArgs } from 'node:util'
import { backup, dropErased, restore } from './backup.mjs'
import { backUpDaily, backUpNow, KEEP_DAYS } from './backups.mjs'
import { build } from './build.mjs'
import { dev } from './dev.mjs'
import { backupBeforeMigration, kindOf, workshopDatabase } from './database.mjs'
import { doctor } from './doctor.mjs'
import { runInForeground, service } from './foreground.mjs'
import { homeOf } from './home.mjs'
import { installNpm } from './packages.mjs'
import { ensurePostgres, stopPostgres } from './postgres.mjs'
import { announceNetwork, NETWORK_OPTIONS, setNetwork } from './network.mjs'
import { changePerson, PERSON_OPTIONS } from './person.mjs'
import { must, say, Stop } from './run.mjs'
import { FIRST_PORT, ledgerOf, reachedAt, runningServer, startServer, stopServer } from './server.mjs'
import { setUp, SETUP_OPTIONS } from './setup.mjs'
import { test } from './test.mjs'

const DATA = resolve('.data')

const HELP = `Umbrette judges an engine's timing drive: stretch, jump, wear, and what to renew.

  ./umbrette start        install what is missing, start, print the address: the demo, or the workshop once it is set up
  ./umbrette start --demo the demo, also beside a workshop
  ./umbrette setup        set up a workshop of your own, empty: asks, or takes --name, --address, --tax-number, --foot,
                          --units metric|imperial, --time-zone, --person, --passphrase, --take-along or --start-empty
  ./umbrette person add|passphrase|pin|retire NAME   when nobody can sign in: --role, --passphrase, --pin
  ./umbrette network      serve the workshop's network over HTTPS: --address and --name of this machine, --port,
                          --customers-port; --off closes it
  ./umbrette run          run in the foreground, as a service does: starts again what ended, backs up once a day,
                          --keep DAYS (60)
  ./umbrette service      print a unit for systemd that runs it; --install puts it in place, as root
  ./umbrette doctor       say what is wrong with disk, database, versions, certificate, backups, and what to do
  ./umbrette stop         stop the server and its database; nothing is lost
  ./umbrette test         run every check
  ./umbrette dev          run it for who works on it: own database, reload as sources change
  ./umbrette backup FILE  write the whole workshop, photos and all, to a file
  ./umbrette restore FILE put the workshop back as a file has it (asks first)
  ./umbrette reset-demo   put the demo jobs back as they ship (asks first)
  ./umbrette help         this text

  DATABASE_URL=postgres://…   use that PostgreSQL instead of a private one
  PORT=${FIRST_PORT}                   first port to try for the page`

const commands = {
  start: async ({ demo = false }) => {
    const { kind, running, built, wanted, options } = await ready({ demo })
    if (running?.built === built) return announce(running, 'is running already')
    if (running) await stopServer(DATA, kind)
    const database = await workshopDatabase(DATA, { kind })
    await backupBeforeMigration(DATA, database)
    const server = await startServer(DATA, database, options)
    if (server.port !== wanted) say(`Port ${wanted} is in use; taking ${server.port}.`)
    announce(server, 'is running')
    if (kind !== 'own') return
    await backUpDaily(DATA, database.owner)
    await dropErased(database.admin, database.owner, ledgerOf(DATA, kind))
  },
  run: async ({ keep }) => {
    const { kind, running, built, options } = await ready({})
    if (running && running.built !== built) await stopServer(DATA, kind)
    const database = await workshopDatabase(DATA, { kind })
    await backupBeforeMigration(DATA, database)
    await runInForeground(DATA, { kind, database, keepDays: Number(keep) || KEEP_DAYS, options })
  },
  service: async (options) => service(process.cwd(), options),
  doctor: async () => {
    await installNpm(DATA)
    process.exitCode = await doctor(DATA)
  },
  stop: async () => {
    const [demo, own] = [await stopServer(DATA, 'demo'), await stopServer(DATA, 'own')]
    const postgres = await stopPostgres(DATA)
    say(demo || own || postgres ? 'Stopped. Everything entered is kept.' : 'Nothing was running.')
  },
  'reset-demo': async () => {
    if (
      !(await sure('Put the demo jobs back as they ship? What was entered on them goes; jobs of your own stay. [y/N] '))
    )
      return say('Nothing was changed.')
    await installNpm(DATA)
    await must('Resetting the demo', 'npx', ['--no-install', 'tsx', 'scripts/reset-demo.ts'], {
      quiet: true,
      env: { ...process.env, DATABASE_URL: (await workshopDatabase(DATA, { kind: 'demo' })).owner }
    })
    say('The demo jobs are as they ship.')
  },
  setup: async (options) => {
    if (!process.env.DATABASE_URL) await ensurePostgres()
    await installNpm(DATA)
    await setUp(DATA, options)
  },
  network: async (options) => {
    await installNpm(DATA)
    const { owner } = await workshopDatabase(DATA)
    const open = await setNetwork(DATA, options, owner)
    await stopServer(DATA, 'own')
    await commands.start({})
    if (open) await announceNetwork(DATA, await reachedAt(DATA))
  },
  person: async (options, what, name) => {
    await installNpm(DATA)
    await changePerson((await workshopDatabase(DATA)).owner, options, what, name)
  },
  backup: async (_options, file) => {
    const bytes = await backup((await workshopDatabase(DATA)).owner, file)
    say(`${file}: ${Math.ceil(bytes / 1000)} kB. Keep it off this machine.`)
  },
  restore: async (_options, file) => {
    if (!(await sure(`Put the workshop back as ${file} has it? What was entered since goes. [y/N] `)))
      return say('Nothing was changed.')
    await installNpm(DATA)
    const database = await workshopDatabase(DATA)
    await backUpNow(DATA, database.owner, 'before-restore')
    await restore(database, file, ledgerOf(DATA, kindOf(DATA)))
    say(`The workshop is as ${file} has it. As it was before, it is kept in the database under another name.`)
  },
  dev: async () => {
    await installNpm(DATA)
    process.exitCode = await dev(DATA)
  },
  test: async () => {
    await installNpm(DATA)
    process.exitCode = await test(DATA)
  },
  help: async () => say(HELP)
}

/** What is needed before a server is started: programs, packages, the build. */
async function ready({ demo = false }) {
  const kind = demo ? 'demo' : kindOf(DATA)
  const running = await runningServer(DATA, kind)
  // Before the long steps: another user may have to install it by hand.
  if (!process.env.DATABASE_URL) await ensurePostgres()
  await installNpm(DATA)
  const built = await build(DATA)
  const wanted = Number(process.env.PORT) || FIRST_PORT
  return { kind, running, built, wanted, options: { kind, first: wanted, built, revives: !process.env.DATABASE_URL } }
}

function announce({ address }, state) {
  say(`Umbrette ${state}: ${address}\nStop it with ./umbrette stop`)
}

/** A command's options and files; null for what it does not take. */
function givenTo(name, args) {
  const options =
    {
      start: { demo: { type: 'boolean' } },
      setup: SETUP_OPTIONS,
      person: PERSON_OPTIONS,
      network: NETWORK_OPTIONS,
      run: { keep: { type: 'string' } },
      service: { install: { type: 'boolean' } }
    }[name] ?? {}
  try {
    return parseArgs({ args, options, allowPositionals: true })
  } catch {
    return null
  }
}

/** Yes from a person (or a pipe); anything else is no. */
async function sure(question) {
  const prompt = createInterface({ input: process.stdin, output: process.stdout })
  const answer = await Promise.race([
    prompt.question(question),
    new Promise((resolve) => prompt.once('close', () => resolve('')))
  ])
  prompt.close()
  return /^y(es)?$/i.test(String(answer).trim())
}

const [word = 'help', ...rest] = process.argv.slice(2)
const command = commands[word === '--help' || word === '-h' ? 'help' : word]
const given = command && givenTo(word, rest)
// backup and restore take a file, no other command takes one.
if (!given || given.positionals.length !== Math.max(0, command.length - 1)) {
  console.error(`Unknown: ${[word, ...rest].join(' ')}\n\n${HELP}`)
  process.exit(2)
}
mkdirSync(DATA, { recursive: true })
homeOf(DATA)
try {
  await command(given.values, ...given.positionals)
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
