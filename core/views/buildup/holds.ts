import type { Assessment } from '../../paths'
import type { JobRecord } from '../../record'
import type { DriveSheet } from '../../sheet'
import { partName } from '../../wording'
import { type BuildPlan, COUNTED_ITEMS } from './plan'
import type { Check } from './twoTurns'

/** Something that keeps the engine from being started, what releases it, and who did otherwise. */
export interface Hold {
  id: string
  text: string
  release: string
  /** Who released it by word alone, and why. */
  released: { by: string; at: string; reason: string } | null
}

/** Rules whose calls hold the engine even where they do not say stop. */
const HOLDING_RULES = ['pin-after-loose-phaser']

/**
 * Everything that holds the engine back. A hold goes away when what it waits for is done, or is released by name with a
 * reason, which stays visible.
 */
export function holdsOf(sheet: DriveSheet, record: JobRecord, assessment: Assessment, plan: BuildPlan, checks: readonly Check[]): Hold[] {
  const held: Omit<Hold, 'released'>[] = [...foundHolds(sheet, record, assessment), ...jumpHold(sheet, record, assessment), ...insideHolds(record), ...turnHolds(checks), ...openTasks(record, plan)]
  return held.map((hold) => {
    const act = record.releases.get(hold.id)
    return { ...hold, released: act ? { by: act.by, at: act.at, reason: act.reason } : null }
  })
}

/** What was found at teardown and says stop, until the part it is on is renewed. */
function foundHolds(sheet: DriveSheet, record: JobRecord, { calls }: Assessment): Omit<Hold, 'released'>[] {
  return calls.flatMap(({ part, reasons }) => {
    if (record.tasks.get(`part:${part}:fitted`)?.state === 'done') return []
    const holding = reasons.filter(({ call, rule }) => call === 'stop' || HOLDING_RULES.includes(rule))
    return holding.map(({ rule, text, release }) => ({ id: `${rule}:${part}`, text: `${partName(sheet, part)}: ${text}`, release: release ?? 'Look at it and note what was found.' }))
  })
}

/** Rules whose hold asks for compression or leak-down itself. */
const ASK_COMPRESSION = ['jump', 'compression-low']

/** After a jump on an interference engine valves may have touched. */
function jumpHold(sheet: DriveSheet, { readings }: JobRecord, { cams, calls }: Assessment): Omit<Hold, 'released'>[] {
  const jumped = Object.values(cams).some(({ jump }) => jump.told && jump.teeth !== 0 && jump.odds > 0.5)
  const looked = readings.some(({ finding }) => finding === 'compression-sound' || finding === 'compression-low')
  const said = calls.some(({ reasons }) => reasons.some(({ call, rule }) => call === 'stop' && ASK_COMPRESSION.includes(rule)))
  if (!jumped || !sheet.engine.interference || looked || said) return []
  return [{ id: 'compression:engine', text: 'The chain jumped and valves can meet pistons: they may have touched.', release: 'Compression or leak-down entered at station 3, and sound.' }]
}

function insideHolds({ tasks }: JobRecord): Omit<Hold, 'released'>[] {
  return Object.entries(COUNTED_ITEMS).flatMap(([id, name]) => {
    const [into, out] = [tasks.get(`in:${id}`)?.value, tasks.get(`out:${id}`)?.value]
    if (into === undefined || out === undefined || into === out) return []
    return [{ id: `inside:${id}`, text: `${name}: ${into} went in, ${out} came out.`, release: 'Find what is missing and count again.' }]
  })
}

function turnHolds(checks: readonly Check[]): Omit<Hold, 'released'>[] {
  const differ = checks.filter(({ state }) => state === 'differs')
  const open = checks.filter(({ state, expected }) => state === 'open' && expected.kind !== 'extension')
  return [
    ...(differ.length > 0 ? [{ id: 'two-turns', text: `Marks, counts or extension are not as they should be: ${differ.flatMap(({ means }) => means).join(' ')}`, release: 'Set it again, turn two full turns by hand and read again.' }] : []),
    ...(open.length > 0 ? [{ id: 'two-turns-open', text: `After two full turns by hand ${open.length} of ${checks.length} ${open.length === 1 ? 'line is' : 'lines are'} not read yet.`, release: 'Turn the crank two full turns by hand and read marks and counts again.' }] : [])
  ]
}

function openTasks({ tasks }: JobRecord, { groups }: BuildPlan): Omit<Hold, 'released'>[] {
  const open = groups.flatMap((group) => group.tasks).filter(({ id, must }) => must && tasks.get(id)?.state !== 'done')
  return open.length > 0 ? [{ id: 'tasks', text: `${open.length} ${open.length === 1 ? 'step is' : 'steps are'} open: ${open.slice(0, 3).map(({ text }) => text.toLowerCase()).join('; ')}${open.length > 3 ? ' …' : '.'}`, release: 'Do them, and tick each as it is done.' }] : []
}
