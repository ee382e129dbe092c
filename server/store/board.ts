import { omit } from 'lodash-es'
import { LRUCache } from 'lru-cache'
import type { JobState } from '../../core/record'
import { useDb } from '../db/connection'
import { JobRow } from '../db/models'
import { countJobs, jobsOnPage } from '../db/queries/jobs'
import { shared } from '../utils/inBatches'
import { pagesOf, patternOf, wordsOf } from './listing'
import { LISTED, listedJob, type ListedJob } from './summaries'

/** Which jobs of a workshop. */
export interface JobsAsked {
  state: JobState
  /** Words to be found in vehicle, stand, complaint or engine; empty for all. */
  search: string
  /** From 0. */
  page: number
}

/** What is known of a job and the board does not show. */
const UNSHOWN = ['measures', 'calibration', 'took', 'renewed', 'partCalls'] as const

/** A job as the board shows it. */
export type BoardJob = Omit<ListedJob, (typeof UNSHOWN)[number]>

/** A page of the board. */
export interface BoardPage {
  rows: BoardJob[]
  total: number
  pages: number
}

/** Jobs on a page of a list: some more than a workshop has stands. */
const JOBS_A_PAGE = 20

/** Characters of jobs that are remembered as the board shows them: those of some ten thousand. */
const REMEMBERED = 32 * 1024 * 1024

/** Jobs as the board shows them, as JSON, each good for one version of its row. */
const shown = new LRUCache<string, { version: string; text: string }>({
  maxSize: REMEMBERED,
  sizeCalculation: ({ text }) => text.length + 200
})

/** Lets go of all jobs that are remembered. */
export const forgetShown = (): void => shown.clear()

/**
 * A page of the board as JSON, jobs with a hold first, then the newest. Many look at the same one, and all ask anew
 * when something happens.
 */
export const boardText = shared(async ({ state, search, page }: JobsAsked): Promise<string> => {
  await useDb()
  const listed = { state, patterns: wordsOf(search).map(patternOf) }
  const [found, total] = await Promise.all([
    jobsOnPage(listed, { limit: JOBS_A_PAGE, offset: page * JOBS_A_PAGE }),
    count(listed)
  ])
  const texts = await textsOf(found)
  const rows = found.flatMap(({ id }) => texts.get(id) ?? [])
  return `{"rows":[${rows.join()}],"total":${total},"pages":${pagesOf(total, JOBS_A_PAGE)}}`
})

const count = shared(countJobs)

/** Jobs by their ids: those that changed since they were read last are read anew. */
async function textsOf(found: readonly { id: string; version: string }[]): Promise<ReadonlyMap<string, string>> {
  const texts = new Map<string, string>()
  const changed = new Map<string, string>()
  for (const { id, version } of found) {
    const known = shown.get(id)
    if (known?.version === version) texts.set(id, known.text)
    else changed.set(id, version)
  }
  if (changed.size === 0) return texts
  const rows = await JobRow.findAll({ where: { id: [...changed.keys()] }, attributes: [...LISTED], raw: true })
  for (const row of rows) {
    const text = JSON.stringify(omit(listedJob(row), UNSHOWN))
    texts.set(row.id, text)
    shown.set(row.id, { version: changed.get(row.id)!, text })
  }
  return texts
}
