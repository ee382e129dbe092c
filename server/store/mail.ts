import type { MailSettings } from '../../core/record'
import { useDb } from '../db/connection'
import { SettingRow } from '../db/models'
import { MAIL_KEY } from '../db/settingKeys'

const NONE: MailSettings = { way: 'none', host: '', port: 587, security: 'starttls', user: '', from: '' }

/** How the workshop sends e-mail; the demo by the stand-in, before anything was said. */
export async function mailSettings(): Promise<MailSettings> {
  await useDb()
  const kept = (await SettingRow.findByPk(MAIL_KEY))?.value as MailSettings | undefined
  if (kept) return kept
  return process.env.UMBRETTE_DEMO === '1' ? { ...NONE, way: 'stand-in' } : NONE
}

/** How the workshop sends e-mail, as it is shown: without the password. */
export async function shownMail(): Promise<Omit<MailSettings, 'password'> & { hasPassword: boolean }> {
  const { password, ...shown } = await mailSettings()
  return { ...shown, hasPassword: Boolean(password) }
}

/** Takes the place of what stood before; a password that is not told stays, for the same server. */
export async function keepMail(settings: MailSettings): Promise<void> {
  const before = await mailSettings()
  const same = before.host === settings.host && before.user === settings.user
  const password = settings.password ?? (same ? before.password : undefined)
  await SettingRow.upsert({ key: MAIL_KEY, value: { ...settings, ...(password ? { password } : {}) } })
}
