import { goodTracesFor } from '../../../store/goodTraces'
import { readParam, route } from '../../../utils/route'

export default route((event) => goodTracesFor(readParam(event, 'id')))
