import { id, sayOfCheck, text } from '../../core/check'
import { vehicleSchema } from '../../core/record'
import { told } from '../../words/problems'
import type { VehicleFacts } from '../store/vehicles'
import { checkInput } from './route'

/** What a page sends of a vehicle: its engine sheet and whose it is by id; what it leaves out is empty. */
const schema = vehicleSchema
  .shape({ sheet: id().nullable(), customer: text(36).nullable() })
  .required(sayOfCheck('object'))
const EMPTY = { note: '', registration: '', chassis: '', model: '' }

export function checkVehicle(body: unknown): VehicleFacts {
  const filled = typeof body === 'object' && body !== null && !Array.isArray(body) ? { ...EMPTY, ...body } : body
  const { sheet, customer, ...facts } = checkInput(schema, filled, told('name-vehicle'))
  return { ...facts, sheet: sheet ?? null, customer: customer ?? null }
}
