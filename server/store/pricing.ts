import { QueryTypes } from 'sequelize'
import type { UsageUnit } from '../../core/readings'
import type { Pricing } from '../../core/paths'
import { useDb } from '../db/connection'

/** What the shop weighs paths with, unless a job says otherwise; the horizon by unit of usage. */
export interface ShopPricing extends Pick<Pricing, 'hourRate' | 'newPart' | 'damage'> {
  horizons?: Partial<Record<UsageUnit, number>>
}

const KEY = 'pricing'

export async function shopPricing(): Promise<ShopPricing> {
  const db = await useDb()
  const [row] = await db.query<{ value: ShopPricing }>('select value from settings where key = $1', {
    bind: [KEY],
    type: QueryTypes.SELECT
  })
  return row?.value ?? {}
}

/** Takes the place of what the shop held before; jobs open already keep theirs. */
export async function keepShopPricing(pricing: ShopPricing): Promise<void> {
  const db = await useDb()
  await db.query(
    'insert into settings (key, value) values ($1, $2::json) on conflict (key) do update set value = excluded.value',
    { bind: [KEY, JSON.stringify(pricing)] }
  )
}

/** The shop's pricing for a job of a unit; null where the shop says nothing. */
export async function pricingFor(unit: UsageUnit): Promise<Pricing | null> {
  const { horizons = {}, ...pricing } = await shopPricing()
  const all: Pricing = { ...pricing, ...(horizons[unit] === undefined ? {} : { horizon: horizons[unit] }) }
  return Object.keys(all).length > 0 ? all : null
}
