import { randomUUID } from 'node:crypto'
import { Op } from 'sequelize'
import { schemaFaults } from '../../core/check'
import { CORE_VERSION } from '../../core/paths'
import type { LearntPriors } from '../../core/readings'
import { type LearntFile, learntFileSchema, type OwnPriors } from '../../core/views/learn'
import { told } from '../../words/problems'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { LEARNT_FROM, LEARNT_ID, OWN_PRIORS } from '../db/settingKeys'
import { Problem } from '../utils/problem'

/** What other workshops have learnt, taken in from their files, and what this one gives away. */

/** Other workshops' files kept at the most. */
const MOST = 100

/** A file of another workshop, and what is done with it. */
export interface TakenIn {
  from: string
  /** When it was learnt, and when and by whom taken in (ISO). */
  at: string
  takenAt: string
  by: string
  /** Taken out again: kept, but nothing is judged by it. */
  out: boolean
  types: { id: string; name: string; engines: number }[]
}

interface Kept {
  file: LearntFile
  takenAt: string
  by: string
  out: boolean
}

/** What this workshop's own jobs have taught of every type, as a file for others. */
export async function exportLearnt(): Promise<LearntFile> {
  await useDb()
  const [identity] = await SettingRow.findOrCreate({
    where: { key: LEARNT_ID },
    defaults: { key: LEARNT_ID, value: randomUUID() }
  })
  const rows = await SettingRow.findAll({ where: { key: { [Op.startsWith]: OWN_PRIORS } }, order: ['key'] })
  const types = rows.map(({ value }) => value as OwnPriors).filter(({ priors }) => priors.engines > 0)
  return {
    format: 'umbrette-learnt',
    version: 1,
    from: identity.value as string,
    at: new Date().toISOString(),
    core: CORE_VERSION,
    types: types.map(({ sheet, priors: { engines, elongation, wear, padWear, extensionScatter, lagScatter } }) => ({
      sheet,
      priors: { engines, elongation, wear, padWear, extensionScatter, lagScatter }
    }))
  }
}

/**
 * Takes in another workshop's file; a newer one of the same workshop takes the older one's place, and an older one is
 * refused. @throws Problem bad-input, conflict
 */
export async function takeLearnt(file: unknown, by: string): Promise<TakenIn> {
  await useDb()
  const faults = schemaFaults(learntFileSchema, file)
  if (faults.length > 0) throw new Problem('bad-input', told('file-not-taken'), faults)
  const learnt = file as LearntFile
  const own = await SettingRow.findByPk(LEARNT_ID)
  if (own?.value === learnt.from) throw new Problem('conflict', told('learnt-here'))
  const key = `${LEARNT_FROM}${learnt.from}`
  const known = await SettingRow.findByPk(key)
  if (known && Date.parse((known.value as Kept).file.at) > Date.parse(learnt.at))
    throw new Problem('conflict', told('learnt-newer-here'))
  if (!known && (await SettingRow.count({ where: { key: { [Op.startsWith]: LEARNT_FROM } } })) >= MOST)
    throw new Problem('conflict', told('learnt-full', { most: MOST }))
  const kept: Kept = { file: learnt, takenAt: new Date().toISOString(), by, out: false }
  await SettingRow.upsert({ key, value: kept })
  return shown(kept)
}

/** Takes a workshop's file out of what is judged by, or puts it back. @throws Problem not-found */
export async function setLearntOut(from: string, out: boolean): Promise<TakenIn> {
  await useDb()
  const row = await SettingRow.findByPk(`${LEARNT_FROM}${from}`)
  if (!row) throw new Problem('not-found', told('no-such-learnt'))
  const kept: Kept = { ...(row.value as Kept), out }
  await SettingRow.upsert({ key: row.key, value: kept })
  return shown(kept)
}

/** Other workshops' files, the newest first. */
export async function takenIn(): Promise<TakenIn[]> {
  return (await keptFiles()).map(shown).sort((a, b) => b.takenAt.localeCompare(a.takenAt))
}

/** What other workshops have learnt of a type. */
export async function learntElsewhere(sheetId: string): Promise<LearntPriors[]> {
  return (await keptFiles())
    .filter(({ out }) => !out)
    .flatMap(({ file }) => file.types.find(({ sheet }) => sheet.id === sheetId)?.priors ?? [])
}

async function keptFiles(): Promise<Kept[]> {
  await useDb()
  const rows = await SettingRow.findAll({ where: { key: { [Op.startsWith]: LEARNT_FROM } } })
  return rows.map(({ value }) => value as Kept)
}

function shown({ file, takenAt, by, out }: Kept): TakenIn {
  const types = file.types.map(({ sheet: { id, name }, priors: { engines } }) => ({ id, name, engines }))
  return { from: file.from, at: file.at, takenAt, by, out, types }
}
