import { heavily } from '../../../heavy/heavily'
import { named, route } from '../../../utils/route'

/** What holds a job's engine, and so keeps the job from being closed. */
export default route(async (event) => heavily('asked', 'holdsOf', named(event, 'id')))
