import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import type { CustomerFacts } from '../../core/record'
import { told } from '../../words/problems'
import { useDb } from '../db/connection'
import { CustomerRow, JobRow, VehicleRow } from '../db/models'
import { type CustomerFound, findCustomers } from '../db/queries/books'
import { Problem } from '../utils/problem'
import { sharedText } from '../utils/inBatches'
import { pagesOf, wordsOf } from './listing'

export interface Customer extends CustomerFacts {
  id: string
  removed: boolean
  vehicles: { id: string; name: string; registration: string; model: string }[]
  jobs: { id: string; vehicle: string; openedAt: string; complaint: string }[]
}

const CUSTOMERS_A_PAGE = 40
const MOST_JOBS = 200

/** Customers, found by what is known of them or of a vehicle of theirs. */
export async function listCustomers({
  search,
  page
}: {
  search: string
  page: number
}): Promise<{ rows: CustomerFound[]; total: number; pages: number }> {
  await useDb()
  const { rows, total } = await findCustomers(wordsOf(search), {
    limit: CUSTOMERS_A_PAGE,
    offset: page * CUSTOMERS_A_PAGE
  })
  return { rows, total, pages: pagesOf(total, CUSTOMERS_A_PAGE) }
}

/** A page of them as JSON: what many ask for at once is looked up once. */
export const customersText = sharedText(listCustomers)

/** A customer, their vehicles and the newest of their jobs. @throws Problem not-found */
export async function findCustomer(id: string): Promise<Customer> {
  const row = await customerRow(id)
  const vehicles = await VehicleRow.findAll({
    where: { customerId: id, removedAt: null as never },
    attributes: ['id', 'name', 'registration', 'model'],
    order: [['name', 'ASC']]
  })
  const jobs = await JobRow.findAll({
    where: { customerId: id },
    attributes: ['id', 'vehicle', 'openedAt', 'complaint', 'state'],
    order: [['openedAt', 'DESC']],
    limit: MOST_JOBS
  })
  const { name, phone, email, address, note, language, removedAt } = row
  return {
    id,
    name,
    phone,
    email,
    address,
    note,
    language,
    removed: removedAt !== null,
    vehicles: vehicles.map(({ id: vehicle, name: called, registration, model }) => ({
      id: vehicle,
      name: called,
      registration,
      model
    })),
    jobs: jobs
      .filter(({ state }) => state !== 'deleted')
      .map(({ id: job, vehicle, openedAt, complaint }) => ({
        id: job,
        vehicle,
        openedAt: openedAt.toISOString(),
        complaint
      }))
  }
}

/** Keeps a new customer. @returns their id */
export async function addCustomer(facts: CustomerFacts): Promise<string> {
  await useDb()
  const { id } = await CustomerRow.create({ id: randomUUID(), ...facts })
  return id
}

/** @throws Problem not-found */
export async function changeCustomer(id: string, facts: CustomerFacts): Promise<Customer> {
  await (await customerRow(id)).update(facts)
  return findCustomer(id)
}

/** Takes a customer out of lists, or back in; their vehicles and jobs stay. @throws Problem not-found */
export async function removeCustomer(id: string, removed: boolean): Promise<Customer> {
  const row = await customerRow(id)
  await row.update({ removedAt: removed ? (row.removedAt ?? new Date()) : null })
  return findCustomer(id)
}

/** @throws Problem not-found */
export async function customerRow(id: string): Promise<CustomerRow> {
  await useDb()
  const row = isUuid(id) ? await CustomerRow.findByPk(id) : null
  if (!row) throw new Problem('not-found', told('no-such-customer'))
  return row
}
