import { useDb } from '../db/connection'
import { offerTasks } from '../heavy/heavily'
import { TASKS } from '../heavy/tasks'
import { keepSummaries } from '../store/summaries'
import { workshopFacts } from '../store/workshop'

/** Migrates at start rather than at the first request; Nitro does not wait for it, the routes do. */
export default defineNitroPlugin(() => {
  offerTasks(TASKS)
  useDb().then(
    async () => {
      await workshopFacts()
      await keepSummaries()
    },
    () => undefined
  )
})
