import type { Transaction } from 'sequelize'
import { select, selectOne } from './select'

/** What a vehicle is known by, and whose it is. */
export interface VehicleFound {
  id: string
  name: string
  note: string
  registration: string
  chassis: string
  model: string
  sheet: string | null
  customer: { id: string; name: string; phone: string } | null
}

/** A customer as lists show them, with their vehicles. */
export interface CustomerFound {
  id: string
  name: string
  phone: string
  email: string
  vehicles: { id: string; name: string; registration: string }[]
}

/** A word as it is kept, and as it is written without gaps and dashes; each found anywhere. */
function patternsOf(word: string): string[] {
  const escaped = word.replaceAll(/[\\%_]/g, '\\$&')
  const squeezed = word.replaceAll(/[^\p{L}\p{N}]/gu, '')
  return [escaped, ...(squeezed && squeezed !== word ? [squeezed] : [])].map((one) => `%${one}%`)
}

const VEHICLES = '(select id from vehicles where found like any(#))'
const CUSTOMERS = '(select id from customers where removed_at is null and found like any(#))'
const OWNERS = '(select customer_id from vehicles where removed_at is null and found like any(#))'

/** Each word is found on what is looked for, or on what belongs to it; its place stands for a `#`. */
type Within = readonly [column: string, found: string]
const eitherOf = (words: readonly string[], ...where: Within[]) =>
  words
    .map((_, i) => `and (${where.map((one) => one.join(' in ')).join(' or ')})`.replaceAll('#', `$${i + 1}`))
    .join(' ')

/** Vehicles that all words are found on, or on whose they are: first those called so, then those seen last. */
export async function findVehicles(
  words: readonly string[],
  { limit, offset }: { limit: number; offset: number }
): Promise<{ rows: VehicleFound[]; total: number }> {
  const rows = await select<VehicleFound & { total: string }>(
    `select v.id, v.name, v.note, v.registration, v.chassis, v.model, v.sheet_id as sheet,
       case when c.id is null then null else json_build_object('id', c.id, 'name', c.name, 'phone', c.phone) end as customer,
       count(*) over () as total
     from vehicles v
       left join customers c on c.id = v.customer_id and c.removed_at is null
       left join (select vehicle_id, max(opened_at) as at from jobs group by vehicle_id) seen on seen.vehicle_id = v.id
     where v.removed_at is null
     ${eitherOf(words, ['v.id', VEHICLES], ['v.customer_id', CUSTOMERS])}
     order by lower(v.name) like any($${words.length + 1}) desc, seen.at desc nulls last, v.name, v.id limit ${limit} offset ${offset}`,
    [...words.map(patternsOf), patternsOf(words.join(' '))]
  )
  return { rows: rows.map(({ total: _total, ...row }) => row), total: Number(rows[0]?.total ?? 0) }
}

/** Customers whom all words are found on, or on a vehicle of theirs; by name. */
export async function findCustomers(
  words: readonly string[],
  { limit, offset }: { limit: number; offset: number }
): Promise<{ rows: CustomerFound[]; total: number }> {
  const rows = await select<CustomerFound & { total: string }>(
    `select c.id, c.name, c.phone, c.email, count(*) over () as total,
       coalesce((select json_agg(json_build_object('id', v.id, 'name', v.name, 'registration', v.registration)
         order by v.name) from vehicles v where v.customer_id = c.id and v.removed_at is null), '[]') as vehicles
     from customers c where c.removed_at is null ${eitherOf(words, ['c.id', CUSTOMERS], ['c.id', OWNERS])}
     order by lower(c.name), c.id limit ${limit} offset ${offset}`,
    words.map(patternsOf)
  )
  return { rows: rows.map(({ total: _total, ...row }) => row), total: Number(rows[0]?.total ?? 0) }
}

/** The customer of a name, and of a phone where one is given; a new one where there is none. */
export async function customerNamed(
  { name, phone }: { name: string; phone: string },
  transaction: Transaction
): Promise<string> {
  const [known] = await select<{ id: string }>(
    `select id from customers where removed_at is null and lower(name) = lower($1)
       and ($2 = '' or phone = '' or regexp_replace(phone, '[^0-9]', '', 'g') = regexp_replace($2, '[^0-9]', '', 'g'))
     order by made_at desc limit 1`,
    [name, phone],
    transaction
  )
  if (known) return known.id
  const { id } = await selectOne<{ id: string }>(
    'insert into customers (id, name, phone) values (gen_random_uuid(), $1, $2) returning id',
    [name, phone],
    transaction
  )
  return id
}
