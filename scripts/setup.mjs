// Makes a workshop's own database: asks for what is not given as an option, and keeps nothing when anything fails.
import { createInterface } from 'node:readline/promises'
import { copyDatabase } from './backup.mjs'
import { DATABASES, keepSetUp, kindOf, workshopDatabase } from './database.mjs'
import { runWithDatabase, say, Stop } from './run.mjs'
import { query, quoted } from './sql.mjs'

const UNITS = {
  metric: { length: 'mm', distance: 'km', torque: 'N·m' },
  imperial: { length: 'in', distance: 'mi', torque: 'lb·ft' }
}

/** Until its owner says otherwise in the settings. */
const WITHOUT_TAX = { rates: [], included: false, rounded: 'sum', labour: null, parts: null, items: null }

/** Options of `setup`, as parseArgs takes them. */
export const SETUP_OPTIONS = {
  name: { type: 'string' },
  address: { type: 'string' },
  'tax-number': { type: 'string' },
  foot: { type: 'string' },
  units: { type: 'string' },
  'time-zone': { type: 'string' },
  currency: { type: 'string' },
  language: { type: 'string' },
  person: { type: 'string' },
  passphrase: { type: 'string' },
  'take-along': { type: 'boolean' },
  'start-empty': { type: 'boolean' }
}

/**
 * Sets up a workshop of one's own beside the demo.
 * @param {Record<string, string | boolean | undefined>} given options
 * @param {{ fast?: boolean }} how as for startPostgres
 */
export async function setUp(dataFolder, given, how = {}) {
  if (process.env.DATABASE_URL)
    throw new Stop('With DATABASE_URL the workshop is what that database holds: start it, and fill in its settings.')
  if (kindOf(dataFolder) === 'own')
    throw new Stop('A workshop is set up here already: ./umbrette start opens it, its settings are on its own page.')
  if (given['take-along'] && given['start-empty']) throw new Stop('Choose one of --take-along and --start-empty.')
  const demo = await workshopDatabase(dataFolder, { kind: 'demo', ...how })
  const answers = await answersTo(given, await ownJobs(demo.owner))
  const own = await workshopDatabase(dataFolder, { kind: 'own', ...how })
  try {
    if (answers.takeAlong) await copyDatabase(demo.owner, own.owner)
    const { workshop, person, passphrase } = answers
    await runWithDatabase(
      own.owner,
      'scripts/setup.ts',
      { workshop, person, passphrase },
      'The workshop was not set up; nothing was kept.'
    )
  } catch (error) {
    await query(demo.admin, `drop database if exists ${quoted(DATABASES.own)} with (force)`)
    throw error
  }
  keepSetUp(dataFolder)
  say(`${answers.workshop.name} is set up${answers.takeAlong ? ' with the jobs that were entered beside the demo' : ''}.
./umbrette start opens it; the demo stays as it is, with ./umbrette start --demo.
Next: sign in as ${answers.person}, add your first engine under Engines (counts and the manual's limits are enough), then take in a job on the board.`)
}

/** Jobs of one's own that were entered beside the demo. */
async function ownJobs(url) {
  if ((await query(url, "select to_regclass('public.jobs') is not null")) !== 't') return 0
  return Number(await query(url, "select count(*) from jobs where not demo and state <> 'deleted'"))
}

async function answersTo(given, ownJobs) {
  const prompt = process.stdin.isTTY ? createInterface({ input: process.stdin, output: process.stdout }) : null
  const ask = async (question, otherwise) =>
    prompt ? (await prompt.question(`${question} [${otherwise}] `)).trim() || otherwise : otherwise
  try {
    const workshop = await workshopOf(given, ask)
    const person = given.person ?? (await ask('First name of its owner, who may do everything?', ''))
    if (!person.trim()) throw new Stop('Name who owns it: --person Ada')
    const passphrase =
      given.passphrase ?? process.env.UMBRETTE_PASSPHRASE ?? (await ask('Passphrase to sign in with?', ''))
    return {
      workshop,
      person: person.trim(),
      passphrase,
      takeAlong: ownJobs > 0 && (await takesAlong(given, ownJobs, ask))
    }
  } finally {
    prompt?.close()
  }
}

async function workshopOf(given, ask) {
  const name = given.name ?? (await ask('Name of the workshop?', ''))
  if (!name.trim()) throw new Stop('Name the workshop: ./umbrette setup --name "Harbour Repairs"')
  const units = given.units ?? (await ask('Units, metric or imperial?', 'metric'))
  if (!Object.hasOwn(UNITS, units)) throw new Stop('Units are metric or imperial.')
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone
  const lines = (text = '') => text.replaceAll('\\n', '\n')
  return {
    name: name.trim(),
    address: lines(given.address),
    taxNumber: given['tax-number'] ?? '',
    foot: lines(given.foot),
    units: UNITS[units],
    timeZone: given['time-zone'] ?? (await ask('Time zone?', here)),
    currency: (given.currency ?? (await ask('Currency, three letters?', 'EUR'))).toUpperCase(),
    language: given.language ?? 'en',
    tax: WITHOUT_TAX
  }
}

async function takesAlong(given, ownJobs, ask) {
  if (given['take-along'] || given['start-empty']) return given['take-along'] === true
  const question = `Take along the ${ownJobs} jobs that were entered beside the demo, yes or no?`
  return /^y/i.test(await ask(question, 'yes'))
}
