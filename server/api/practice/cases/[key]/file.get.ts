import { setResponseHeader } from 'h3'
import { fileName } from '../../../../pdf/fileName'
import { practiceCase } from '../../../../store/practice'
import { readParam, route } from '../../../../utils/route'

export default route(async (event) => {
  const engine = await practiceCase(readParam(event, 'key'))
  setResponseHeader(event, 'Content-Type', 'application/json')
  setResponseHeader(
    event,
    'Content-Disposition',
    `attachment; filename="${fileName(engine.title)}.umbrette-practice.json"`
  )
  return JSON.stringify(engine, null, 1)
})
