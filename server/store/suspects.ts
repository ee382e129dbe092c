import { NO_OWN_SUSPECTS, type OwnSuspects } from '../../core/views/suspects'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { SUSPECTS_KEY } from '../db/settingKeys'

/** What the workshop holds of suspects otherwise than the table that ships. */
export async function ownSuspects(): Promise<OwnSuspects> {
  await useDb()
  return ((await SettingRow.findByPk(SUSPECTS_KEY))?.value ?? NO_OWN_SUSPECTS) as OwnSuspects
}

/** Takes the place of what was held before. */
export async function keepOwnSuspects(own: OwnSuspects): Promise<void> {
  await useDb()
  await SettingRow.upsert({ key: SUSPECTS_KEY, value: own })
}
