import type { Transaction } from 'sequelize'
import { ordersOf, type PlaceOfMention } from '../../../core/views/erasing'
import { run, select } from './select'

/** A table in which people write: what a row is known by, and its columns of text and of JSON. */
interface Place {
  key: readonly string[]
  text: readonly string[]
  json: readonly string[]
}

/** Wherever somebody may be written of. Every other column is on a list of the tests, with why not. */
export const PLACES = {
  jobs: { key: ['id'], text: ['vehicle', 'stand', 'complaint', 'summary_error'], json: ['sheet', 'known', 'summary'] },
  acts: { key: ['job_id', 'id'], text: [], json: ['body'] },
  shares: { key: ['id'], text: [], json: ['report', 'map', 'mailed'] },
  vehicles: { key: ['id'], text: ['name', 'note', 'model', 'registration', 'chassis'], json: [] },
  customers: { key: ['id'], text: ['address', 'note'], json: [] },
  past_jobs: { key: ['id'], text: ['work', 'done_by'], json: [] },
  intakes: { key: ['id'], text: ['name'], json: [] },
  sheets: { key: ['id'], text: ['name'], json: ['body'] },
  sheet_revisions: { key: ['sheet_id', 'revision'], text: ['note'], json: ['body'] },
  practice_cases: { key: ['id'], text: ['title'], json: ['body'] },
  practice_runs: { key: ['id'], text: ['title'], json: ['moves', 'debriefing'] },
  wear_figures: { key: ['id'], text: [], json: ['summary', 'file'] },
  settings: { key: ['key'], text: [], json: ['value'] }
} as const satisfies Record<PlaceOfMention, Place>

/** A row with what is written in it. */
export interface WrittenRow {
  place: PlaceOfMention
  /** `acts:` and the row's key. */
  key: string
  /** The job that it is of; null for one of none. */
  job: string | null
  columns: Record<string, unknown>
}

const JOB_OF: Partial<Record<PlaceOfMention, string>> = { jobs: 'id', acts: 'job_id', shares: 'job_id' }

/** A term for the database: more than is meant is found, and looked at again. */
function coarse(term: string): string {
  const parts = term.match(/[\p{L}\p{N}]+/gu) ?? []
  return /\p{N}/u.test(term) && !term.includes('@') ? [...parts.join('')].join('.{0,4}') : parts.join('.{0,6}')
}

const coarsePattern = (terms: readonly string[]) => terms.flatMap(ordersOf).map(coarse).filter(Boolean).join('|')

/** Rows in which any of the terms may stand. */
export async function rowsWriting(terms: readonly string[], transaction: Transaction): Promise<WrittenRow[]> {
  // Every text of the workshop is gone through.
  await select("select set_config('statement_timeout', $1, true)", ['10min'], transaction)
  const rows: WrittenRow[] = []
  for (const [place, { key, text, json }] of Object.entries(PLACES) as [PlaceOfMention, Place][]) {
    const all = [...text, ...json]
    const where = all.map((column) => `${column}::text ~* $1`).join(' or ')
    const known = key.map((column) => `${column}::text`).join(" || '/' || ")
    const job = JOB_OF[place] ? `${JOB_OF[place]}::text` : 'null'
    const found = await select<Record<string, unknown> & { known: string; job: string | null }>(
      `select ${known} as known, ${job} as job, ${all.map((column) => `${column} as "${column}"`).join(', ')} from ${place} where ${where}`,
      [coarsePattern(terms)],
      transaction
    )
    for (const { known: id, job: of, ...columns } of found)
      rows.push({ place, key: `${place}:${id}`, job: of, columns })
  }
  return rows
}

/** Puts other text into a row; JSON as JSON. */
export async function rewrite(
  { place, key }: Pick<WrittenRow, 'place' | 'key'>,
  columns: Readonly<Record<string, unknown>>,
  transaction: Transaction
): Promise<void> {
  const { key: keys, text, json }: Place = PLACES[place]
  const changed = [...text, ...json].filter((column) => column in columns)
  const values = changed.map((column) => (json.includes(column) ? JSON.stringify(columns[column]) : columns[column]))
  const known = keys.map((column) => `${column}::text`).join(" || '/' || ")
  const set = changed.map((column, i) => `${column} = $${i + 2}${json.includes(column) ? '::json' : ''}`).join(', ')
  await run(`update ${place} set ${set} where ${known} = $1`, [key.slice(place.length + 1), ...values], transaction)
}
