import { setResponseHeader } from 'h3'
import { writeArchive } from '../../archive/write'
import { fileName } from '../../pdf/fileName'
import { workshopFacts } from '../../store/workshop'
import { route } from '../../utils/route'

/** The whole workshop as open files. */
export default route(async (event) => {
  const day = new Date().toISOString().slice(0, 10)
  const name = `${fileName((await workshopFacts()).name)}.${day}.umbrette-workshop.zip`
  setResponseHeader(event, 'Content-Type', 'application/zip')
  setResponseHeader(event, 'Cache-Control', 'no-store')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${name}"`)
  const archive = await writeArchive()
  // Who goes away takes the archive with them: it holds a connection to the database.
  const { res } = event.node
  if (res.closed) archive.destroy()
  else res.once('close', () => archive.destroy())
  return archive
})
