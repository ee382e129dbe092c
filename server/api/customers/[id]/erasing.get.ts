import { planErasure } from '../../../erasing/erase'
import { readParam, route } from '../../../utils/route'

/** What erasing this customer would come to. */
export default route((event) => planErasure(readParam(event, 'id')))
