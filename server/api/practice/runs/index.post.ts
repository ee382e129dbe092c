import { told } from '../../../../words/problems'
import { mixed } from 'yup'
import { needed, sayOfCheck, shape, text, words, uuid } from '../../../../core/check'
import { signedBy } from '../../../access/author'
import { finishRun } from '../../../store/practice'
import { checkInput, readJson, route } from '../../../utils/route'

const schema = shape({
  id: uuid().required(needed),
  by: words(80, told('who-practised')),
  case: text(64).required(needed),
  moves: mixed().required(needed)
}).required(sayOfCheck('object'))

/** Moves of a long case come to some hundred kB. */
const LIMIT = 1024 * 1024

export default route(async (event) => {
  const { id, by, case: key, moves } = checkInput(schema, await readJson(event, LIMIT), told('run-not-taken'))
  return finishRun(id, await signedBy(event, by), key, moves)
})
