import { asLogo } from '../photos/logo'
import { isDeepStrictEqual } from 'node:util'
import { NO_TAX } from '../../core/money'
import type { Workshop } from '../../core/record'
import { DEMO_WORKSHOP } from '../../demo/workshop'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { LOGO_KEY, WORKSHOP_KEY } from '../db/settingKeys'
import { noteLanguage } from '../languages'

/** What stands for this workshop; the demo's, before anything was said of it. */
export async function workshopFacts(): Promise<Workshop> {
  await useDb()
  const kept = (await SettingRow.findByPk(WORKSHOP_KEY))?.value as Partial<Workshop> | undefined
  // What an earlier version kept had no language, no currency and no tax.
  const facts = { ...DEMO_WORKSHOP, ...(kept ? { tax: NO_TAX, ...kept } : {}) }
  noteLanguage(facts.language)
  return facts
}

/** Takes the place of what stood for it before; reports shared already keep what they had. */
export async function keepWorkshop(workshop: Workshop): Promise<Workshop> {
  await useDb()
  if (!isDeepStrictEqual(await workshopFacts(), workshop))
    await SettingRow.upsert({ key: WORKSHOP_KEY, value: workshop })
  noteLanguage(workshop.language)
  return workshop
}

/** The workshop's logo as PNG; null without one. */
export async function workshopLogo(): Promise<Buffer | null> {
  await useDb()
  const { value } = (await SettingRow.findByPk(LOGO_KEY)) ?? {}
  return typeof value === 'string' ? Buffer.from(value, 'base64') : null
}

/**
 * Keeps a logo, or none; reports shared already keep the one they had. @returns is there one now? @throws Problem
 * bad-input
 */
export async function keepLogo(bytes: Buffer): Promise<boolean> {
  await useDb()
  if (bytes.length === 0) await SettingRow.destroy({ where: { key: LOGO_KEY } })
  else await SettingRow.upsert({ key: LOGO_KEY, value: (await asLogo(bytes)).toString('base64') })
  return bytes.length > 0
}
