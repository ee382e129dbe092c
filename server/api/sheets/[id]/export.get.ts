import { getQuery, setResponseHeader } from 'h3'
import { sheetRevision } from '../../../store/sheets'
import { asJson, readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const revision = Number(getQuery(event).revision) || undefined
  const { sheet } = await sheetRevision(readParam(event, 'id'), revision)
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${sheet.id}.umbrette-drive.json"`)
  return asJson(event, JSON.stringify(sheet, null, 1))
})
