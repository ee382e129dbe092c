import { QueryTypes } from 'sequelize'
import { type Act, refreshSignoffs } from '../../../core/record'
import type { KeptJob } from '../../../core/record'
import type { Debriefing } from '../../../core/views/practice'
import { downgradeDebriefing, isOldDebriefing, type OldDebriefing, upgradeDebriefing } from '../upgrades/debriefings'
import { withOldSignoffs } from '../upgrades/signoffs'
import type { Migration, MigrationStep } from './types'

type SignedJob = Pick<KeptJob, 'sheet' | 'usage' | 'school' | 'corrections' | 'known'> & { id: string }

/**
 * What is signed and told is kept as codes with their figures, readings by their ids: sentences of the version before
 * are kept whole where nothing comes to the same today.
 */
export const codes: Migration = {
  name: '0011-codes',
  async up(step) {
    await changeActs(step, refreshSignoffs)
    await changeDebriefings(step, (debriefing) =>
      isOldDebriefing(debriefing) ? upgradeDebriefing(debriefing) : debriefing
    )
  },
  async down(step) {
    await changeActs(step, ({ sheet }, acts) => withOldSignoffs(sheet, acts as Act[]))
    await changeDebriefings(step, (debriefing) =>
      isOldDebriefing(debriefing) ? debriefing : downgradeDebriefing(debriefing)
    )
  }
}

/** Writes anew the sign-offs of each job that has any. */
async function changeActs(
  { schema: { sequelize }, transaction }: MigrationStep,
  change: (job: SignedJob, acts: readonly unknown[]) => unknown[]
): Promise<void> {
  const jobs = await sequelize.query<SignedJob>(
    "select id, sheet, usage, school, corrections, known from jobs j where exists (select 1 from acts where job_id = j.id and body ->> 'type' = 'signoff')",
    { type: QueryTypes.SELECT, transaction }
  )
  for (const job of jobs) {
    const rows = await sequelize.query<{ id: string; body: { type: string } }>(
      'select id, body from acts where job_id = :id order by seq',
      { replacements: { id: job.id }, type: QueryTypes.SELECT, transaction }
    )
    const changed = change(
      job,
      rows.map(({ body }) => body)
    )
    for (const [i, { id, body }] of rows.entries()) {
      if (body.type === 'signoff')
        await sequelize.query('update acts set body = cast(:body as json) where job_id = :job and id = :id', {
          replacements: { body: JSON.stringify(changed[i]), job: job.id, id },
          transaction
        })
    }
  }
}

async function changeDebriefings(
  { schema: { sequelize }, transaction }: MigrationStep,
  change: (debriefing: Debriefing | OldDebriefing) => unknown
): Promise<void> {
  const runs = await sequelize.query<{ id: string; debriefing: Debriefing | OldDebriefing }>(
    'select id, debriefing from practice_runs',
    { type: QueryTypes.SELECT, transaction }
  )
  for (const { id, debriefing } of runs)
    await sequelize.query('update practice_runs set debriefing = cast(:debriefing as json) where id = :id', {
      replacements: { debriefing: JSON.stringify(change(debriefing)), id },
      transaction
    })
}
