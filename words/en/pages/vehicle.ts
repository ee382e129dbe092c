import type { Shown } from '../../say'

export const USAGE_CHART = {
  overUsageJobsTheSame: (title: Shown, points: Shown) =>
    `${title} over usage, ${points} jobs; the same figures stand in the table below`,
  mm: 'mm',
  limit: (limit: Shown) => `Limit ${limit}`,
  overUsage: (title: Shown) => `${title} over usage`,
  at: 'At',
  grooveDepth: 'Groove depth',
  extension: 'Extension',
  ninetyBetween: '90 % between',
  job: 'Job',
  and: (low: Shown, high: Shown) => `${low} and ${high}`
}

export const VEHICLE_PAGE = {
  vehicle: 'Vehicle',
  umbrette: (vehicle: Shown) => `${vehicle} · Umbrette`,
  whenLastSeen: (name: Shown, usage: Shown) => `${name}, ${usage} when last seen`,
  measurementsOverUsage: 'Measurements over usage',
  whatIsDrawn: 'What is drawn',
  nothingHasBeenMeasuredOn: 'Nothing has been measured on this vehicle yet.',
  jobs: 'Jobs'
}

export const VEHICLES = {
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
}
