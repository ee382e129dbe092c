import type { Migration } from './types'

/** When jobs are looked at again, beside them for a list by date. */
export const checks: Migration = {
  name: '0007-checks',
  async up({ schema, transaction }) {
    await schema.sequelize.query(
      "alter table jobs add column check_date text generated always as (summary #>> '{check,date}') stored",
      { transaction }
    )
    await schema.sequelize.query('create index jobs_check on jobs (check_date) where check_date is not null', {
      transaction
    })
    // Older summaries say nothing of checks.
    await schema.sequelize.query('update jobs set stale = true', { transaction })
  },
  async down({ schema, transaction }) {
    await schema.removeColumn('jobs', 'check_date', { transaction })
  }
}
