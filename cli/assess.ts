import { CONSOLE, tellFaults, writeAssessment } from '../words/en'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { assess } from '../core/paths'
import { readJob, upgradeFile } from '../core/record'
import { rememberingSheets } from '../core/drive'

/**
 * Assesses job files one after another: an assessment a line to standard output, faults to standard error. Exit code 2
 * when a file was faulty.
 */
async function main(paths: string[]): Promise<number> {
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
  let text: string
  try {
    text = readFileSync(resolve(process.env.INIT_CWD ?? '.', path), 'utf8')
  } catch (error) {
    return [(error as NodeJS.ErrnoException).code === 'ENOENT' ? CONSOLE.noSuchFile : CONSOLE.unreadable]
  }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return [CONSOLE.notJson(oneLine((error as Error).message))]
  }
  const { job, faults } = readJob(upgradeFile(value), checkSheet)
  if (!job) return tellFaults(faults).map(({ place, message }) => oneLine(place ? `${place}: ${message}` : message))
  try {
    await print(`${JSON.stringify(writeAssessment(job, assess(job)))}\n`)
    return []
  } catch {
    return [CONSOLE.notComputable]
  }
}

/** Waits for a full pipe, so that a long run does not pile up in memory. */
function print(line: string): Promise<void> {
  return new Promise((resolve, reject) => process.stdout.write(line, (error) => (error ? reject(error) : resolve())))
}

function oneLine(text: string): string {
  return text.replaceAll(/\s+/g, ' ').slice(0, 300)
}

process.stdout.on('error', () => process.exit(0))
process.exitCode = await main(process.argv.slice(2))
