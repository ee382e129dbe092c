import { signedBy } from '../../access/author'
import { heavily } from '../../heavy/heavily'
import { told } from '../../../words/problems'
import { readFile, takingAsked } from '../../intake/asked'
import { takeIntake } from '../../store/intakes'
import { log } from '../../utils/log'
import { Problem } from '../../utils/problem'
import { route } from '../../utils/route'

/** Takes a file in, telling how far it is a line at a time; the last line is what it came to, or why it did not. */
export default route(async (event) => {
  const { by, ...asked } = takingAsked(event)
  const name = await signedBy(event, by)
  const bytes = await readFile(event)
  const { columns } = await heavily('long', 'lookAtTable', bytes)
  const { res } = event.node
  let begun = false
  const tell = (line: object) => {
    if (!begun) res.writeHead(200, { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' })
    begun = true
    if (!res.writableEnded) res.write(`${JSON.stringify(line)}\n`)
  }
  try {
    const taken = await takeIntake(bytes, {
      ...asked,
      by: name,
      headings: columns.map(({ heading }) => heading),
      progress: (done, all) => tell({ done, all }),
      gone: () => res.destroyed || res.closed
    })
    tell({ taken })
  } catch (error) {
    if (!begun) throw error
    const problem = error instanceof Problem ? error : new Problem('internal', told('internal'), [], { cause: error })
    if (problem.status >= 500) log.error({ err: error }, 'an intake broke off')
    tell(problem.body())
  }
  res.end()
})
