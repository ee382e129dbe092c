import { partKindOf } from '../../sheet'
import { type Fault, id, listOf, needed } from '../../check'
import type { ActPlace } from './define'
import { faultAt } from '../says'

/** What makes an act of a part none: the drive has no such part. */
export function partFaults({ part }: { part: string }, { sheet, at }: ActPlace): Fault[] {
  return partKindOf(sheet, part) ? [] : [faultAt(at('part'), 'no-part', { id: part })]
}

/** The components that are renewed. */
export const renewedParts = () => listOf(id().required(needed), 64).required(needed)

/** The same for components that are renewed. */
export function renewFaults({ renew }: { renew: readonly string[] }, { sheet, at }: ActPlace): Fault[] {
  return renew.filter((part) => !partKindOf(sheet, part)).map((part) => faultAt(at('renew'), 'no-part', { id: part }))
}
