import {
  elsewhere,
  flag,
  formatVersion,
  id,
  listOf,
  moment,
  needed,
  oneOf,
  shape,
  type Shape,
  text,
  uuid,
  whole,
  words
} from '../../check'
import type { JobFile } from '../../readings'
import {
  customerFields,
  MOST_MAILED,
  pastJobFields,
  ROLES,
  shopPricingSchema,
  vehicleFields,
  workshopSchema
} from '../../record'
import { learntFileSchema } from '../learn'
import type { Debriefing, Move, PracticeCase } from '../practice'
import type { JobSummary } from '../summary'
import { ownSuspectsSchema } from '../suspects'
import { erasedRows, erasureKind, leftRows } from '../erasing'

/** The workshop as open files: what each row of its lists is made of. */

const name = () => text(120).required(needed)
const optional = () => uuid().nullable().defined(needed)
const at = () => moment().required(needed)
const later = () => moment().nullable().defined(needed)
const count = () => whole(0, 1e9).required(needed)

/** What an archive is, at its head, and what the workshop holds once. */
export const archiveHead = shape({
  format: oneOf('umbrette-workshop').required(needed),
  version: formatVersion(1),
  madeAt: at(),
  core: text(40).required(needed),
  workshop: workshopSchema,
  pricing: shopPricingSchema,
  /** Not in archives of earlier versions. */
  suspects: ownSuspectsSchema.optional(),
  /** What headings of older records were put to, null for those left out. */
  columns: listOf(
    shape({ heading: text(200).defined(needed), field: text(40).nullable().defined(needed) }).required(needed),
    200
  ).required(needed),
  /** Tells this workshop's learnt figures from those of others. */
  learntId: optional()
}).required(needed)

export type ArchiveHead = Shape<typeof archiveHead>

const revision = shape({
  revision: whole(1, 1e6).required(needed),
  savedBy: name(),
  note: text(2000).defined(needed),
  savedAt: at()
}).required(needed)

/** The lists of an archive; each is a file of its own, a row a line. */
export const ARCHIVE_ROWS = {
  people: shape({
    name: words(40),
    former: listOf(words(40), 200).required(needed),
    role: oneOf(...ROLES).required(needed),
    retiredAt: later()
  }).required(needed),
  sheets: shape({
    id: id().required(needed),
    revision: whole(1, 1e6).required(needed),
    removed: flag().required(needed),
    revisions: listOf(revision, 10_000).required(needed)
  }).required(needed),
  intakes: shape({
    id: uuid().required(needed),
    name: text(200).required(needed),
    by: name(),
    at: at(),
    counts: shape({ customers: count(), vehicles: count(), jobs: count() }).required(needed),
    undoneAt: later()
  }).required(needed),
  customers: shape({
    id: uuid().required(needed),
    ...customerFields,
    intake: optional(),
    madeAt: at(),
    removedAt: later()
  }).required(needed),
  vehicles: shape({
    id: uuid().required(needed),
    ...vehicleFields,
    sheet: id().nullable().defined(needed),
    customer: optional(),
    intake: optional(),
    madeAt: at(),
    removedAt: later()
  }).required(needed),
  pastJobs: shape({
    id: uuid().required(needed),
    vehicle: uuid().required(needed),
    ...pastJobFields,
    sheet: id().nullable().defined(needed),
    keptBy: name(),
    intake: optional(),
    madeAt: at(),
    removedAt: later()
  }).required(needed),
  shares: shape({
    id: uuid().required(needed),
    job: uuid().required(needed),
    /** Of the link that the customer was given, which goes on to work; the link cannot be told from it. */
    tokenHash: text(128).required(needed),
    report: elsewhere<object>().required(needed),
    map: elsewhere<object>().nullable().defined(needed),
    by: name(),
    at: at(),
    expiresAt: at(),
    revokedAt: later(),
    mailed: listOf(
      shape({ to: text(254).required(needed), by: name(), at: at() }).required(needed),
      MOST_MAILED
    ).required(needed)
  }).required(needed),
  cases: shape({
    id: uuid().required(needed),
    title: text(400).defined(needed),
    by: name(),
    at: at(),
    job: optional(),
    removed: flag().required(needed),
    case: elsewhere<PracticeCase>().required(needed)
  }).required(needed),
  runs: shape({
    id: uuid().required(needed),
    by: name(),
    caseKey: text(64).required(needed),
    title: text(400).defined(needed),
    level: whole(1, 5).required(needed),
    score: whole(0, 100).required(needed),
    moves: listOf(elsewhere<Move>().required(needed), 10_000).required(needed),
    debriefing: elsewhere<Debriefing>().required(needed),
    finishedAt: at()
  }).required(needed),
  learnt: shape({ file: learntFileSchema, takenAt: at(), by: name(), out: flag().required(needed) }).required(needed),
  erasures: shape({
    id: uuid().required(needed),
    kind: erasureKind().required(needed),
    by: name(),
    at: at(),
    rows: erasedRows,
    left: leftRows()
  }).required(needed),
  wearFigures: shape({
    id: uuid().required(needed),
    sheet: id().required(needed),
    vehicle: uuid().required(needed),
    month: text(7).required(needed),
    finished: flag().required(needed),
    summary: elsewhere<JobSummary>().required(needed),
    file: elsewhere<JobFile>().nullable().defined(needed)
  }).required(needed),
  jobs: shape({
    id: uuid().required(needed),
    vehicle: optional(),
    customer: optional(),
    sheetRevision: whole(1, 1e6).nullable().defined(needed)
  }).required(needed)
}

export type ArchiveList = keyof typeof ARCHIVE_ROWS
export type ArchiveRow<L extends ArchiveList> = NonNullable<Shape<(typeof ARCHIVE_ROWS)[L]>>

/** What a workshop keeps of a job beside its file: whose hand each act was kept under, and what pictures came as. */
export const archivedJob = shape({
  acts: listOf(
    shape({ id: text(64).required(needed), person: text(40).nullable().defined(needed), at: at() }).required(needed),
    20_000
  ).required(needed),
  photos: listOf(
    shape({ id: uuid().required(needed), sent: text(64).nullable().defined(needed), at: at() }).required(needed),
    500
  ).required(needed)
}).required(needed)

export type ArchivedJob = Shape<typeof archivedJob>
