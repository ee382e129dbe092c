import { DataTypes, Model, type ModelAttributeColumnOptions, type ModelStatic, type Sequelize } from 'sequelize'

/** A column: how it is kept, and in its type alone what comes back from it and whether a new row may leave it out. */
export interface Column<Value, Optional extends boolean> {
  readonly kept: ModelAttributeColumnOptions
  readonly comesBack?: Value
  readonly optional?: Optional
}

type Columns = Readonly<Record<string, Column<unknown, boolean>>>
type ValueOf<C> = C extends Column<infer Value, boolean> ? Value : never
type Values<C extends Columns> = { -readonly [Name in keyof C]: ValueOf<C[Name]> }
type Optional<C extends Columns> = { [Name in keyof C]: C[Name] extends Column<unknown, true> ? Name : never }[keyof C]
type Created<C extends Columns> = Omit<Values<C>, Optional<C>> & Partial<Pick<Values<C>, Optional<C>>>

/** A row of a table with these columns. */
export type Row<C extends Columns> = Model<Values<C>, Created<C>> & Values<C>

/** A row of a table that was defined. */
export type RowOf<Table> = Table extends ModelStatic<infer M> ? M : never

const tables: ((sequelize: Sequelize) => void)[] = []

/** Defines a table; its names in the database are those of the columns, with underscores. */
export function table<C extends Columns>(tableName: string, columns: C): ModelStatic<Row<C>> {
  const Table = class extends Model {}
  tables.push((sequelize) => {
    // New objects each time: Sequelize writes the column's name into them.
    const kept = Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, { ...column.kept }]))
    Table.init(kept, { sequelize, underscored: true, timestamps: false, tableName, modelName: tableName })
  })
  return Table as unknown as ModelStatic<Row<C>>
}

let connection: Sequelize | null = null

/** The connection that the tables are bound to. @throws Error before there is one */
export function bound(): Sequelize {
  if (!connection) throw new Error('expected a connection')
  return connection
}

/** Binds every table to a connection. */
export function bindTables(sequelize: Sequelize): void {
  connection = sequelize
  for (const bind of tables) bind(sequelize)
}

export function text<T extends string = string>(): Column<T, false> {
  return { kept: { type: DataTypes.TEXT, allowNull: false } }
}

export function uuid(): Column<string, false> {
  return { kept: { type: DataTypes.UUID, allowNull: false } }
}

export function whole(): Column<number, false> {
  return { kept: { type: DataTypes.INTEGER, allowNull: false } }
}

/** Numbered by the database as rows come. */
export function serial(): Column<number, true> {
  return { kept: { type: DataTypes.INTEGER, autoIncrement: true } }
}

/** A number that rows take in the order they come in: a bigint, which the database's client gives as text. */
export function place(): Column<string, true> {
  return { kept: { type: DataTypes.BIGINT, autoIncrement: true, unique: true } }
}

/** A number that need not be whole. */
export function real(): Column<number, false> {
  return { kept: { type: DataTypes.DOUBLE, allowNull: false } }
}

export function flag(): Column<boolean, false> {
  return { kept: { type: DataTypes.BOOLEAN, allowNull: false } }
}

export function time(): Column<Date, false> {
  return { kept: { type: DataTypes.DATE, allowNull: false } }
}

/** When the row was made. */
export function now(): Column<Date, true> {
  return { kept: { type: DataTypes.DATE, defaultValue: DataTypes.NOW } }
}

export function bytes(): Column<Buffer, false> {
  return { kept: { type: DataTypes.BLOB, allowNull: false } }
}

/** JSON, not JSONB: a file comes back with its keys in the order it came in. */
export function json<T>(): Column<T, false> {
  return { kept: { type: DataTypes.JSON, allowNull: false } }
}

/** What a row is known by, alone or with others. */
export function key<T, O extends boolean>({ kept }: Column<T, O>): Column<T, O> {
  return { kept: { ...kept, primaryKey: true } }
}

export function orNull<T>({ kept }: Column<T, boolean>): Column<T | null, true> {
  return { kept: { ...kept, allowNull: true } }
}

export function or<T extends string | number | boolean>({ kept }: Column<T, boolean>, value: T): Column<T, true> {
  return { kept: { ...kept, defaultValue: value } }
}

/** A column that the database fills where a new row leaves it out. */
export function made<T>({ kept: { type } }: Column<T, boolean>): Column<T, true> {
  return { kept: { type } }
}
