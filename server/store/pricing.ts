import type { UsageUnit } from '../../core/readings'
import type { Pricing } from '../../core/paths'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { PRICING_KEY } from '../db/settingKeys'
import { workshopFacts } from './workshop'

/** What the shop weighs paths with, unless a job says otherwise; the horizon by unit of usage. */
export interface ShopPricing extends Pick<Pricing, 'hourRate' | 'newPart' | 'damage'> {
  horizons?: Partial<Record<UsageUnit, number>>
}

export async function shopPricing(): Promise<ShopPricing> {
  await useDb()
  const row = await SettingRow.findByPk(PRICING_KEY)
  return (row?.value ?? {}) as ShopPricing
}

/** Takes the place of what the shop held before; jobs open already keep theirs. */
export async function keepShopPricing(pricing: ShopPricing): Promise<void> {
  await useDb()
  await SettingRow.upsert({ key: PRICING_KEY, value: pricing })
}

/** The shop's pricing for a job of a unit, in its money. */
export async function pricingFor(unit: UsageUnit): Promise<Pricing> {
  const { horizons = {}, ...pricing } = await shopPricing()
  const { currency } = await workshopFacts()
  return { currency, ...pricing, ...(horizons[unit] === undefined ? {} : { horizon: horizons[unit] }) }
}
