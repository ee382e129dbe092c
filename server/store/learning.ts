import { learnFrom, type Learnt, type OwnPriors } from '../../core/views/learn'
import { useDb } from '../db/connection'
import { finishedSheets, summarisedJobs } from '../db/queries/jobs'
import { heavily } from '../heavy/heavily'
import { takenIn, type TakenIn } from './learntFiles'
import { ownPriors, relearn } from './ownPriors'
import { pastToLearnFrom } from './past'
import { wearLeft } from './wearLeft'

/** Jobs learnt from at the most, the newest. */
const MOST = 5000

/** Types of engine that are shown at the most. */
const MOST_TYPES = 200

/** What the workshop's jobs teach, and what it believes of each type of engine by them. */
export type WorkshopLearnt = Learnt & { own: OwnPriors[]; takenIn: TakenIn[] }

/**
 * What the workshop's jobs teach; deleted ones, and those of which nothing could be computed, teach nothing.
 * @param whose own errors are told: nobody else's; null for everybody's
 */
export async function workshopLearnt(whose: readonly string[] | null): Promise<WorkshopLearnt> {
  const learnt = await heavily('asked', 'learntNow')
  return {
    ...learnt,
    own: learnt.own.map((own) => ({
      ...own,
      people: own.people.filter(({ by }) => whose === null || whose.includes(by))
    }))
  }
}

export async function learntNow(): Promise<WorkshopLearnt> {
  await useDb()
  const rows = await summarisedJobs(MOST)
  const sheets = await finishedSheets(MOST_TYPES)
  const own: OwnPriors[] = []
  for (const sheet of sheets) {
    const known = (await ownPriors(sheet)) ?? (await relearn(sheet))
    if (known) own.push(known)
  }
  const past = await pastToLearnFrom(MOST)
  const learnt = learnFrom([
    ...past,
    ...(await wearLeft(MOST)),
    ...rows.map(({ vehicle, vehicleId, usage, openedAt, state, summary }) => ({
      vehicle,
      vehicleId,
      usage: summary.usage ?? usage,
      openedAt: openedAt.toISOString(),
      closed: state === 'closed' || state === 'archived',
      summary
    }))
  ])
  return {
    ...learnt,
    own: own.sort((a, b) => a.sheet.name.localeCompare(b.sheet.name)),
    takenIn: await takenIn()
  }
}
