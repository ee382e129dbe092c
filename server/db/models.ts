import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize
} from 'sequelize'
import type { Act, JobState } from '../../core/record'
import type { Corrections } from '../../core/drive'
import type { EarlierKnown, School, Usage } from '../../core/readings'
import type { Debriefing, Move, PracticeCase } from '../../core/views/practice'
import type { Report } from '../../words/en'
import type { Drawing } from '../../draw/shapes'
import type { JobSummary } from '../../core/views/summary'
import type { DriveSheet } from '../../core/sheet'

export class PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  declare id: CreationOptional<number>
  declare name: string
}

export class SheetRow extends Model<InferAttributes<SheetRow>, InferCreationAttributes<SheetRow>> {
  declare id: string
  declare name: string
  declare body: DriveSheet
  declare revision: CreationOptional<number>
  declare removed: CreationOptional<boolean>
}

export class SheetRevisionRow extends Model<
  InferAttributes<SheetRevisionRow>,
  InferCreationAttributes<SheetRevisionRow>
> {
  declare sheetId: string
  declare revision: number
  declare body: DriveSheet
  declare savedBy: string
  declare note: CreationOptional<string>
  declare savedAt: CreationOptional<Date>
}

export class VehicleRow extends Model<InferAttributes<VehicleRow>, InferCreationAttributes<VehicleRow>> {
  declare id: string
  declare name: string
  declare note: CreationOptional<string>
  declare createdAt: CreationOptional<Date>
}

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare id: string
  declare demo: boolean
  declare vehicle: string
  declare stand: string
  declare complaint: string
  declare school: School
  declare state: CreationOptional<JobState>
  declare usage: Usage
  declare corrections: Corrections | null
  declare known: CreationOptional<EarlierKnown | null>
  /** The sheet as it was when the job was opened. */
  declare sheet: DriveSheet
  declare sheetRevision: CreationOptional<number | null>
  /** How often its sheet changed since: what was checked under another count must be checked again. */
  declare sheetMoves: CreationOptional<number>
  declare vehicleId: CreationOptional<string | null>
  /** What lists show of it, and whether acts came since it was made. */
  declare summary: CreationOptional<JobSummary | null>
  declare summaryCore: CreationOptional<string | null>
  declare stale: CreationOptional<boolean>
  /** Why its summary cannot be made, for whoever mends it; null where it can. */
  declare summaryError: CreationOptional<string | null>
  /** Does a call of it say stop? */
  declare held: CreationOptional<boolean>
  declare openedBy: string
  declare openedAt: Date
}

export class ActRow extends Model<InferAttributes<ActRow>, InferCreationAttributes<ActRow>> {
  /** A bigint, which the database's client gives as text. */
  declare seq: CreationOptional<string>
  declare jobId: string
  declare id: string
  declare body: Act
  declare receivedAt: CreationOptional<Date>
}

/** A case that the workshop keeps: told from a job of its own, or taken in from a file. */
export class PracticeCaseRow extends Model<InferAttributes<PracticeCaseRow>, InferCreationAttributes<PracticeCaseRow>> {
  declare id: string
  declare title: string
  declare body: PracticeCase
  declare createdBy: string
  declare removed: CreationOptional<boolean>
  declare createdAt: CreationOptional<Date>
}

/** A case that somebody finished. */
export class PracticeRunRow extends Model<InferAttributes<PracticeRunRow>, InferCreationAttributes<PracticeRunRow>> {
  declare id: string
  declare by: string
  /** A short code, or the id of a kept case. */
  declare caseKey: string
  declare title: string
  declare level: number
  declare score: number
  declare moves: Move[]
  declare debriefing: Debriefing
  declare finishedAt: CreationOptional<Date>
}

export class PhotoRow extends Model<InferAttributes<PhotoRow>, InferCreationAttributes<PhotoRow>> {
  declare id: string
  declare jobId: string
  declare width: number
  declare height: number
  /** Digest of what was sent; null for one kept before that was noted. */
  declare sent: CreationOptional<string | null>
  declare body: Buffer
  declare thumb: Buffer
  declare receivedAt: CreationOptional<Date>
}

export class ShareRow extends Model<InferAttributes<ShareRow>, InferCreationAttributes<ShareRow>> {
  declare id: string
  declare jobId: string
  declare tokenHash: string
  declare report: Report
  declare map: Drawing | null
  declare createdBy: string
  declare createdAt: Date
  declare expiresAt: Date
  declare revokedAt: CreationOptional<Date | null>
}

/**
 * Binds the models to a connection. Bodies are JSON, not JSONB: a file comes back with its keys in the order it came
 * in.
 */
export function defineModels(sequelize: Sequelize): void {
  const options = { sequelize, underscored: true, timestamps: false }
  PersonRow.init(
    { id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true }, name: text() },
    { ...options, tableName: 'people' }
  )
  SheetRow.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      name: text(),
      body: json(),
      revision: { ...whole(), defaultValue: 1 },
      removed: flag(false)
    },
    { ...options, tableName: 'sheets' }
  )
  SheetRevisionRow.init(
    {
      sheetId: { type: DataTypes.TEXT, primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      body: json(),
      savedBy: text(),
      note: { ...text(), defaultValue: '' },
      savedAt: moment()
    },
    { ...options, tableName: 'sheet_revisions' }
  )
  VehicleRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: text(),
      note: { ...text(), defaultValue: '' },
      createdAt: moment()
    },
    { ...options, tableName: 'vehicles' }
  )
  JobRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      demo: { type: DataTypes.BOOLEAN, allowNull: false },
      vehicle: text(),
      stand: text(),
      complaint: text(),
      school: text(),
      state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'open' },
      usage: json(),
      corrections: { type: DataTypes.JSON, allowNull: true },
      known: { type: DataTypes.JSON, allowNull: true },
      sheet: json(),
      sheetRevision: { type: DataTypes.INTEGER, allowNull: true },
      sheetMoves: { ...whole(), defaultValue: 0 },
      vehicleId: { type: DataTypes.UUID, allowNull: true },
      summary: { type: DataTypes.JSON, allowNull: true },
      summaryCore: { type: DataTypes.TEXT, allowNull: true },
      summaryError: { type: DataTypes.TEXT, allowNull: true },
      stale: flag(true),
      held: flag(false),
      openedBy: text(),
      openedAt: { type: DataTypes.DATE, allowNull: false }
    },
    { ...options, tableName: 'jobs' }
  )
  ActRow.init(
    {
      seq: { type: DataTypes.BIGINT, autoIncrement: true, unique: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      id: { type: DataTypes.TEXT, primaryKey: true },
      body: json(),
      receivedAt: moment()
    },
    { ...options, tableName: 'acts' }
  )
  ShareRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      jobId: { type: DataTypes.UUID, allowNull: false },
      tokenHash: text(),
      report: json(),
      map: { type: DataTypes.JSON, allowNull: true },
      createdBy: text(),
      createdAt: moment(),
      expiresAt: { type: DataTypes.DATE, allowNull: false },
      revokedAt: { type: DataTypes.DATE, allowNull: true }
    },
    { ...options, tableName: 'shares' }
  )
  PhotoRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      jobId: { type: DataTypes.UUID, allowNull: false },
      width: whole(),
      height: whole(),
      sent: { type: DataTypes.TEXT, allowNull: true },
      body: bytes(),
      thumb: bytes(),
      receivedAt: moment()
    },
    { ...options, tableName: 'photos' }
  )
  PracticeCaseRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      title: text(),
      body: json(),
      createdBy: text(),
      removed: flag(false),
      createdAt: moment()
    },
    { ...options, tableName: 'practice_cases' }
  )
  PracticeRunRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      by: text(),
      caseKey: text(),
      title: text(),
      level: whole(),
      score: whole(),
      moves: json(),
      debriefing: json(),
      finishedAt: moment()
    },
    { ...options, tableName: 'practice_runs' }
  )
}

function text() {
  return { type: DataTypes.TEXT, allowNull: false }
}

/** A new object each time: Sequelize writes the column's name into it. */
function whole() {
  return { type: DataTypes.INTEGER, allowNull: false }
}

function flag(value: boolean) {
  return { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: value }
}

function moment() {
  return { type: DataTypes.DATE, defaultValue: DataTypes.NOW }
}

function bytes() {
  return { type: DataTypes.BLOB, allowNull: false }
}

function json() {
  return { type: DataTypes.JSON, allowNull: false }
}
