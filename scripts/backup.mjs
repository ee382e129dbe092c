// A whole workshop into one file and back: PostgreSQL's own dump, jobs and photos and all.
import { existsSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { postgresPrograms } from './packages.mjs'
import { run, Stop } from './run.mjs'

function program(name) {
  const folder = postgresPrograms()
  if (!folder) throw new Stop('PostgreSQL\'s programs are not installed: run ./umbrette start once.')
  return join(folder, name)
}

/**
 * Writes the database to a file: whole, or not at all.
 * @returns {Promise<number>} its size in bytes
 */
export async function backup(url, file) {
  if (existsSync(file)) throw new Stop(`${file} is there already: choose another name, or remove it first.`)
  const unfinished = `${file}.unfinished`
  const { code, output } = await run(program('pg_dump'), ['--format=custom', '--no-owner', '--no-privileges', `--file=${unfinished}`, `--dbname=${url}`], { quiet: true })
  if (code !== 0) {
    rmSync(unfinished, { force: true })
    throw new Stop(`The backup was not made.\n${withoutPassword(output)}`)
  }
  renameSync(unfinished, file)
  return statSync(file).size
}

/** Puts the database back as a file has it, in one transaction: when the file is broken, everything stays as it is. */
export async function restore(url, file) {
  if (!existsSync(file)) throw new Stop(`There is no ${file}.`)
  const listed = await run(program('pg_restore'), ['--list', file], { quiet: true })
  if (listed.code !== 0 || !/TABLE DATA public acts/.test(listed.output)) throw new Stop(`${file} is no backup of a workshop. Nothing was changed.`)
  const { code, output } = await run(program('pg_restore'), ['--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error', `--dbname=${url}`, file], { quiet: true })
  if (code !== 0) throw new Stop(`The backup was not restored; everything is as it was.\n${withoutPassword(output)}`)
}

function withoutPassword(text) {
  return text.replaceAll(/:\/\/[^@\s]*@/g, '://…@').trim().split('\n').slice(-8).join('\n')
}
