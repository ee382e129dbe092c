import { DataTypes, Model, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize'
import type { Act, JobState } from '../../core/job/acts'
import type { Corrections, EarlierKnown, School, Usage } from '../../core/job/types'
import type { DriveSheet } from '../../core/sheet/types'

export class PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  declare id: CreationOptional<number>
  declare name: string
}

export class SheetRow extends Model<InferAttributes<SheetRow>, InferCreationAttributes<SheetRow>> {
  declare id: string
  declare name: string
  declare body: DriveSheet
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
  declare openedBy: string
  declare openedAt: Date
}

export class ActRow extends Model<InferAttributes<ActRow>, InferCreationAttributes<ActRow>> {
  declare seq: CreationOptional<number>
  declare jobId: string
  declare id: string
  declare body: Act
  declare receivedAt: CreationOptional<Date>
}

export class PhotoRow extends Model<InferAttributes<PhotoRow>, InferCreationAttributes<PhotoRow>> {
  declare id: string
  declare jobId: string
  declare width: number
  declare height: number
  declare body: Buffer
  declare thumb: Buffer
  declare receivedAt: CreationOptional<Date>
}

/** Binds the models to a connection. Bodies are JSON, not JSONB: a file comes back with its keys in the order it came in. */
export function defineModels(sequelize: Sequelize): void {
  const options = { sequelize, underscored: true, timestamps: false }
  PersonRow.init({ id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true }, name: text() }, { ...options, tableName: 'people' })
  SheetRow.init({ id: { type: DataTypes.TEXT, primaryKey: true }, name: text(), body: json() }, { ...options, tableName: 'sheets' })
  JobRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      demo: { type: DataTypes.BOOLEAN, allowNull: false },
      vehicle: text(), stand: text(), complaint: text(), school: text(), state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'open' },
      usage: json(), corrections: { type: DataTypes.JSON, allowNull: true }, known: { type: DataTypes.JSON, allowNull: true }, sheet: json(),
      openedBy: text(), openedAt: { type: DataTypes.DATE, allowNull: false }
    },
    { ...options, tableName: 'jobs' }
  )
  ActRow.init(
    {
      seq: { type: DataTypes.BIGINT, autoIncrement: true, unique: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      id: { type: DataTypes.TEXT, primaryKey: true },
      body: json(),
      receivedAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW }
    },
    { ...options, tableName: 'acts' }
  )
  PhotoRow.init(
    { id: { type: DataTypes.UUID, primaryKey: true }, jobId: { type: DataTypes.UUID, allowNull: false }, width: whole(), height: whole(), body: bytes(), thumb: bytes(), receivedAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW } },
    { ...options, tableName: 'photos' }
  )
}

function text() {
  return { type: DataTypes.TEXT, allowNull: false }
}

/** A new object each time: Sequelize writes the column's name into it. */
function whole() {
  return { type: DataTypes.INTEGER, allowNull: false }
}

function bytes() {
  return { type: DataTypes.BLOB, allowNull: false }
}

function json() {
  return { type: DataTypes.JSON, allowNull: false }
}
