import { listOf, needed, oneOf, shape, type Shape, text, uuid } from '../../check'

/** What people write in, and so where a customer may be named. */
export type PlaceOfMention =
  | 'jobs'
  | 'acts'
  | 'shares'
  | 'vehicles'
  | 'customers'
  | 'past_jobs'
  | 'intakes'
  | 'sheets'
  | 'sheet_revisions'
  | 'practice_cases'
  | 'practice_runs'
  | 'wear_figures'
  | 'settings'

/** What somebody may have erased for good. */
export const erasureKind = () => oneOf('customer', 'job')
export type ErasureKind = 'customer' | 'job'

const ids = () => listOf(uuid().required(needed), 20_000).required(needed)

/** Rows that are gone, by table: ids say nothing of what stood there. */
export const erasedRows = shape({
  customers: ids(),
  vehicles: ids(),
  jobs: ids(),
  pastJobs: ids(),
  cases: ids()
}).required(needed)

export type ErasedRows = Shape<typeof erasedRows>

/** Tables whose mentions of a customer were left as they are, each with the row's key behind a colon. */
export const leftRows = () => listOf(text(200).required(needed), 5000).required(needed)
