import { setResponseHeader } from 'h3'
import { fileName } from '../../../../pdf/fileName'
import { practiceCase } from '../../../../store/practice'
import { asJson, readParam, route } from '../../../../utils/route'

export default route(async (event) => {
  const engine = await practiceCase(readParam(event, 'key'))
  setResponseHeader(
    event,
    'Content-Disposition',
    `attachment; filename="${fileName(engine.title)}.umbrette-practice.json"`
  )
  return asJson(event, JSON.stringify(engine, null, 1))
})
