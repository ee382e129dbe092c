import { told } from '../../../words/problems'
import { randomUUID } from 'node:crypto'
import { id, needed, sayOfCheck, shape, text, words } from '../../../core/check'
import { factFields } from '../../../core/record'
import { schoolSchema, usageSchema } from '../../../core/readings'
import { signedBy } from '../../access/author'
import { openJob } from '../../store/openJob'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({
  ...factFields,
  openedBy: words(80, told('who')),
  sheet: id().required(needed),
  usage: usageSchema,
  school: schoolSchema,
  registration: text(40),
  customer: shape({ name: words(120, told('customer-name')), phone: text(60) })
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const {
    vehicle,
    stand = '',
    complaint = '',
    openedBy,
    sheet,
    usage,
    school,
    registration = '',
    customer
  } = checkInput(schema, await readJson(event), told('job-incomplete'))
  return {
    id: await openJob(randomUUID(), {
      vehicle: vehicle.trim(),
      stand,
      complaint,
      openedBy: await signedBy(event, openedBy),
      sheet,
      usage,
      school,
      arrives: {
        registration: registration.trim(),
        customer: customer ? { name: customer.name.trim(), phone: (customer.phone ?? '').trim() } : null
      }
    })
  }
})
