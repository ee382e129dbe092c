import { getQuery, type H3Event } from 'h3'
import { needed, oneOf, sayOfCheck, shape, text, words } from '../../core/check'
import { HISTORY_FIELDS, type HistoryField, type HistoryPlan } from '../../core/views/history'
import { told } from '../../words/problems'
import { checkInput, readBytes } from '../utils/route'

/** Greatest file of older records. */
const LIMIT = 24 * 1024 * 1024

export const readFile = (event: H3Event): Promise<Buffer> => readBytes(event, LIMIT)

const FIELD_LIST = /^[a-zA-Z,]*$/

/** What each column is: names of fields with commas between, an empty one for a column that is left out. */
const asked = {
  fields: text(2000)
    .defined(needed)
    .matches(FIELD_LIST, { message: told('intake-not-asked') }),
  unit: oneOf('km', 'mi', 'h').required(needed),
  days: oneOf('day-first', 'month-first').required(needed)
}
const schema = shape(asked).required(sayOfCheck('object'))
const taking = shape({
  ...asked,
  name: words(200),
  by: text(80),
  rows: oneOf('all', 'good').required(needed)
}).required(sayOfCheck('object'))

export function planAsked(event: H3Event): HistoryPlan {
  return planOf(checkInput(schema, getQuery(event), told('intake-not-asked')))
}

export function takingAsked(event: H3Event): { plan: HistoryPlan; name: string; by: string; without: boolean } {
  const { name, by = '', rows, ...plan } = checkInput(taking, getQuery(event), told('intake-not-asked'))
  return { plan: planOf(plan), name, by, without: rows === 'good' }
}

function planOf({ fields, unit, days }: { fields: string; unit: HistoryPlan['unit']; days: string }): HistoryPlan {
  const known = (field: string) => (HISTORY_FIELDS as readonly string[]).includes(field)
  return {
    fields: fields.split(',').map((field) => (known(field) ? (field as HistoryField) : null)),
    unit,
    dayFirst: days === 'day-first'
  }
}
