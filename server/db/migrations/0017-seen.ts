import type { Migration } from './types'

/**
 * When a vehicle was in last, kept as jobs come and go: thousands of them are listed in that order without looking at
 * every job.
 */
export const seen: Migration = {
  name: '0017-seen',
  async up({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    await run('alter table vehicles add column seen_at timestamptz')
    await run(`update vehicles v set seen_at = j.at
      from (select vehicle_id, max(opened_at) as at from jobs group by vehicle_id) j where j.vehicle_id = v.id`)
    await run(`create function vehicle_seen() returns trigger language plpgsql as $$
      begin
        if tg_op <> 'INSERT' then
          update vehicles set seen_at = (select max(opened_at) from jobs where vehicle_id = old.vehicle_id)
            where id = old.vehicle_id;
        end if;
        if tg_op <> 'DELETE' then
          update vehicles set seen_at = new.opened_at
            where id = new.vehicle_id and (seen_at is null or seen_at < new.opened_at);
        end if;
        return null;
      end $$`)
    await run(`create trigger vehicle_seen after insert or delete or update of vehicle_id, opened_at on jobs
      for each row execute function vehicle_seen()`)
    await run('create index vehicles_seen on vehicles (seen_at desc nulls last, name, id) where removed_at is null')
    await run('create index customers_list on customers (lower(name), id) where removed_at is null')
  },
  async down({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    await run('drop index customers_list')
    await run('drop trigger vehicle_seen on jobs')
    await run('drop function vehicle_seen()')
    await run('drop index vehicles_seen')
    await run('alter table vehicles drop column seen_at')
  }
}
