import { defineEventHandler } from 'h3'
import { isStillIn } from '../access/caller'
import { streamHappened } from '../live/streams'
import { Problem } from '../utils/problem'
import { letIn, refuse } from '../utils/route'

/** What happens to the workshop's jobs, as it happens. */
export default defineEventHandler(async (event) => {
  try {
    await letIn(event)
    await streamHappened(event, () => isStillIn(event))
  } catch (error) {
    if (!(error instanceof Problem)) throw error
    return refuse(event, error)
  }
})
