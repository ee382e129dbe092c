import type { Mailed } from '../models'
import { run } from './select'

/** Notes to whom a link was sent, beside what others may note meanwhile. */
export async function noteMailed(id: string, mailed: Mailed): Promise<void> {
  await run('update shares set mailed = (mailed::jsonb || $2::jsonb)::json where id = $1', [
    id,
    JSON.stringify([mailed])
  ])
}
