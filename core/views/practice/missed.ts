import { BESIDE_KINDS, partKindOf } from '../../sheet'
import { faultOf } from './faults'
import type { JudgedCall } from './scoreStand'
import type { Stand } from './stand'
import type { PracticeCase } from './types'

/** Was a fault passed over, or a trap walked into? */
export function isMissed(engine: PracticeCase, id: string, calls: readonly JudgedCall[], stand: Stand): boolean {
  if (!faultOf(id)?.trap) return struckBy(engine, id, calls).some(({ hit }) => !hit)
  if (id === 'kick-back')
    return stand.readings.some(({ reading, turnedForward }) => reading.kind === 'camLag' && !turnedForward)
  if (id === 'half-turn')
    return stand.readings.some(({ reading }) => reading.kind === 'camLag' && Math.abs(reading.value ?? 0) > HALF_TURN)
  return calls.some(
    ({ part, hit, yours }) =>
      !hit && (yours === 'stop' || yours === 'look-closer') && engine.drive.sprockets.some((s) => s.id === part)
  )
}

/** crank degrees: a cam read later or earlier than any jump makes it was read half a turn away. */
const HALF_TURN = 90

const BESIDE: readonly string[] = BESIDE_KINDS

/** The calls that a fault is behind: of parts that it is seen on, or that its figure condemns. */
function struckBy({ truth, drive }: PracticeCase, id: string, calls: readonly JudgedCall[]): JudgedCall[] {
  const condemned = calls.filter(({ right }) => right !== 'back-in')
  const of = (kinds: readonly string[]) => condemned.filter(({ part }) => kinds.includes(part))
  const ids = (list: readonly { id: string }[]) => list.map((one) => one.id)
  switch (faultOf(id)?.group) {
    case 'stretch':
      return of(ids(drive.chains))
    case 'timing':
      return of([
        ...ids(drive.sprockets).filter((s) => (truth.teeth?.[s] ?? 0) !== 0 || (truth.shift?.[s] ?? 0) !== 0),
        ...truth.findings.filter(({ finding }) => finding === 'seat-worn').map(({ target }) => target)
      ])
    case 'rail':
      return of(ids(drive.rails))
    case 'tensioner':
      return of(ids(drive.tensioners))
    case 'phaser':
      return of(ids(drive.phasers))
    case 'oil':
      return of(['oil'])
    case 'beside':
      return condemned.filter(({ part }) => BESIDE.includes(partKindOf(drive, part) ?? ''))
    default:
      return []
  }
}
