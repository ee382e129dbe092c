import { enteredBy } from '../../../access/author'
import { addAct } from '../../../store/acts'
import { relearnFrom } from '../../../store/ownPriors'
import { readParam, readJson, route } from '../../../utils/route'

/** An act may bring a whole drive sheet. */
const LIMIT = 512 * 1024

export default route(async (event) => {
  const kept = await addAct(readParam(event, 'id'), await readJson(event, LIMIT), await enteredBy(event))
  // A job that is finished, or opened again, changes what its type of engine teaches.
  if (kept.act.type === 'state') relearnFrom(readParam(event, 'id'))
  return kept
})
