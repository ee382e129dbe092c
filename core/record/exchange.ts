import { figuresOf, isInOldWords, upgradeSignoffs } from './upgradeSignoffs'
import { CORE_VERSION, assess, type Assessment } from '../paths'
import { type Fault, faultsOfEach, isSameJson, knownPart, MOST_FAULTS, schemaFaults } from '../check'
import { READING_SCHEMAS, type EarlierKnown, type Reading, withIds } from '../readings'
import { sheetFaults } from '../drive'
import { driveSchema, type DriveSheet } from '../sheet'
import { actFaults, schemaOf } from './actFaults'
import { type Act, type ActOf, foldActs, Folding, isActType, sheetOf } from './acts'
import { assessRecord, jobFile, usageOf } from './assessRecord'
import { readJob } from './readJob'
import { jobSchema, type WholeJobFile } from './schema'
import type { KeptJob } from './types'
import { upgradeFile } from './upgrade'
import { faultAt } from './says'

/** A job as it travels between machines: what the core reads, and all that was ever done on it. */
export type JobExport = WholeJobFile & Required<Pick<WholeJobFile, 'job' | 'openedUnder' | 'openedWith' | 'acts'>>

/** What an importer adds to a file that does not say it. */
export interface Importer {
  by: string
  /** ISO time. */
  at: string
  newId: () => string
}

export type Imported = { job: KeptJob; acts: Act[]; faults: [] } | { job: null; acts: []; faults: Fault[] }

/** What a file knows of the engine beside its readings. */
function earlierKnown({ fitted, horizon, history, pricing, priors }: EarlierKnown): { known?: EarlierKnown } {
  const known = {
    ...(fitted ? { fitted } : {}),
    ...(horizon === undefined ? {} : { horizon }),
    ...(history ? { history } : {}),
    ...(pricing ? { pricing } : {}),
    ...(priors ? { priors } : {})
  }
  return Object.keys(known).length > 0 ? { known } : {}
}

/**
 * The job as one file; `readings` are those that stand, `acts` everything. What older versions kept beside the fields
 * that are known today is left behind, so that every file can be taken in again.
 */
export function exportJob(job: KeptJob, acts: readonly Act[]): JobExport {
  const kept = acts.map(knownAct)
  const opened = knownPart(driveSchema, job.sheet) as DriveSheet
  const { corrections, drive, fitted, pricing, readings, school, usage } = jobFile({ ...job, sheet: opened }, kept)
  const openedWith = {
    ...(usage === job.usage ? {} : { usage: job.usage }),
    ...(job.corrections ? { corrections: job.corrections } : {}),
    ...job.known
  }
  const { vehicle, stand, complaint, openedBy, openedAt } = job
  return {
    format: 'umbrette-job',
    version: 1,
    job: { vehicle, stand, complaint, openedBy, openedAt },
    usage,
    school,
    openedUnder: job.school,
    openedWith,
    ...(corrections ? { corrections } : {}),
    ...job.known,
    ...(fitted ? { fitted } : {}),
    ...(pricing ? { pricing } : {}),
    readings,
    acts: kept,
    drive,
    ...(drive === opened ? {} : { openedOn: opened })
  }
}

function knownAct(act: Act): Act {
  const known = knownPart(schemaOf(act.type), act) as Act
  if (known.type === 'sheet') return { ...known, sheet: knownPart(driveSchema, known.sheet) as DriveSheet }
  if (known.type !== 'read' && known.type !== 'rebuilt') return known
  return { ...known, reading: knownPart(READING_SCHEMAS[known.reading.kind], known.reading) as Reading }
}

/**
 * A job file from another machine, or one written by hand with readings alone: those become acts of `importer`.
 * @returns the job and its acts, or what is wrong with it, each fault with its place; never throws
 */
export function importJob(older: unknown, importer: Importer): Imported {
  const value = upgradeFile(older)
  const read = readJob(value)
  if (!read.job) return refuse(read.faults)
  const structure = schemaFaults(jobSchema, value)
  if (structure.length > 0) return refuse(structure)
  const file = value as WholeJobFile
  const opened = file.openedOn ?? file.drive
  const sheet = file.openedOn ? sheetFaults(file.openedOn, 'openedOn') : []
  if (sheet.length > 0) return refuse(sheet)
  const acts = file.acts
    ? [...file.acts]
    : withIds(file.readings).map((reading): Act => ({
        id: reading.id.length <= MOST_ID ? reading.id : importer.newId(),
        type: 'read',
        by: reading.by ?? importer.by,
        at: reading.at ?? importer.at,
        reading: stripRecord(reading)
      }))
  const faults = file.acts ? [...actListFaults(opened, acts), ...editedFaults(file, acts, opened)] : []
  if (faults.length > 0) return refuse(faults)
  const job = openedJob(file, opened, importer)
  return { job, acts: checkedSignoffs(job, acts), faults: [] }
}

/** The job as it was opened. */
function openedJob(file: WholeJobFile, sheet: DriveSheet, importer: Importer): KeptJob {
  const openedWith = file.openedWith ?? file
  const {
    vehicle = file.drive.name,
    stand = '',
    complaint = '',
    openedBy = importer.by,
    openedAt = importer.at
  } = file.job ?? {}
  return {
    vehicle,
    stand,
    complaint,
    openedBy,
    openedAt,
    sheet,
    usage: file.openedWith?.usage ?? file.usage,
    school: file.openedUnder ?? file.school,
    corrections: openedWith.corrections ?? null,
    ...earlierKnown(openedWith)
  }
}

/** What a file says stands must be what its acts come to. */
function editedFaults(file: WholeJobFile, acts: readonly Act[], opened: DriveSheet): Fault[] {
  if (!acts.every(({ type }) => isActType(type))) return []
  const record = foldActs(acts, file.openedUnder ?? file.school)
  const ids = (readings: readonly { id?: string }[]) => readings.map(({ id }) => id).join('\n')
  if (ids(record.readings) !== ids(file.readings)) return [faultAt('readings', 'readings-edited')]
  const usage = usageOf(file.openedWith?.usage ?? file.usage, record)
  if (!isSameJson(usage, file.usage)) return [faultAt('usage', 'usage-edited')]
  if (file.openedOn && !isSameJson(sheetOf(opened, record), file.drive)) return [faultAt('drive', 'sheet-edited')]
  return []
}

function refuse(faults: readonly Fault[]): Imported {
  return { job: null, acts: [], faults: faults.slice(0, MOST_FAULTS) }
}

/** Characters of an act's id. */
const MOST_ID = 64

function stripRecord({ id: _id, by: _by, at: _at, ...reading }: Reading): Reading {
  return reading as Reading
}

/** Moves to another sheet, there and back, that a job can have: each looks at everything read before it. */
const MOST_MOVES = 200

function actListFaults(opened: DriveSheet, acts: readonly Act[]): Fault[] {
  const folding = new Folding('on-evidence')
  let [sheet, moves] = [opened, 0]
  return faultsOfEach(acts, (act, i) => {
    const place = `acts[${i}]`
    const moving = act?.type === 'sheet' || (act?.type === 'undo' && folding.movesSheet(act.act))
    if (moving && ++moves > MOST_MOVES) return [faultAt(place, 'moves', { time: MOST_MOVES + 1 })]
    const faults = actFaults({ sheet, opened, acts: folding.byId, movesSheet: folding.movesSheet }, act, place)
    if (faults.length > 0) return faults
    if (folding.byId.has(act.id)) return [faultAt(`${place}.id`, 'stands-twice')]
    folding.add(act)
    if (moving) sheet = sheetOf(opened, folding.record)
    return []
  })
}

/**
 * What a sign-off rests on as it is assessed today, where it comes out the same: to the letter, or to the figure for
 * one in an older version's words.
 */
function todaysWords(
  { assessment }: Pick<ActOf<'signoff'>, 'assessment'>,
  assess: () => Assessment
): Assessment | null {
  const now = assess()
  const alike = isInOldWords(assessment)
    ? isSameJson(figuresOf(now), figuresOf(assessment))
    : isSameJson(now, assessment)
  return alike ? now : null
}

/**
 * A job's acts as an older version kept them, its sign-offs in the newest form: in today's words where they come out
 * the same.
 */
export function refreshSignoffs(
  job: Pick<KeptJob, 'sheet' | 'usage' | 'school' | 'corrections' | 'known'>,
  acts: readonly unknown[]
): Act[] {
  const upgrade = upgradeSignoffs(acts) as Act[]
  return upgrade.map((act, i) => {
    if (act.type !== 'signoff' || act.core !== CORE_VERSION || !isInOldWords(act.assessment)) return act
    const now = todaysWords(act, () => assess(jobFile(job, upgrade.slice(0, i))))
    return now ? { ...act, assessment: now } : act
  })
}

/** Sign-offs of a file, each marked where it does not come out the same here: nobody vouches for it. */
function checkedSignoffs(job: KeptJob, acts: readonly Act[]): Act[] {
  return acts.map((act, i) => {
    if (act.type !== 'signoff') return act
    const { unchecked: _unchecked, ...signoff } = act as ActOf<'signoff'>
    const now = signoff.core === CORE_VERSION ? todaysWords(signoff, () => assessRecord(job, acts.slice(0, i))) : null
    return now ? { ...signoff, assessment: now } : { ...signoff, unchecked: true }
  })
}
