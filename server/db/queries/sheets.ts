import type { Transaction } from 'sequelize'
import { run, select } from './select'

/** A drive sheet as lists show it. */
export interface SheetInList {
  id: string
  name: string
  revision: number
  savedBy: string
  savedAt: Date
  /** Has it coordinates, or counts alone? */
  charted: boolean
  links: string
  /** Jobs opened on it. */
  jobs: number
}

/** The sheets that are on the list, or those taken off it, by name. */
export async function sheetsInList(removed: boolean): Promise<SheetInList[]> {
  const rows = await select<Omit<SheetInList, 'jobs'> & { jobs: string }>(
    `select s.id, s.name, s.revision, r.saved_by as "savedBy", r.saved_at as "savedAt",
       (select bool_and(p ->> 'centre' is not null) from json_array_elements(s.body -> 'sprockets') p) as charted,
       (select string_agg((c ->> 'links') || ' × ' || (c ->> 'pitch') || ' mm', ', ')
          from json_array_elements(s.body -> 'chains') c) as links,
       (select count(*) from jobs j where j.sheet_id = s.id and j.state <> 'deleted') as jobs
     from sheets s join sheet_revisions r on r.sheet_id = s.id and r.revision = s.revision
     where s.removed = $1 order by s.name`,
    [removed]
  )
  return rows.map((row) => ({ ...row, jobs: Number(row.jobs) }))
}

/** Until the transaction ends nobody else works on this sheet. */
export async function lockSheet(id: string, transaction: Transaction): Promise<void> {
  await run('select pg_advisory_xact_lock(hashtext($1))', [`sheet ${id}`], transaction)
}
