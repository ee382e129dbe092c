import { select, selectOne } from './select'

/** The person of a name, however it is spelt in capitals, as they are kept; a new one where there is none. */
export async function personNamed(spelt: string): Promise<string> {
  const { name } = await selectOne<{ name: string }>(
    `insert into people (name) values ($1)
     on conflict ((lower(name))) do update set name = people.name returning name`,
    [spelt]
  )
  return name
}

/** Is a name somebody else's, or was it once? A known name added again is that person. */
export async function nameTaken(name: string, id: number): Promise<boolean> {
  const taken = await select(
    `select 1 from people p where p.id <> $2 and (
       ($2 <> 0 and lower(p.name) = lower($1))
       or exists (select 1 from json_array_elements_text(p.former) was where lower(was) = lower($1)))`,
    [name, id]
  )
  return taken.length > 0
}
