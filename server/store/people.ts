import { useDb } from '../db/connection'
import { PersonRow } from '../db/models'

/** First names of who works here, in alphabetical order. */
export async function listPeople(): Promise<string[]> {
  await useDb()
  return (await PersonRow.findAll({ order: [['name', 'ASC']] })).map(({ name }) => name)
}

/** Adds a name; one that is known already stays as it is. */
export async function addPerson(name: string): Promise<string[]> {
  await useDb()
  await PersonRow.findOrCreate({ where: { name } })
  return listPeople()
}
