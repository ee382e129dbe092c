import { KEEP_ACT } from './0009-keep-act'
import type { Migration } from './types'

/** Columns of JSON that people's text stands in. */
const TEXTS = [
  ['acts', 'body'],
  ['jobs', 'sheet'],
  ['jobs', 'known'],
  ['jobs', 'corrections'],
  ['sheets', 'body'],
  ['sheet_revisions', 'body'],
  ['shares', 'report'],
  ['practice_cases', 'body'],
  ['practice_runs', 'moves'],
  ['practice_runs', 'debriefing']
] as const

/** An escaped NUL that no backslash before it takes away. */
const NUL = String.raw`(?<!\\)((?:\\\\)*)\\u0000`
/** Half of a pair of surrogates, before or after which the other half is missing. */
const HALF = String.raw`(?<!\\)((?:\\\\)*)(?:\\u[dD][89abAB][0-9a-fA-F]{2}(?!\\u[dD][c-fC-F])|(?<!\\u[dD][89abAB][0-9a-fA-F]{2})\\u[dD][c-fC-F][0-9a-fA-F]{2})`

/**
 * One bad record hurts only itself: text that no list could read again is made readable, a job whose summary cannot be
 * made says so, an act that comes tells its place and is refused where a job is full, and a fill of the database has a
 * name.
 */
export const unharmed: Migration = {
  name: '0010-unharmed',
  async up({ schema, transaction }) {
    const run = (statement: string, replacements?: Record<string, unknown>) =>
      schema.sequelize.query(statement, { transaction, ...(replacements ? { replacements } : {}) })
    for (const [table, column] of TEXTS) {
      for (const unfit of [NUL, HALF]) {
        await run(
          `update ${table} set ${column} = regexp_replace(${column}::text, :unfit, :replaced, 'g')::json where ${column}::text ~ '\\\\u(0000|[dD][89abcdefABCDEF])' and ${column}::text ~ :unfit`,
          { unfit, replaced: String.raw`\1\\ufffd` }
        )
      }
    }
    await run('alter table jobs add column summary_error text')
    // A picture that is sent again under its id is known by what was sent.
    await run('alter table photos add column sent text')
    await run('create index jobs_queue on jobs (id) where stale')
    // Names that differ in capitals alone are one person's; the first stays.
    await run('delete from people p using people q where lower(p.name) = lower(q.name) and p.id > q.id')
    await run('create unique index people_name on people (lower(name))')
    await run(
      "insert into settings (key, value) values ('generation', to_json(gen_random_uuid()::text)) on conflict (key) do nothing"
    )
    await run('drop function keep_act')
    await run(keepActWith())
  },
  async down({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    await run('drop function keep_act')
    await run(KEEP_ACT)
    await run("delete from settings where key = 'generation'")
    await run('drop index people_name')
    await run('drop index jobs_queue')
    await run('alter table photos drop column sent')
    await run('alter table jobs drop column summary_error')
  }
}

/** Keeping an act, and with it in a column more what is kept beside it: its name, type and column. */
export function keepActWith(beside?: { name: string; type: string; column: string }): string {
  const argument = beside ? `, ${beside.name} ${beside.type}` : ''
  const [column, value] = beside ? [`, ${beside.column}`, `, ${beside.name}`] : ['', '']
  return `create function keep_act(job uuid, moves integer, fill text, act text, entry json, channel text, most integer${argument}) returns bigint language plpgsql as $$
  declare
    was_stale boolean;
    place bigint;
  begin
    select stale into was_stale from jobs where id = job and sheet_moves = moves for key share;
    if not found then return null; end if;
    if fill is distinct from (select value #>> '{}' from settings where key = 'generation') then return null; end if;
    insert into acts (job_id, id, body${column}) values (job, act, entry${value}) on conflict (job_id, id) do nothing returning seq into place;
    if place is null then return null; end if;
    -- Places are given out once each: a job whose first act lies nearer cannot hold more, and need not be counted.
    if place - (select min(seq) from acts where job_id = job) >= most then
      if (select count(*) from (select 1 from acts where job_id = job limit most + 1) held) > most then
        raise exception 'a job holds at most % acts', most using errcode = 'UM001';
      end if;
    end if;
    if not was_stale then update jobs set stale = true where id = job; end if;
    perform pg_notify(channel, job::text || ' ' || place::text);
    return place;
  end $$`
}
