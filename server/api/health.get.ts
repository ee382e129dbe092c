import { told } from '../../words/problems'
import { useDb } from '../db/connection'
import { Problem } from '../utils/problem'
import { route } from '../utils/route'

export default route(async () => {
  try {
    await (await useDb()).query('select 1')
  } catch (cause) {
    throw new Problem('not-ready', told('database-silent'), [], { cause })
  }
  return { ok: true, app: 'umbrette' }
})
