import type { Migration } from './types'

/** Good traces are found among the acts of all jobs. */
export const goodTraces: Migration = {
  name: '0018-good-traces',
  async up({ schema, transaction }) {
    await schema.sequelize.query(
      `create index acts_good_traces on acts (seq desc) where body ->> 'type' = 'goodTrace'`,
      { transaction }
    )
  },
  async down({ schema, transaction }) {
    await schema.sequelize.query('drop index acts_good_traces', { transaction })
  }
}
