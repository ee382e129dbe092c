import { heavily } from '../../../heavy/heavily'
import { readParam, route } from '../../../utils/route'

/** What holds a job's engine, and so keeps the job from being closed. */
export default route(async (event) => heavily('asked', 'holdsOf', readParam(event, 'id')))
