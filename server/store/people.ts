import { QueryTypes } from 'sequelize'
import { useDb } from '../db/connection'
import { PersonRow } from '../db/models'

/** First names of who works here, in alphabetical order. */
export async function listPeople(): Promise<string[]> {
  await useDb()
  return (await PersonRow.findAll({ order: [['name', 'ASC']] })).map(({ name }) => name)
}

/**
 * Adds a name; one that is known already, however it is spelt in capitals, stays as it is. @returns everybody, and the
 * name as it is kept
 */
export async function addPerson(name: string): Promise<{ people: string[]; name: string }> {
  const db = await useDb()
  const [row] = await db.query<{ name: string }>(
    'insert into people (name) values ($1) on conflict ((lower(name))) do update set name = people.name returning name',
    { bind: [name], type: QueryTypes.SELECT }
  )
  return { people: await listPeople(), name: row!.name }
}
