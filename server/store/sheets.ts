import { told } from '../../words/problems'
import type { DriveSheet } from '../../core/sheet'
import { sheetFaults } from '../../core/drive'
import { inTransaction, useDb } from '../db/connection'
import { SheetRevisionRow, SheetRow } from '../db/models'
import { lockSheet, type SheetInList, sheetsInList } from '../db/queries/sheets'
import { Problem } from '../utils/problem'

/** A drive sheet as lists show it. */
export interface ListedSheet extends Omit<SheetInList, 'savedAt'> {
  savedAt: string
}

/** The workshop's drive sheets, by name; the removed ones instead, where they are asked for. */
export async function listSheets(removed = false): Promise<ListedSheet[]> {
  await useDb()
  return (await sheetsInList(removed)).map((row) => ({ ...row, savedAt: row.savedAt.toISOString() }))
}

/** The newest revision of one drive sheet. @throws Problem bad-input when there is none of that id */
export async function findSheet(id: string): Promise<{ sheet: DriveSheet; revision: number }> {
  await useDb()
  const row = await SheetRow.findByPk(id)
  if (!row || row.removed)
    throw new Problem('bad-input', told('choose-engine'), [{ place: 'sheet', ...told('no-sheet-of-workshop') }])
  return { sheet: row.body, revision: row.revision }
}

/** One revision of a drive sheet (the newest unless one is named), and what others there are. */
export interface FoundSheet {
  sheet: DriveSheet
  revision: number
  newest: number
  removed: boolean
  revisions: { revision: number; savedBy: string; savedAt: string; note: string }[]
}

/** @throws Problem not-found */
export async function sheetRevision(id: string, wanted?: number): Promise<FoundSheet> {
  await useDb()
  const row = await SheetRow.findByPk(id, { attributes: ['id', 'revision', 'removed'] })
  const revision = wanted ?? row?.revision ?? 0
  const found = row ? await SheetRevisionRow.findOne({ where: { sheetId: id, revision } }) : null
  if (!row || !found) throw new Problem('not-found', told('no-such-sheet-here'))
  const all = await SheetRevisionRow.findAll({
    where: { sheetId: id },
    attributes: ['revision', 'savedBy', 'savedAt', 'note'],
    order: [['revision', 'DESC']]
  })
  return {
    sheet: found.body,
    revision,
    newest: row.revision,
    removed: row.removed,
    revisions: all.map(({ revision: r, savedBy, savedAt, note }) => ({
      revision: r,
      savedBy,
      note,
      savedAt: new Date(savedAt).toISOString()
    }))
  }
}

/**
 * Keeps a new revision of a sheet, or a new sheet. Nothing is overwritten: a sheet that someone else saved in the
 * meantime is refused, and the same revision sent twice is kept once.
 * @param basedOn the revision it was made from; 0 for a new sheet
 * @throws Problem bad-input with each fault of the sheet, conflict
 */
export async function saveSheet(
  value: unknown,
  { basedOn, by, note }: { basedOn: number; by: string; note: string }
): Promise<{ id: string; revision: number }> {
  const faults = sheetFaults(value)
  if (faults.length > 0) throw new Problem('bad-input', told('sheet-unsound'), faults)
  const sheet = value as DriveSheet
  return inTransaction(async (transaction) => {
    await lockSheet(sheet.id, transaction)
    const row = await SheetRow.findByPk(sheet.id, { transaction })
    const current = row?.revision ?? 0
    if (row && current === basedOn + 1 && JSON.stringify(row.body) === JSON.stringify(sheet))
      return { id: sheet.id, revision: current }
    if (current !== basedOn) {
      throw new Problem(
        'conflict',
        basedOn === 0 ? told('sheet-id-taken', { id: sheet.id }) : told('sheet-saved-meanwhile', { current, basedOn })
      )
    }
    const revision = current + 1
    await SheetRow.upsert({ id: sheet.id, name: sheet.name, body: sheet, revision, removed: false }, { transaction })
    await SheetRevisionRow.create({ sheetId: sheet.id, revision, body: sheet, savedBy: by, note }, { transaction })
    return { id: sheet.id, revision }
  })
}

/**
 * Takes a sheet off the list of engines, or puts it back; jobs keep theirs, and nothing is erased. @throws Problem
 * not-found
 */
export async function removeSheet(id: string, removed: boolean): Promise<void> {
  await useDb()
  const [changed] = await SheetRow.update({ removed }, { where: { id } })
  if (changed === 0) throw new Problem('not-found', told('no-such-sheet'))
}
