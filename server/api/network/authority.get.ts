import { setResponseHeader } from 'h3'
import { told } from '../../../words/problems'
import { read } from '../../network/settings'
import { Problem } from '../../utils/problem'
import { route } from '../../utils/route'

/** The authority's certificate, which a device is told to trust; its key never leaves this machine. */
export default route(async (event) => {
  const authority = read(process.env.UMBRETTE_NETWORK ?? '', 'authority')
  if (!authority) throw new Problem('not-found', told('nothing-here'))
  setResponseHeader(event, 'Content-Type', 'application/x-x509-ca-cert')
  setResponseHeader(event, 'Content-Disposition', 'attachment; filename="umbrette-authority.crt"')
  return authority.certificate
})
