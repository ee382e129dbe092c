import type { Usage, UsageSays } from '../../../core/readings'
import { type Catalogue, sayer, type Shown } from '../../say'
import { thousands } from '../figures'
import { USAGE_UNITS } from '../parts'
import { t, texts } from '../../spoken'

const usage = (value: number, unit: string) => t`${thousands(value)} ${USAGE_UNITS[unit as Usage['unit']] ?? unit}`

/** What is asked of a usage before it is kept. */
export const USAGE_ASKED: Catalogue<UsageSays> = {
  'less-than-before': (f) => t`That is less than the ${usage(f.value, f.unit)} it had on ${f.on}.`,
  'far-from-line': (f) =>
    t`That is far off this vehicle’s own line: by what was seen of it, ${usage(f.low, f.unit)} to ${usage(f.high, f.unit)} is to be expected.`,
  'more-than-possible': (f) =>
    t`That is more than anybody drives in ${f.days} days (${usage(f.most, f.unit)} a day at the most).`
}

export const sayUsageAsked = sayer(USAGE_ASKED)

export const USAGE_FIELD = texts({
  readAs: (value: Shown) => t`Read as ${value}.`,
  noNumber: 'This is no number that can only be read one way. Write it as 148200, 148 200, 148.200 or 148,200.',
  isItRight: 'It is right all the same'
})

export const CUSTOMERS = texts({
  customers: 'Customers',
  customersUmbrette: 'Customers · Umbrette',
  search: 'Search customers',
  searchBy: 'Name, phone, registration, chassis number',
  add: 'New customer',
  none: 'No customer yet. The first job of a new vehicle can bring one.',
  noneLike: 'No customer, and no vehicle of one, is known by these words.',
  noVehicle: 'no vehicle'
})

export const CUSTOMER = texts({
  customer: 'Customer',
  umbrette: (name: Shown) => t`${name} · Umbrette`,
  change: 'Change',
  changing: 'Change the customer',
  adding: 'New customer',
  name: 'Name',
  phone: 'Phone',
  email: 'E-mail',
  address: 'Address',
  note: 'Note',
  language: 'Reads',
  languageHint: 'Reports and estimates for them are written in it.',
  languageOurs: "As the workshop's",
  save: 'Save',
  vehicles: 'Vehicles and boats',
  addVehicle: 'New vehicle',
  noVehicle: 'None yet.',
  jobs: 'Jobs',
  noJob: 'None yet.',
  takeOut: 'Take out of lists',
  putBack: 'Put back',
  takenOut: 'Taken out of lists. Vehicles and jobs stay.',
  find: 'Name or phone',
  newOne: (name: Shown) => t`${name}, new here`
})

export const VEHICLE_FORM = texts({
  changing: 'Change the vehicle',
  adding: 'New vehicle',
  change: 'Change',
  name: 'Called',
  nameHint: 'As it is called in the workshop. No two have the same.',
  registration: 'Registration',
  chassis: 'Chassis number',
  model: 'Make and model',
  sheet: 'Engine sheet',
  noSheet: 'not known',
  customer: 'Customer',
  note: 'Note, for whoever has it next',
  save: 'Save'
})

export const VEHICLE_BOOK = texts({
  fitted: 'Parts fitted',
  fittedSays: 'As they were fitted last, here or elsewhere. The next job starts from this.',
  noneFitted: 'Nothing is known to have been renewed.',
  fittedHeads: ['Part', 'At', 'On', 'By'],
  elsewhere: 'elsewhere',
  past: 'Before, and elsewhere',
  pastSays: 'Work from older records or another workshop: it counts for wear rates and for when parts were fitted.',
  noPast: 'None.',
  addPast: 'Add earlier work',
  addingPast: 'Earlier work',
  doneOn: 'Day',
  usage: 'Usage',
  unit: 'In',
  work: 'What was done',
  doneBy: 'By whom',
  renewed: 'Parts fitted new',
  renewedNeedsSheet: 'Choose the vehicle’s engine sheet first: its parts can then be named here.',
  elongation: 'Chain was longer by, %',
  elongationHint: 'Only where it was measured.',
  save: 'Keep it',
  takeOut: 'Take out',
  keptBy: (by: Shown) => t`kept by ${by}`
})

export const USAGE_FIX = texts({
  putRight: 'Put the usage right',
  title: 'What really stood on the clock',
  says: 'The job is judged again with it. What was entered first stays in its history.',
  usage: 'Usage',
  why: 'Why, if it helps',
  save: 'Put it right',
  was: (usage: Shown) => t`Until now ${usage}.`
})
