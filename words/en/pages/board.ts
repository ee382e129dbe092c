import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const CLOSE_JOB = texts({
  isHeld: (vehicle: Shown) => t`${vehicle} is held`,
  whyItIsClosedAll: 'Why it is closed all the same',
  sayWhyItReleases: (holds: number) =>
    t`Say why: it releases ${plural(holds, t`this hold`, t`each of these holds`)} under your name.`,
  leaveItOpen: 'Leave it open',
  releaseAndClose: 'Release and close'
})

export const DUE_CHECKS = texts({
  whichDrivesAreToBe: 'Which drives are to be looked at again could not be read.',
  lookAgain: 'Look again',
  toBeLookedAtAgain: 'To be looked at again',
  overdue: 'overdue',
  stopGapNoRepair: 'Stop-gap, no repair',
  orAt: (unit: Shown) => t`or at ${unit}`
})

export const IMPORT_JOB = texts({
  theFileIsLargerThan: (shown: Shown) => t`The file is larger than ${shown} GB: it is no job file.`,
  importAJob: 'Import a job',
  jobFileToImport: 'Job file to import'
})

export const NEEDS_SOMEONE = texts({
  title: 'Needs someone now',
  trouble: 'Cannot be computed: open it and check what was entered last.',
  stop: (parts: number) =>
    parts === 1
      ? t`Must not be run: one part says stop, and it waits for nobody.`
      : t`Must not be run: ${parts} parts say stop, and it waits for nobody.`,
  renew: (parts: number) =>
    parts === 1
      ? t`One part to renew, and it waits for nobody: choose the path.`
      : t`${parts} parts to renew, and it waits for nobody: choose the path.`,
  unread: 'Nothing read yet.',
  next: (reading: Shown) => t`Worth reading next: ${reading}.`
})

export const JOB_STRIP = texts({
  noStand: 'No stand',
  cannotBeComputed: 'Cannot be computed.',
  itsEntriesAreKeptOpen: "Its entries are kept; open it and check the sheet's figures and what was entered last.",
  nothingReadYet: 'Nothing read yet',
  waitsForAReading: (next: Shown) => t`Waits for a reading: ${next}`,
  whatToDoWith: (vehicle: Shown) => t`What to do with ${vehicle}`
})

export const NEW_JOB = texts({
  vehicleOrBoat: 'Vehicle or boat',
  nameTheVehicle: 'Name the vehicle.',
  newHere: ', new here',
  stand: 'Stand',
  chooseAnEngineFromThe: 'Choose an engine from the list.',
  chooseItsDriveSheet: 'Choose its drive sheet',
  registration: 'Registration',
  customer: 'Customer',
  phone: 'Their phone',
  usage: 'Usage',
  enterANumberFrom0: 'Enter a number from 0 up.',
  lastSeenAt: (usage: Shown) => t`Last seen at ${usage}.`,
  in: 'In',
  judgedUnder: 'Judged under',
  chooseWhoIsAtThe: 'Choose who is at the bench.',
  openTheJob: 'Open the job'
})

export const OTHER_FINDS = texts({
  vehiclesAndEnginesFound: 'Vehicles and engines found',
  vehicles: 'Vehicles'
})

export const WAITS_FOR = texts({
  whichAndUntilWhen: 'Which, and until when'
})

export const BOARD = texts({
  noJobHereIsKnown: 'No job here is known by these words.',
  boardUmbrette: 'Board · Umbrette',
  chooseWhoIsAtThe: 'Choose who is at the bench first: the name stands on what is done.',
  wasNotClosed: (vehicle: Shown, message: Shown) => t`${vehicle} was not closed. ${message}`,
  searchJobs: 'Search jobs',
  searchJobsVehiclesEngines: 'Search jobs, vehicles, engines',
  listsOfJobs: 'Lists of jobs',
  newer: 'Newer',
  older: 'Older',
  jobs: (total: Shown) => t`, ${total} jobs`
})
