import { literal } from 'sequelize'
import type { JobState } from '../../../core/record'
import type { Usage } from '../../../core/readings'
import type { JobSummary } from '../../../core/views/summary'
import { select, selectOne } from './select'

/** The day on which it is to be looked at again: a column that the database makes. */
export const CHECK_DATE_OF_JOB = literal('"jobs"."check_date"')

/** What stands for a job as it is now. */
export interface JobMark {
  /** Other once anything is. */
  mark: string
  /** Other once the workshop's whole book is: restored, or rid of somebody. */
  generation: string
}

/** What stands for the state of a job and its acts; null without the job. Acts only ever come to a job. */
export async function readMark(jobId: string): Promise<JobMark | null> {
  const [row] = await select<JobMark>(
    `select concat_ws(' ', (select max(seq) from acts where job_id = j.id), j.vehicle_id, j.vehicle, g.value) as mark,
       concat_ws('', g.value) as generation
     from jobs j left join settings g on g.key = 'generation' where j.id = $1`,
    [jobId]
  )
  return row ?? null
}

/** Jobs of a list. */
interface Listed {
  state: JobState
  /** Each is to be found in the job's words, as `like` takes them. */
  patterns: readonly string[]
}

/** What a job is found by, in lower case: a column that the database makes. */
const WORDS = 'words'

/** Patterns stand from the second place on. */
const whereListed = ({ patterns }: Listed) =>
  ['where state = $1', ...patterns.map((_, i) => `${WORDS} like $${i + 2}`)].join(' and ')

/**
 * Ids of the jobs on a page of a list, those with a hold first, then the newest, each with a text that is another once
 * its row is. Which they are stands in an index: those that come before them are not read.
 */
export function jobsOnPage(
  listed: Listed,
  { limit, offset }: { limit: number; offset: number }
): Promise<{ id: string; version: string }[]> {
  const bind = [listed.state, ...listed.patterns, limit, offset]
  const order = 'order by held desc, opened_at desc, id'
  return select(
    `select id, concat_ws(' ', jobs.xmin, g.value) as version
     from (select id from jobs ${whereListed(listed)} ${order} limit $${bind.length - 1} offset $${bind.length}) page
       join jobs using (id) left join settings g on g.key = 'generation' ${order}`,
    bind
  )
}

/** How many jobs a list has. */
export async function countJobs(listed: Listed): Promise<number> {
  const { total } = await selectOne<{ total: string }>(`select count(*) as total from jobs ${whereListed(listed)}`, [
    listed.state,
    ...listed.patterns
  ])
  return Number(total)
}

/** Jobs whose summaries are to be made anew, by their ids, from the one after `after`. */
export async function staleJobs(most: number, after: string): Promise<string[]> {
  const statement = 'select id from jobs where stale and id > $2 order by id limit $1'
  const rows = await select<{ id: string }>(statement, [most, after])
  return rows.map(({ id }) => id)
}

/** A job as it teaches. */
export interface SummarisedJob {
  vehicle: string
  vehicleId: string | null
  usage: Usage
  openedAt: Date
  state: JobState
  summary: JobSummary
}

/** Jobs with a summary, the newest first; deleted ones are not among them. */
export function summarisedJobs(most: number): Promise<SummarisedJob[]> {
  return select<SummarisedJob>(
    `select vehicle, vehicle_id as "vehicleId", usage, opened_at as "openedAt", state, summary
     from jobs where state <> 'deleted' and summary is not null order by opened_at desc limit $1`,
    [most]
  )
}

/** Ids of the finished jobs on a sheet, the newest first. */
export async function finishedJobs(sheetId: string, most: number): Promise<string[]> {
  const rows = await select<{ id: string }>(
    `select id from jobs where state in ('closed', 'archived') and sheet ->> 'id' = $1
     order by opened_at desc limit $2`,
    [sheetId, most]
  )
  return rows.map(({ id }) => id)
}

/** Ids of the sheets that any finished job is on. */
export async function finishedSheets(most: number): Promise<string[]> {
  const rows = await select<{ id: string }>(
    `select sheet ->> 'id' as id from jobs where state in ('closed', 'archived')
     union select sheet_id from wear_figures where file is not null order by 1 limit $1`,
    [most]
  )
  return rows.map(({ id }) => id)
}
