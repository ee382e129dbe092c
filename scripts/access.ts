import { readFileSync, writeFileSync } from 'node:fs'
import { ACTS, type ActType, ROLES, roleFor, roleOfAct } from '../core/record'
import { PAGE_NEEDS } from '../app/needs'
import { NEEDS } from '../server/access/needs'
import { ROLE_WORDS } from '../words/en'

/** Writes docs/access.md from the tables that the application goes by; with `--check` it only looks whether it is. */
const FILE = 'docs/access.md'

function listOf(needs: Readonly<Record<string, string>>, of: string): string {
  const found = Object.keys(needs).filter((name) => needs[name] === of)
  return found.length === 0 ? '–' : found.map((name) => `\`${name}\``).join(', ')
}

function actsOf(role: string): string {
  const types = (Object.keys(ACTS) as ActType[]).filter((type) => (roleOfAct(type) ?? 'link') === role)
  const more = [
    ...(roleFor('undo', { undoes: { mine: false } }) === role ? ['undo of what another entered'] : []),
    ...(roleFor('state', { state: 'deleted' }) === role ? ['state deleted'] : [])
  ]
  return [...types, ...more].join(', ') || '–'
}

function accessDocument(): string {
  const rows = ['anyone', 'link', ...ROLES].map(
    (need) => `## ${need === 'link' ? "a customer's link" : need}

${need in ROLE_WORDS ? `May: ${ROLE_WORDS[need as (typeof ROLES)[number]].says}.\n\n` : ''}Pages: ${listOf(PAGE_NEEDS, need)}

Routes: ${listOf(NEEDS, need)}

Acts: ${actsOf(need)}
`
  )
  return `# Who may what

Made from \`server/access/needs.ts\`, \`app/needs.ts\` and the acts' own \`who\` by \`npm run access\`; a check fails where it
is not of this code. Each role may all that those before it may. What is not here is refused. On the demo, and in a
workshop whose owner has no passphrase yet, everybody at the machine may do everything.

${rows.join('\n')}`
}

if (!process.argv.includes('--check')) writeFileSync(FILE, accessDocument())
else if (readFileSync(FILE, 'utf8') !== accessDocument()) {
  console.error(`${FILE} is not of this code: npm run access`)
  process.exitCode = 1
}
