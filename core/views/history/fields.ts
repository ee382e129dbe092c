/** What a column of older records can be. */
export const HISTORY_FIELDS = [
  'customer',
  'phone',
  'email',
  'address',
  'customerNote',
  'vehicle',
  'registration',
  'chassis',
  'model',
  'vehicleNote',
  'engine',
  'day',
  'usage',
  'work',
  'doneBy',
  'renewed',
  'elongation'
] as const
export type HistoryField = (typeof HISTORY_FIELDS)[number]

/** Fields that say something of a job; without any of them a row is of a customer and a vehicle alone. */
export const JOB_FIELDS: readonly HistoryField[] = ['day', 'usage', 'work', 'doneBy', 'renewed', 'elongation']
export const VEHICLE_FIELDS: readonly HistoryField[] = [
  'vehicle',
  'registration',
  'chassis',
  'model',
  'vehicleNote',
  'engine'
]
