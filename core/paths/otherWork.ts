import type { JobFile, OtherWork } from '../readings'
import { accessTo } from './access'
import { priceJob } from './pricing'

/** What other work costs beside a path, against doing it by itself later. */
export interface OtherWorkCost {
  id: string
  name: string
  /** Hours with the path's access already paid, and by itself. */
  now: { hours: number; price: number }
  later: { hours: number; price: number }
}

/**
 * Other work that shares the access (a water pump, a head gasket, seals): its own hours with what of its access the
 * path does not open, against all of its access later. Prices with its parts, at the job's rate.
 * @param operations that the path does
 */
export function otherWorkBeside(
  asRead: JobFile,
  works: readonly OtherWork[],
  operations: readonly string[],
  hourRate: number
): OtherWorkCost[] {
  const { drive } = priceJob(asRead)
  const opened = new Set(operations)
  return works.map(({ id, name, hours, price = 0, needs = [] }) => {
    const access = accessTo(drive.operations ?? [], needs)
    const sum = (list: readonly { hours: number }[]) => list.reduce((total, one) => total + one.hours, hours)
    const [now, later] = [sum(access.filter((one) => !opened.has(one.id))), sum(access)]
    return {
      id,
      name,
      now: { hours: now, price: now * hourRate + price },
      later: { hours: later, price: later * hourRate + price }
    }
  })
}
