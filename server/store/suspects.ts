import { isDeepStrictEqual } from 'node:util'
import { told } from '../../words/problems'
import { NO_OWN_SUSPECTS, type OwnSuspects } from '../../core/views/suspects'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { lockSetting } from '../db/queries/settings'
import { SUSPECTS_KEY } from '../db/settingKeys'
import { Problem } from '../utils/problem'

/** What the workshop holds of suspects otherwise than the table that ships. */
export async function ownSuspects(): Promise<OwnSuspects> {
  await useDb()
  return ((await SettingRow.findByPk(SUSPECTS_KEY))?.value ?? NO_OWN_SUSPECTS) as OwnSuspects
}

/**
 * Takes the place of what was held before, if that is still what whoever changes it had seen: two who change the table
 * at once do not undo each other.
 * @throws Problem conflict
 */
export async function keepOwnSuspects(own: OwnSuspects, seen: OwnSuspects): Promise<void> {
  const db = await useDb()
  await db.transaction(async (transaction) => {
    await lockSetting(SUSPECTS_KEY, transaction)
    const row = await SettingRow.findByPk(SUSPECTS_KEY, { transaction })
    if (!isDeepStrictEqual(row?.value ?? NO_OWN_SUSPECTS, seen)) throw new Problem('conflict', told('suspects-changed'))
    await SettingRow.upsert({ key: SUSPECTS_KEY, value: own }, { transaction })
  })
}
