import { LRUCache } from 'lru-cache'
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

/** Values of a statement as they come, each known by its place. */
class Binds {
  readonly values: unknown[] = []

  /** `column` is like one of the patterns: as alternatives, which an index of trigrams can look up. */
  like(column: string, patterns: readonly string[]): string {
    return `(${patterns.map((pattern) => `${column} like $${this.values.push(pattern)}`).join(' or ')})`
  }
}

const VEHICLES_OF_WORD = (found: string, owned: string) => `(select id from vehicles where ${found}
  union select v.id from customers c join vehicles v on v.customer_id = c.id where c.removed_at is null and ${owned})`

const CUSTOMERS_OF_WORD = (found: string, owned: string) => `(select id from customers where ${found}
  union select customer_id from vehicles v where v.removed_at is null and v.customer_id is not null and ${owned})`

/** A page of a list, and how many there are in all. */
interface Page {
  limit: number
  offset: number
}

const SEEN_LAST = 'order by v.seen_at desc nulls last, v.name, v.id'

/** A vehicle with whose it is, of those that a statement gives as `v` and the order that it puts them in. */
const vehiclesOut = (of: string, order: string, more = '') =>
  `select v.id, v.name, v.note, v.registration, v.chassis, v.model, v.sheet_id as sheet,
     case when c.id is null then null
       else json_build_object('id', c.id, 'name', c.name, 'phone', c.phone) end as customer ${more}
   ${of} left join customers c on c.id = v.customer_id and c.removed_at is null ${order}`

/** A customer with their vehicles, of those that a statement gives as `c`. */
const customersOut = (of: string, { limit, offset }: Page, more = '') =>
  `select c.id, c.name, c.phone, c.email,
     coalesce((select json_agg(json_build_object('id', v.id, 'name', v.name, 'registration', v.registration)
       order by v.name) from vehicles v where v.customer_id = c.id and v.removed_at is null), '[]') as vehicles ${more}
   ${of} where c.removed_at is null order by lower(c.name), c.id limit ${limit} offset ${offset}`

/** Vehicles that all words are found on, or on whose they are: first those called so, then those seen last. */
export async function findVehicles(
  words: readonly string[],
  { limit, offset }: Page
): Promise<{ rows: VehicleFound[]; total: number }> {
  const page = `limit ${limit} offset ${offset}`
  if (words.length === 0) {
    const newest = `from (select * from vehicles v where removed_at is null ${SEEN_LAST} ${page}) v`
    return listed('vehicles', await select<VehicleFound>(vehiclesOut(newest, SEEN_LAST), []), {
      limit,
      offset
    })
  }
  const binds = new Binds()
  const hits = words.map((word) =>
    VEHICLES_OF_WORD(binds.like('found', patternsOf(word)), binds.like('c.found', patternsOf(word)))
  )
  const called = binds.like('lower(v.name)', patternsOf(words.join(' ')))
  const hit = `from (${hits.join(' intersect ')}) hit join vehicles v using (id)`
  return counted(
    await select<VehicleFound & { total: string }>(
      vehiclesOut(
        hit,
        `where v.removed_at is null ${SEEN_LAST.replace('order by', `order by ${called} desc,`)} ${page}`,
        ', count(*) over () as total'
      ),
      binds.values
    )
  )
}

/** Customers whom all words are found on, or on a vehicle of theirs; by name. */
export async function findCustomers(
  words: readonly string[],
  page: Page
): Promise<{ rows: CustomerFound[]; total: number }> {
  if (words.length === 0)
    return listed('customers', await select<CustomerFound>(customersOut('from customers c', page), []), page)
  const binds = new Binds()
  const hits = words.map((word) =>
    CUSTOMERS_OF_WORD(binds.like('found', patternsOf(word)), binds.like('v.found', patternsOf(word)))
  )
  const hit = `from (${hits.join(' intersect ')}) hit join customers c using (id)`
  return counted(
    await select<CustomerFound & { total: string }>(
      customersOut(hit, page, ', count(*) over () as total'),
      binds.values
    )
  )
}

/** How many there are, for a moment: who turns pages does not count thousands at each. */
const totals = new LRUCache<string, number>({ max: 2, ttl: 1000 })

/** A page of a whole list; one that is not full tells by itself how many there are. */
async function listed<T>(
  table: 'vehicles' | 'customers',
  rows: T[],
  { limit, offset }: Page
): Promise<{ rows: T[]; total: number }> {
  if (rows.length < limit && (rows.length > 0 || offset === 0)) return { rows, total: offset + rows.length }
  const known = totals.get(table)
  if (known !== undefined) return { rows, total: known }
  const { total } = await selectOne<{ total: string }>(
    `select count(*) as total from ${table} where removed_at is null`,
    []
  )
  totals.set(table, Number(total))
  return { rows, total: Number(total) }
}

function counted<T extends object>(rows: (T & { total: string })[]): { rows: T[]; total: number } {
  return { rows: rows.map(({ total: _total, ...row }) => row as unknown as T), total: Number(rows[0]?.total ?? 0) }
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
