import type { Migration } from './types'

export const KEEP_ACT = `create function keep_act(job uuid, moves integer, act text, entry json, channel text) returns bigint language plpgsql as $$
declare
  was_stale boolean;
  place bigint;
begin
  select stale into was_stale from jobs where id = job and sheet_moves = moves for key share;
  if not found then return null; end if;
  insert into acts (job_id, id, body) values (job, act, entry) on conflict (job_id, id) do nothing returning seq into place;
  if place is null then return null; end if;
  if not was_stale then update jobs set stale = true where id = job; end if;
  perform pg_notify(channel, job::text);
  return place;
end $$`

/**
 * Keeps an act where the job still stands under the sheet that the act was checked with, marks the job's summary stale
 * and tells every server; gives the act's place, or null where nothing was kept. In the database, as it plans its
 * statements once there, which halves the work of a save. The lock on the job lets a change of sheet, or a summary
 * being made, finish first.
 */
export const keepAct: Migration = {
  name: '0009-keep-act',
  async up({ schema, transaction }) {
    await schema.sequelize.query(KEEP_ACT, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.sequelize.query('drop function keep_act', { transaction })
  }
}
