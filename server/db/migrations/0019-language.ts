import type { Migration } from './types'

/** What a customer's papers are written in; empty: as the workshop's. */
export const customersLanguage: Migration = {
  name: '0019-language',
  async up({ schema, transaction }) {
    await schema.sequelize.query(`alter table customers add column language text not null default ''`, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.sequelize.query('alter table customers drop column language', { transaction })
  }
}
