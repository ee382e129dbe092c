import { useDb } from '../db/connection'
import { PersonRow } from '../db/models'
import { personNamed } from '../db/queries/people'

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
  await useDb()
  const kept = await personNamed(name)
  return { people: await listPeople(), name: kept }
}
