import { exportJob } from '../../core/record'
import { readArchivedJob, readDrive, readHead, readRows } from '../archive/read'
import { printPaper } from '../pdf/printPapers'
import { printReport } from '../pdf/printReport'
import { lookAtTable, planIntake } from '../store/intakes'
import { importSpooled } from '../store/imports'
import { addWeighty, holdsOf } from '../store/acts'
import { judgeJob } from '../store/jobs'
import { learntNow } from '../store/learning'
import { relearn } from '../store/ownPriors'
import { judgeRun, lobbyOf } from '../store/practice'
import { makePapers } from '../store/estimates'
import { makeReport } from '../store/reports'
import { sumUp } from '../store/summaries'
import { textOf } from '../store/texts'

/** Work that can take long, by name: arguments and results are plain data, as they go from thread to thread. */
export const TASKS = {
  judgeJob,
  addWeighty,
  holdsOf,
  importSpooled,
  lookAtTable,
  planIntake,
  sumUp,
  makeReport,
  printReport,
  makePapers,
  printPaper,
  exportJob,
  readArchivedJob,
  readDrive,
  readHead,
  readRows,
  textOf,
  learntNow,
  relearn,
  judgeRun,
  lobbyOf
} as const

export type Tasks = typeof TASKS
export type TaskName = keyof Tasks
export type Task<T extends TaskName> = (typeof TASKS)[T]
