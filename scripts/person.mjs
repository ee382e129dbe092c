// Adds who works here, gives them what they sign in with, and takes them out: for when nobody can sign in.
import { createInterface } from 'node:readline/promises'
import { runWithDatabase, say, Stop } from './run.mjs'

/** Options of `person`, as parseArgs takes them. */
export const PERSON_OPTIONS = {
  role: { type: 'string' },
  passphrase: { type: 'string' },
  pin: { type: 'string' }
}

const DOES = {
  add: async (given) => ({
    add: true,
    role: given.role ?? 'mechanic',
    ...(given.pin === undefined ? {} : { pin: given.pin }),
    ...(await asked(given, 'passphrase', 'Passphrase, at least 10 signs? '))
  }),
  passphrase: async (given) => asked(given, 'passphrase', 'New passphrase, at least 10 signs? '),
  pin: async (given) => asked(given, 'pin', 'New PIN, four to eight digits? '),
  retire: async () => ({ retired: true })
}

/**
 * @param {string} url of the workshop's database, as its owner
 * @param {Record<string, string | undefined>} given options
 */
export async function changePerson(url, given, what, name) {
  if (!Object.hasOwn(DOES, what)) throw new Stop(`person add, passphrase, pin or retire; not ${what}.`)
  const change = await DOES[what](given)
  await runWithDatabase(url, 'scripts/person.ts', { name, ...change }, 'Nothing was changed.')
  say({ add: `${name} works here.`, retire: `${name} can no longer sign in.` }[what] ?? `${name} has a new ${what}.`)
}

async function asked(given, key, question) {
  if (given[key] !== undefined) return { [key]: given[key] }
  if (!process.stdin.isTTY) return {}
  const prompt = createInterface({ input: process.stdin, output: process.stdout })
  const answer = (await prompt.question(question)).trim()
  prompt.close()
  return { [key]: answer }
}
