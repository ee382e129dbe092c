import { select } from './select'

/** The person of a name, however it is spelt in capitals, as they are kept; a new one where there is none. */
export async function personNamed(name: string): Promise<string> {
  const [row] = await select<{ name: string }>(
    `insert into people (name) values ($1)
     on conflict ((lower(name))) do update set name = people.name returning name`,
    [name]
  )
  return row!.name
}
