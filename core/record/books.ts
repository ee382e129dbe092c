import { day, email, id, listOf, needed, num, oneOf, shape, type Shape, text, words } from '../check'
import { usageSchema } from '../readings'
import { LANGUAGES } from './languages'
import { say } from './says'

/** What a workshop keeps of a customer; everything but the name may be empty. */
export const customerFields = {
  name: words(120, say('customer-name')),
  phone: text(60).defined(needed),
  email: email().defined(needed),
  address: text(400).defined(needed),
  note: text(2000).defined(needed),
  /** What their papers are written in; empty or absent: as the workshop's. */
  language: oneOf('', ...LANGUAGES).optional()
}
export const customerSchema = shape(customerFields).required(say('a-customer'))

export type CustomerFacts = Shape<typeof customerSchema>

/** What is kept of a vehicle beside its jobs: its plate, its chassis number, make and model as people write them. */
export const vehicleFields = {
  name: words(120, say('vehicle')),
  note: text(2000).defined(needed),
  registration: text(40).defined(needed),
  chassis: text(40).defined(needed),
  model: text(120).defined(needed)
}
export const vehicleSchema = shape(vehicleFields).required(say('a-vehicle'))

/** What was done on a vehicle before there was a job here, or elsewhere. */
export const pastJobFields = {
  doneOn: day().required(needed),
  usage: usageSchema.optional().nullable(),
  work: text(4000).defined(needed),
  doneBy: text(120).defined(needed),
  /** Parts of the engine sheet that were fitted new. */
  renewed: listOf(id().required(needed), 64).required(needed),
  /** Of the chain, where it was measured; a fraction. */
  elongation: num(-0.005, 0.05).nullable()
}
export const pastJobSchema = shape(pastJobFields).required(say('a-past-job'))

export type PastJobFacts = Shape<typeof pastJobSchema>
