import { NINETY } from '../../math'
import { type CamTrace, type Trace, traceAgain } from '../../trace'
import type { Act, JobRecord, TraceRead } from '../../record'
import { compileSheet, type DriveSheet, type LimitValue } from '../../sheet'

/** A cam's lag as a trace showed it, crank degrees: its value and the ends of its 90 % interval. */
export interface TracedLag {
  value: number
  low: number
  high: number
  from: TraceRead
  /** The act that keeps it. */
  act: string
}

/** What traces showed of a cam: of the drive as it was found, and of the rebuilt one. */
export interface TracedCam {
  cam: string
  before: TracedLag | null
  after: TracedLag | null
  limit: LimitValue | null
}

/** Cams of which a trace was kept, in the order of the sheet; of several traces the last one stands. */
export function tracedCamsOf(sheet: DriveSheet, record: JobRecord, acts: readonly Act[]): TracedCam[] {
  const parts = compileSheet(sheet)
  return sheet.sprockets.flatMap(({ id }) => {
    const [before, after] = (['read', 'rebuilt'] as const).map((type) => lastOf(type, id, record, acts)) as [
      TracedLag | null,
      TracedLag | null
    ]
    return before || after ? [{ cam: id, before, after, limit: parts.limit('camLag', id) }] : []
  })
}

function lastOf(
  type: 'read' | 'rebuilt',
  cam: string,
  { undone, superseded }: JobRecord,
  acts: readonly Act[]
): TracedLag | null {
  for (const act of [...acts].reverse()) {
    if (act.type !== type || !act.trace || undone.has(act.id) || superseded.has(act.id)) continue
    const { reading } = act
    if (reading.kind !== 'camLag' || reading.sprocket !== cam) continue
    const within = NINETY * (reading.sigma ?? 0)
    return {
      value: reading.value,
      low: reading.value - within,
      high: reading.value + within,
      from: act.trace,
      act: act.id
    }
  }
  return null
}

/** What the latest kept trace says of the waver along the chain that drives a cam, where it says it. */
export function waverReadAt(
  sheet: DriveSheet,
  record: JobRecord,
  acts: readonly Act[],
  cam: string
): CamTrace['waver'] {
  const of = tracedCamsOf(sheet, record, acts).find((one) => one.cam === cam)
  const waver = (of?.after ?? of?.before)?.from.waver
  return waver?.phase === undefined ? null : { ...waver, phase: waver.phase }
}

/** The trace that a reading was kept from, with the other cams kept from it, as far as it can be drawn again. */
export function traceKeptWith(id: string, acts: readonly Act[]): Trace | null {
  const of = acts.find((act) => act.id === id)
  if (!of || (of.type !== 'read' && of.type !== 'rebuilt') || !of.trace) return null
  const { hash } = of.trace
  const cams = acts.flatMap((act) => {
    if (act.type !== of.type || !act.trace?.shown || act.trace.hash !== hash) return []
    const { reading, trace } = act
    return reading.kind === 'camLag'
      ? [[reading.sprocket, { ...trace, lag: reading.value, shown: trace.shown! }] as const]
      : []
  })
  return traceAgain(Object.fromEntries(cams))
}
