import type { PlaceOfMention } from '../../../core/views/erasing'
import type { Shown } from '../../say'
import { countWords } from '../figures'

/** Erasing for good, and the ledger of it. */
export const ERASING = {
  erase: 'Erase for good',
  customer: 'Erase a customer for good',
  job: 'Erase a job for good',
  says: 'What is erased does not come back: there is no undo, and no backup made from now on holds it.',
  lead: 'For good.',
  looking: 'Looking through everything that is kept …',
  goes: 'This goes',
  vehicles: (names: string) => `Vehicles: ${names}`,
  noVehicle: 'no vehicle',
  counts: (jobs: number, entries: number, photos: number, shares: number) =>
    `${countWords(jobs, 'job', 'jobs')} with ${countWords(entries, 'entry', 'entries')}, ${countWords(photos, 'picture', 'pictures')} and ${countWords(shares, 'link', 'links')}`,
  more: (past: number, cases: number) =>
    `${countWords(past, 'past job', 'past jobs')}, ${countWords(cases, 'practice case', 'practice cases')} told of their jobs`,
  staying: (names: string) => `Stays, without their name and plate, as others’ jobs are on it: ${names}`,
  stays: 'Figures of wear stay, of nobody and no vehicle that is known.',
  mentions: (count: number) =>
    `Named elsewhere ${count === 1 ? 'once' : `${count} times`}: untick what is of somebody else`,
  noMention: 'Named nowhere else.',
  type: (name: Shown) => `Type “${name}” to erase`,
  jobSays: (vehicle: Shown) =>
    `This job of ${vehicle} goes for good, with its entries, pictures and links. Its vehicle and customer stay; so do figures of wear, of nobody.`,
  ledger: 'Erased for good',
  ledgerSays:
    'When and by whom. What it was is kept nowhere; an older backup that is restored is erased again by this list.',
  none: 'Nothing was erased.',
  entry: (kind: 'customer' | 'job', vehicles: number, jobs: number) =>
    kind === 'job'
      ? 'A job'
      : `A customer, ${countWords(vehicles, 'vehicle', 'vehicles')}, ${countWords(jobs, 'job', 'jobs')}`
}

/** Where a customer is named, by what it stands in. */
export const MENTION_PLACES: Readonly<Record<PlaceOfMention, string>> = {
  jobs: 'A job',
  acts: 'An entry',
  shares: 'A shared report',
  vehicles: 'A vehicle',
  customers: 'Another customer',
  past_jobs: 'A past job',
  intakes: 'Older records taken in',
  sheets: 'An engine',
  sheet_revisions: 'A revision of an engine',
  practice_cases: 'A practice case',
  practice_runs: 'A practice run',
  wear_figures: 'Figures of wear',
  settings: 'Settings'
}
