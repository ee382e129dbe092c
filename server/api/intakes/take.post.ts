import { signedBy } from '../../access/author'
import { heavily } from '../../heavy/heavily'
import { readFile, takingAsked } from '../../intake/asked'
import { takeIntake } from '../../store/intakes'
import { route } from '../../utils/route'
import { tellLines } from '../../utils/telling'

/** Takes a file in, telling how far it is. */
export default route(async (event) => {
  const { by, ...asked } = takingAsked(event)
  const name = await signedBy(event, by)
  const bytes = await readFile(event)
  const { columns } = await heavily('long', 'lookAtTable', bytes)
  const headings = columns.map(({ heading }) => heading)
  await tellLines(event, (telling) => takeIntake(bytes, { ...asked, ...telling, by: name, headings }))
})
