import { randomUUID } from 'node:crypto'
import { id, needed, shape, words } from '../../../core/check'
import { factFields } from '../../../core/record'
import { schoolSchema, usageSchema } from '../../../core/readings'
import { openJob } from '../../store/opening'
import { checked, readJson, route } from '../../utils/route'

const schema = shape({
  ...factFields, openedBy: words(80, 'choose who is at the bench'),
  sheet: id().required(needed), usage: usageSchema, school: schoolSchema
}).required('expected a job')

export default route(async (event) => {
  const { vehicle, stand = '', complaint = '', openedBy, sheet, usage, school } = checked(schema, await readJson(event), 'The job is not complete yet.')
  return { id: await openJob(randomUUID(), { vehicle: vehicle.trim(), stand, complaint, openedBy, sheet, usage, school }) }
})
