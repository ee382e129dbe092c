import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const USAGE_CHART = texts({
  overUsageJobsTheSame: (title: Shown, points: Shown) =>
    t`${title} over usage, ${points} jobs; the same figures stand in the table below`,
  mm: 'mm',
  limit: (limit: Shown) => t`Limit ${limit}`,
  overUsage: (title: Shown) => t`${title} over usage`,
  at: 'At',
  grooveDepth: 'Groove depth',
  extension: 'Extension',
  ninetyBetween: '90 % between',
  job: 'Job',
  and: (low: Shown, high: Shown) => t`${low} and ${high}`
})

export const VEHICLE_PAGE = texts({
  vehicle: 'Vehicle',
  umbrette: (vehicle: Shown) => t`${vehicle} · Umbrette`,
  whenLastSeen: (name: Shown, usage: Shown) => t`${name}, ${usage} when last seen`,
  measurementsOverUsage: 'Measurements over usage',
  whatIsDrawn: 'What is drawn',
  nothingHasBeenMeasuredOn: 'Nothing has been measured on this vehicle yet.',
  jobs: 'Jobs'
})

export const VEHICLES = texts({
  vehiclesUmbrette: 'Vehicles · Umbrette',
  vehiclesAndBoats: 'Vehicles and boats',
  searchVehicles: 'Search vehicles',
  searchByName: 'Name, registration, chassis number, phone',
  noJobYet: 'No job yet',
  job: 'job',
  jobs: 'jobs',
  last: ', last',
  noVehicleHasAName: 'No vehicle, and no customer with one, is known by these words.',
  noVehicleYetTheFirst: 'No vehicle yet: the first job makes one.',
  before: 'Before',
  further: 'Further'
})
