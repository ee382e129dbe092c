import { selectOne } from './select'

/** The person of a name, however it is spelt in capitals, as they are kept; a new one where there is none. */
export async function personNamed(spelt: string): Promise<string> {
  const { name } = await selectOne<{ name: string }>(
    `insert into people (name) values ($1)
     on conflict ((lower(name))) do update set name = people.name returning name`,
    [spelt]
  )
  return name
}
