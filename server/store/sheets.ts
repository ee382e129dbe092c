import type { DriveSheet } from '../../core/sheet/types'
import { useDb } from '../db/connection'
import { SheetRow } from '../db/models'
import { Problem } from '../utils/problem'

/** The workshop's drive sheets, by name. */
export async function listSheets(): Promise<{ id: string; name: string }[]> {
  await useDb()
  return (await SheetRow.findAll({ attributes: ['id', 'name'], order: [['name', 'ASC']] })).map(({ id, name }) => ({ id, name }))
}

/** One drive sheet. @throws Problem bad-input when there is none of that id */
export async function findSheet(id: string): Promise<DriveSheet> {
  await useDb()
  const row = await SheetRow.findByPk(id)
  if (!row) throw new Problem('bad-input', 'Choose an engine from the list.', [{ place: 'sheet', message: 'is no drive sheet of this workshop' }])
  return row.body
}
