import { partKindOf } from '../../sheet'
import type { Fault } from '../../check'
import type { ActPlace } from './define'

/** What makes an act of a part none: the drive has no such part. */
export function partFaults({ part }: { part: string }, { sheet, at }: ActPlace): Fault[] {
  return partKindOf(sheet, part) ? [] : [{ place: at('part'), message: `"${part}" is no part of this drive` }]
}

/** The same for components that are renewed. */
export function renewFaults({ renew }: { renew: readonly string[] }, { sheet, at }: ActPlace): Fault[] {
  return renew.filter((part) => !partKindOf(sheet, part)).map((part) => ({ place: at('renew'), message: `"${part}" is no part of this drive` }))
}
