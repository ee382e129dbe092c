import type { Shown } from '../../say'

export const FILE_PROBLEM = {
  file: 'The file',
  andMore: (faults: Shown) => `… and ${faults} more.`
}

export const PAGER_ROW = {
  pages: 'Pages',
  page: 'Page',
  of: (pages: Shown) => `of ${pages}`
}

export const PERSON_PICKER = {
  atTheBench: 'At the bench:',
  anotherFirstName: 'Another first name',
  add: 'Add'
}

export const PROBLEM_NOTE = {
  tryAgain: 'Try again',
  backToTheBoard: 'Back to the board'
}

export const SAVE_STATE = {
  thisDeviceHasNoRoom: 'This device has no room left: keep this page open until all is saved',
  allSaved: 'All saved',
  away: 'The server is away: shown as it was',
  saving: 'Saving …',
  onThisDevice: (n: number) => `${n} ${n === 1 ? 'entry waits' : 'entries wait'} on this device`,
  sendNow: 'Send now'
}

export const TOP_BAR = {
  customers: 'Customers',
  vehicles: 'Vehicles',
  learnt: 'Learnt',
  board: 'Board',
  people: 'People',
  settings: 'Settings',
  places: 'Places'
}

export const UNIT_PICKER = {
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
}

export const PROBLEM = {
  theServerCannotBeReached: 'The server cannot be reached. What you entered is kept on this device.'
}

export const JOB = {
  by: (people: readonly string[], words: string) => `${people.join(' and ')}: ${words}`,
  theEstimateCouldNotBe:
    'The estimate could not be computed for these readings. They are kept; take back the last one or check it.'
}

export const STRIP_STEP = { back: 'Back to the ones before', on: 'On to the others' }
