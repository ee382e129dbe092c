import type { Act, JobState, LanguageId, Role } from '../../core/record'
import type { Corrections } from '../../core/drive'
import type { EarlierKnown, JobFile, School, Usage } from '../../core/readings'
import type { ErasedRows, ErasureKind } from '../../core/views/erasing'
import type { Debriefing, Move, PracticeCase } from '../../core/views/practice'
import type { JobSummary } from '../../core/views/summary'
import type { DriveSheet } from '../../core/sheet'
import type { Drawing } from '../../draw/shapes'
import type { Report } from '../../words/en'
import {
  bytes,
  flag,
  json,
  key,
  made,
  now,
  or,
  orNull,
  place,
  real,
  type RowOf,
  serial,
  table,
  text,
  time,
  uuid,
  whole
} from './columns'

/** The workshop's tables: each column once, its type what comes back. */

export const PersonRow = table('people', {
  id: key(serial()),
  name: text(),
  /** Names they had before: what was entered under one of them is theirs. */
  former: made(json<string[]>()),
  role: or(text<Role>(), 'mechanic'),
  /** Digests of what they sign in with. */
  passphrase: orNull(text()),
  pin: orNull(text()),
  /** Key that what waits on a device after they signed out is sealed with. */
  seal: made(text()),
  retiredAt: orNull(time())
})
export type PersonRow = RowOf<typeof PersonRow>

/** A device of the workshop, on which people take over with a PIN. */
export const DeviceRow = table('devices', {
  id: key(uuid()),
  name: text(),
  tokenHash: text(),
  pairedBy: text(),
  pairedAt: now(),
  seenAt: now(),
  removedAt: orNull(time())
})
export type DeviceRow = RowOf<typeof DeviceRow>

/** A device that may be paired, for a while and once. */
export const PairingRow = table('pairings', { codeHash: key(text()), name: text(), madeBy: text(), endsAt: time() })

/** Somebody signed in: on a device of the workshop, or one of their own. */
export const SessionRow = table('sessions', {
  id: key(uuid()),
  tokenHash: text(),
  personId: whole(),
  deviceId: orNull(uuid()),
  browser: text(),
  madeAt: now(),
  seenAt: now(),
  endsAt: time()
})
export type SessionRow = RowOf<typeof SessionRow>

/** A passkey of somebody, on a device of their own. */
export const PasskeyRow = table('passkeys', {
  id: key(text()),
  personId: whole(),
  name: text(),
  publicKey: text(),
  counter: text(),
  madeAt: now(),
  seenAt: orNull(time()),
  removedAt: orNull(time())
})
export type PasskeyRow = RowOf<typeof PasskeyRow>

/** What a device is asked to sign, once: to sign in, or by somebody who adds a passkey. */
export const ChallengeRow = table('challenges', { hash: key(text()), personId: orNull(whole()), endsAt: time() })

/** The part that is open on a job's bench, for who takes pictures of it with another device. */
export const BenchRow = table('benches', { jobId: key(uuid()), part: text(), at: now() })

export const SheetRow = table('sheets', {
  id: key(text()),
  name: text(),
  body: json<DriveSheet>(),
  revision: or(whole(), 1),
  removed: or(flag(), false)
})

export const SheetRevisionRow = table('sheet_revisions', {
  sheetId: key(text()),
  revision: key(whole()),
  body: json<DriveSheet>(),
  savedBy: text(),
  note: or(text(), ''),
  savedAt: now()
})

export const VehicleRow = table('vehicles', {
  id: key(uuid()),
  name: text(),
  note: or(text(), ''),
  registration: or(text(), ''),
  chassis: or(text(), ''),
  /** Make and model, as people write them. */
  model: or(text(), ''),
  /** The engine sheet that its jobs are opened on. */
  sheetId: orNull(text()),
  customerId: orNull(uuid()),
  intakeId: orNull(uuid()),
  createdAt: now(),
  removedAt: orNull(time())
})
export type VehicleRow = RowOf<typeof VehicleRow>

/** Whose vehicles they are. */
export const CustomerRow = table('customers', {
  id: key(uuid()),
  name: text(),
  phone: or(text(), ''),
  email: or(text(), ''),
  address: or(text(), ''),
  note: or(text(), ''),
  /** What their papers are written in; empty: as the workshop's. */
  language: or(text<LanguageId | ''>(), ''),
  intakeId: orNull(uuid()),
  madeAt: now(),
  removedAt: orNull(time())
})
export type CustomerRow = RowOf<typeof CustomerRow>

/** What was done on a vehicle before there was a job here, or elsewhere. */
export const PastJobRow = table('past_jobs', {
  id: key(uuid()),
  vehicleId: uuid(),
  /** The day, as 2026-11-26. */
  doneOn: text(),
  usage: orNull(json<Usage>()),
  sheetId: orNull(text()),
  work: or(text(), ''),
  doneBy: or(text(), ''),
  /** Parts of the sheet that were fitted new. */
  renewed: json<string[]>(),
  /** Of the chain that was the longest, where it was measured; a fraction. */
  elongation: orNull(real()),
  keptBy: text(),
  intakeId: orNull(uuid()),
  madeAt: now(),
  removedAt: orNull(time())
})
export type PastJobRow = RowOf<typeof PastJobRow>

/** Older records that were taken in as one, and can be taken out as one. */
export const IntakeRow = table('intakes', {
  id: key(uuid()),
  name: text(),
  madeBy: text(),
  madeAt: now(),
  counts: json<IntakeCounts>(),
  undoneAt: orNull(time())
})
export type IntakeRow = RowOf<typeof IntakeRow>

/** How many of each an intake brought. */
export interface IntakeCounts {
  customers: number
  vehicles: number
  jobs: number
}

export const JobRow = table('jobs', {
  id: key(uuid()),
  demo: flag(),
  vehicle: text(),
  stand: text(),
  complaint: text(),
  school: text<School>(),
  state: or(text<JobState>(), 'open'),
  usage: json<Usage>(),
  corrections: orNull(json<Corrections>()),
  known: orNull(json<EarlierKnown>()),
  /** The sheet as it was when the job was opened. */
  sheet: json<DriveSheet>(),
  sheetRevision: orNull(whole()),
  /** How often its sheet changed since: what was checked under another count must be checked again. */
  sheetMoves: or(whole(), 0),
  vehicleId: orNull(uuid()),
  customerId: orNull(uuid()),
  /** What lists show of it, and whether acts came since it was made. */
  summary: orNull(json<JobSummary>()),
  summaryCore: orNull(text()),
  /** Why its summary cannot be made, for whoever mends it; null where it can. */
  summaryError: orNull(text()),
  stale: or(flag(), true),
  /** Does a call of it say stop? */
  held: or(flag(), false),
  openedBy: text(),
  openedAt: time()
})
export type JobRow = RowOf<typeof JobRow>

export const ActRow = table('acts', {
  seq: place(),
  jobId: key(uuid()),
  id: key(text()),
  body: json<Act>(),
  /** Who was signed in when it was kept; null on an open workshop, for what a file brought and for customers. */
  personId: orNull(whole()),
  receivedAt: now()
})
export type ActRow = RowOf<typeof ActRow>

export const ShareRow = table('shares', {
  id: key(uuid()),
  jobId: uuid(),
  tokenHash: text(),
  report: json<Report>(),
  map: orNull(json<Drawing>()),
  createdBy: text(),
  createdAt: now(),
  expiresAt: time(),
  revokedAt: orNull(time()),
  /** To whom its link was sent. */
  mailed: made(json<Mailed[]>())
})
export type ShareRow = RowOf<typeof ShareRow>

export const PhotoRow = table('photos', {
  id: key(uuid()),
  jobId: uuid(),
  width: whole(),
  height: whole(),
  /** Digest of what was sent; null for one kept before that was noted. */
  sent: orNull(text()),
  body: bytes(),
  thumb: bytes(),
  receivedAt: now()
})

/** A link as it was sent by e-mail. */
export interface Mailed {
  to: string
  by: string
  at: string
}

/** A case that the workshop keeps: told from a job of its own, or taken in from a file. */
export const PracticeCaseRow = table('practice_cases', {
  id: key(uuid()),
  title: text(),
  body: json<PracticeCase>(),
  createdBy: text(),
  /** The job that it was told from, while that is kept; null for one out of a file. */
  jobId: orNull(uuid()),
  removed: or(flag(), false),
  createdAt: now()
})
export type PracticeCaseRow = RowOf<typeof PracticeCaseRow>

/** A case that somebody finished. */
export const PracticeRunRow = table('practice_runs', {
  id: key(uuid()),
  by: text(),
  /** A short code, or the id of a kept case. */
  caseKey: text(),
  title: text(),
  level: whole(),
  score: whole(),
  moves: json<Move[]>(),
  debriefing: json<Debriefing>(),
  finishedAt: now()
})
export type PracticeRunRow = RowOf<typeof PracticeRunRow>

/** Something that was erased for good: which rows, when and by whom, and nothing of what stood in them. */
export const ErasureRow = table('erasures', {
  id: key(uuid()),
  kind: text<ErasureKind>(),
  erasedBy: text(),
  erasedAt: now(),
  rows: json<ErasedRows>(),
  /** Mentions elsewhere that were left as they are. */
  leftRows: json<string[]>()
})
export type ErasureRow = RowOf<typeof ErasureRow>

/** Figures of wear out of an erased job: of no person and no vehicle that is known. */
export const WearFigureRow = table('wear_figures', {
  id: key(uuid()),
  sheetId: text(),
  /** The same for what was one vehicle, and nothing else of it. */
  vehicle: uuid(),
  /** As 2026-11. */
  month: text(),
  finished: flag(),
  summary: json<JobSummary>(),
  /** What the job taught of its type of engine; null for one that was not finished. */
  file: orNull(json<JobFile>())
})
export type WearFigureRow = RowOf<typeof WearFigureRow>

/** What the workshop holds once: prices, and marks of its own. */
export const SettingRow = table('settings', { key: key(text()), value: json<unknown>() })
