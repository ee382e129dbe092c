import { omit } from 'lodash-es'
import { Op, where } from 'sequelize'
import type { JobState } from '../../core/record'
import { useDb } from '../db/connection'
import { JobRow } from '../db/models'
import { WORDS_OF_JOB } from '../db/queries/jobs'
import { shared, sharedText } from '../utils/inBatches'
import { matchContaining, pagesOf, wordsOf } from './listing'
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

/** Jobs as the board shows them, those with a hold first, then the newest. */
export async function boardPage({ state, search, page }: JobsAsked): Promise<BoardPage> {
  await useDb()
  const [rows, total] = await Promise.all([
    JobRow.findAll({
      where: asked(state, search),
      attributes: [...LISTED],
      order: [
        ['held', 'DESC'],
        ['openedAt', 'DESC'],
        ['id', 'ASC']
      ],
      limit: JOBS_A_PAGE,
      offset: page * JOBS_A_PAGE
    }),
    count({ state, search })
  ])
  return { rows: rows.map((row) => omit(listedJob(row), UNSHOWN)), total, pages: pagesOf(total, JOBS_A_PAGE) }
}

/** A page of the board as JSON. Many look at the same one, and all ask anew when something happens. */
export const boardText = sharedText(boardPage)

const count = shared(({ state, search }: Omit<JobsAsked, 'page'>) => JobRow.count({ where: asked(state, search) }))

function asked(state: JobState, search: string) {
  const words = wordsOf(search).map((word) => where(WORDS_OF_JOB, matchContaining(word)))
  return { state, ...(words.length > 0 ? { [Op.and]: words } : {}) }
}
