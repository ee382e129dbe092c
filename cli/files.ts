import { CONSOLE, tellFaults } from '../words/en'
import { sheetFaults } from '../core/drive'
import type { DriveSheet } from '../core/sheet'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'

/** What a command was given as a file, where it was given. */
export function pathOf(path: string): string {
  return resolve(process.env.INIT_CWD ?? '.', path)
}

/** A JSON file's value, or what is wrong with the file in one line. */
export function readJsonFile(path: string): { value: unknown; problem: null } | { value: null; problem: string } {
  let text: string
  try {
    text = readFileSync(pathOf(path), 'utf8')
  } catch (error) {
    const missing = (error as NodeJS.ErrnoException).code === 'ENOENT'
    return { value: null, problem: missing ? CONSOLE.noSuchFile : CONSOLE.unreadable }
  }
  try {
    return { value: JSON.parse(text) as unknown, problem: null }
  } catch (error) {
    return { value: null, problem: CONSOLE.notJson(oneLine((error as Error).message)) }
  }
}

/** A drive sheet from its file, or what is wrong with it, line by line. */
export function readSheetFile(path: string): { sheet: DriveSheet | null; problems: string[] } {
  const { value, problem } = readJsonFile(path)
  if (problem !== null) return { sheet: null, problems: [`${path}: ${problem}`] }
  const problems = tellFaults(sheetFaults(value)).map(({ place, message }) =>
    oneLine(`${path}: ${place ? `${place}: ` : ''}${message}`)
  )
  return problems.length > 0 ? { sheet: null, problems } : { sheet: value as DriveSheet, problems }
}

/** Waits for a full pipe, so that a long run does not pile up in memory. */
export function print(line: string): Promise<void> {
  return new Promise((done, failed) => process.stdout.write(line, (error) => (error ? failed(error) : done())))
}

export function oneLine(text: string): string {
  return text.replaceAll(/\s+/g, ' ').slice(0, 300)
}

/** Runs a command: its exit code is what it comes to, and a reader that goes away ends it quietly. */
export async function run(command: (given: string[]) => Promise<number>): Promise<void> {
  process.stdout.on('error', () => process.exit(0))
  process.exitCode = await command(process.argv.slice(2))
}
