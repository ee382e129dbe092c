import { getRouterParam, setResponseHeader } from 'h3'
import { fileName } from '../../../../pdf/sendReport'
import { practiceCase } from '../../../../store/practice'
import { route } from '../../../../utils/route'

export default route(async (event) => {
  const engine = await practiceCase(getRouterParam(event, 'key')!)
  setResponseHeader(event, 'Content-Type', 'application/json')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(engine.title)}.umbrette-practice.json"`)
  return JSON.stringify(engine, null, 1)
})
