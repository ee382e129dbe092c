import { isDeepStrictEqual } from 'node:util'
import type { Workshop } from '../../core/record'
import { DEMO_WORKSHOP } from '../../demo/workshop'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'

const KEY = 'workshop'

/** What stands for this workshop; the demo's, before anything was said of it. */
export async function workshopFacts(): Promise<Workshop> {
  await useDb()
  const row = await SettingRow.findByPk(KEY)
  return (row?.value ?? DEMO_WORKSHOP) as Workshop
}

/** Takes the place of what stood for it before; reports shared already keep what they had. */
export async function keepWorkshop(workshop: Workshop): Promise<Workshop> {
  await useDb()
  if (!isDeepStrictEqual(await workshopFacts(), workshop)) await SettingRow.upsert({ key: KEY, value: workshop })
  return workshop
}
