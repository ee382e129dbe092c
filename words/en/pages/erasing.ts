import type { PlaceOfMention } from '../../../core/views/erasing'
import type { Shown } from '../../say'
import { countWords } from '../figures'
import { t, texts, plural } from '../../spoken'

/** Erasing for good, and the ledger of it. */
export const ERASING = texts({
  erase: 'Erase for good',
  customer: 'Erase a customer for good',
  job: 'Erase a job for good',
  says: 'What is erased does not come back: there is no undo, and no backup made from now on holds it.',
  lead: 'For good.',
  looking: 'Looking through everything that is kept …',
  goes: 'This goes',
  vehicles: (names: string) => t`Vehicles: ${names}`,
  noVehicle: 'no vehicle',
  counts: (jobs: number, entries: number, photos: number, shares: number) =>
    t`${countWords(jobs, t`job`, t`jobs`)} with ${countWords(entries, t`entry`, t`entries`)}, ${countWords(photos, t`picture`, t`pictures`)} and ${countWords(shares, t`link`, t`links`)}`,
  more: (past: number, cases: number) =>
    t`${countWords(past, t`past job`, t`past jobs`)}, ${countWords(cases, t`practice case`, t`practice cases`)} told of their jobs`,
  staying: (names: string) => t`Stays, without their name and plate, as others’ jobs are on it: ${names}`,
  stays: 'Figures of wear stay, of nobody and no vehicle that is known.',
  mentions: (count: number) =>
    t`Named elsewhere ${plural(count, t`once`, t`${count} times`)}: untick what is of somebody else`,
  noMention: 'Named nowhere else.',
  type: (name: Shown) => t`Type “${name}” to erase`,
  jobSays: (vehicle: Shown) =>
    t`This job of ${vehicle} goes for good, with its entries, pictures and links. Its vehicle and customer stay; so do figures of wear, of nobody.`,
  ledger: 'Erased for good',
  ledgerSays:
    'When and by whom. What it was is kept nowhere; an older backup that is restored is erased again by this list.',
  none: 'Nothing was erased.',
  entry: (kind: 'customer' | 'job', vehicles: number, jobs: number) =>
    kind === 'job'
      ? t`A job`
      : t`A customer, ${countWords(vehicles, t`vehicle`, t`vehicles`)}, ${countWords(jobs, t`job`, t`jobs`)}`
})

/** Where a customer is named, by what it stands in. */
export const MENTION_PLACES: Readonly<Record<PlaceOfMention, string>> = texts({
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
})
