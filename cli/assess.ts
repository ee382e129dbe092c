import { CONSOLE, tellFaults, writeAssessment } from '../words/en'
import { assess } from '../core/paths'
import { readJob, upgradeFile } from '../core/record'
import { rememberingSheets } from '../core/drive'
import { oneLine, print, readJsonFile, run } from './files'

/**
 * Assesses job files one after another: an assessment a line to standard output, faults to standard error. Exit code 2
 * when a file was faulty.
 */
async function assessFiles(paths: string[]): Promise<number> {
  if (paths.length === 0) {
    console.error(CONSOLE.assessUsage)
    return 2
  }
  const checkSheet = rememberingSheets()
  let faulty = false
  for (const path of paths) {
    const faults = await assessFile(path, checkSheet)
    for (const fault of faults) console.error(`${path}: ${fault}`)
    faulty ||= faults.length > 0
  }
  return faulty ? 2 : 0
}

/** Prints the assessment of one file and returns what was wrong with it instead, one line a fault. */
async function assessFile(path: string, checkSheet: ReturnType<typeof rememberingSheets>): Promise<string[]> {
  const { value, problem } = readJsonFile(path)
  if (problem !== null) return [problem]
  const { job, faults } = readJob(upgradeFile(value), checkSheet)
  if (!job) return tellFaults(faults).map(({ place, message }) => oneLine(place ? `${place}: ${message}` : message))
  try {
    await print(`${JSON.stringify(writeAssessment(job, assess(job)))}\n`)
    return []
  } catch {
    return [CONSOLE.notComputable]
  }
}

await run(assessFiles)
