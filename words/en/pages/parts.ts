import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const FILE_PROBLEM = texts({
  file: 'The file',
  andMore: (faults: Shown) => t`… and ${faults} more.`
})

export const PAGER_ROW = texts({
  pages: 'Pages',
  page: 'Page',
  of: (pages: Shown) => t`of ${pages}`
})

export const PERSON_PICKER = texts({
  atTheBench: 'At the bench:',
  anotherFirstName: 'Another first name',
  add: 'Add'
})

export const PROBLEM_NOTE = texts({
  tryAgain: 'Try again',
  backToTheBoard: 'Back to the board'
})

export const SAVE_STATE = texts({
  thisDeviceHasNoRoom: 'This device has no room left: keep this page open until all is saved',
  allSaved: 'All saved',
  away: 'The server is away: shown as it was',
  saving: 'Saving …',
  onThisDevice: (n: number) => t`${n} ${plural(n, t`entry waits`, t`entries wait`)} on this device`,
  sendNow: 'Send now'
})

export const TOP_BAR = texts({
  customers: 'Customers',
  vehicles: 'Vehicles',
  learnt: 'Learnt',
  board: 'Board',
  people: 'People',
  settings: 'Settings',
  places: 'Places'
})

export const UNIT_PICKER = texts({
  language: 'Language on this device',
  readingSheet: 'Reading sheet at the',
  left: 'Left',
  right: 'Right',
  lengthsIn: 'Lengths in',
  millimetres: 'millimetres',
  inches: 'inches',
  usageIn: 'Usage in',
  km: 'km',
  miles: 'miles',
  torquesIn: 'Torques in',
  lbFt: 'lb·ft',
  hoursStayHoursKeptMetric: 'Hours stay hours. Kept metric, whatever is shown; reasons in a verdict are metric.'
})

export const PROBLEM = texts({
  theServerCannotBeReached: 'The server cannot be reached. What you entered is kept on this device.'
})

export const JOB = texts({
  by: (people: readonly string[], words: string) => t`${people.join(t` and `)}: ${words}`,
  theEstimateCouldNotBe:
    'The estimate could not be computed for these readings. They are kept; take back the last one or check it.'
})

export const STRIP_STEP = texts({ back: 'Back to the ones before', on: 'On to the others' })
