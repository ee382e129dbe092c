import { type Act, foldActs, type HeldCall, heldCalls, jobFile, type JobRecord, type KeptJob } from '../../record'
import { plainVerdict } from '../verdict'
import { type Call, SCHOOLS, SEVERITY } from '../../calls'
import { type Assessment, CORE_VERSION, ownPath, type Paths, pathsOf } from '../../paths'
import { NINETY } from '../../math'
import { fills, slotsOf } from '../bench'
import { type Measure, measuresOf } from '../summary'
import { type JobFile, READING_KINDS } from '../../readings'
import { type DriveSheet, limitFor } from '../../sheet'
import { figure, lateOrEarly, odds, partName } from '../../wording'

/** What a customer is told of a job, in words and figures that stand the same on screen and on paper. */
export interface Report {
  format: 'umbrette-report'
  version: 1
  vehicle: string
  engine: string
  usage: string
  complaint: string
  /** Who last worked on it, and when (ISO). */
  by: string
  at: string
  happened: string[]
  calls: { part: string; name: string; call: Call; words: string; why: string; limit: string; by: string }[]
  measures: { name: string; what: string; read: string; asNew: string; limit: string; over: boolean }[]
  photos: { id: string; caption: string }[]
  paths: ReportPath[]
  horizon: string
  ifLeft: string[]
  notChecked: string[]
  cautions: string[]
  /** What it was computed with. */
  made: { core: string; sheet: string; signoff: number | null }
}

export interface ReportPath {
  title: string
  advised: boolean
  renew: string[]
  names: string
  hours: number
  price: number
  /** `1 240 ¤`. */
  priceWords: string
  comeBack: number
  comeBackWords: string
  expectedWords: string
  why: string
}

/** What each school's path is to someone who has not heard of schools. */
const PLAIN: Readonly<{ [name: string]: string }> = {
  [SCHOOLS['on-evidence'].name]: 'What the readings condemn', [SCHOOLS['whole-set'].name]: 'Everything behind the cover', [SCHOOLS.weighed.name]: 'Least expected cost'
}

const CALL_SAYS: Readonly<{ [call in Call]: string }> = { 'back-in': 'goes back in', renew: 'to be renewed', 'look-closer': 'needs another look', stop: 'must not be run' }

/** Builds the report of a job as it stands. */
export function reportOf(job: KeptJob, acts: readonly Act[], assessment: Assessment): Report {
  const record = foldActs(acts, job.school)
  const file = jobFile(job, acts)
  const sheet = file.drive
  const held = heldCalls(assessment.calls, record.overrules).sort((a, b) => SEVERITY.indexOf(b.holds) - SEVERITY.indexOf(a.holds))
  const paths = pathsOf(file, assessment)
  const last = acts.at(-1)
  return {
    format: 'umbrette-report', version: 1, vehicle: job.vehicle, engine: sheet.name, usage: usageWords(job.usage), complaint: job.complaint,
    by: last && last.type !== 'choice' ? last.by : job.openedBy, at: last?.at ?? job.openedAt,
    happened: plainVerdict(sheet, assessment),
    calls: held.map((call) => callLine(sheet, call)),
    measures: [...measuresOf(file, assessment, record).map((m) => measureLine(assessment, m)), ...lagLines(sheet, assessment, record)],
    photos: record.photos.map(({ photo, part, note }) => ({ id: photo, caption: [partName(sheet, part), note].filter(Boolean).join(': ') })),
    paths: paths ? reportPaths(file, assessment, paths, record) : [],
    horizon: paths ? usageWords({ value: paths.assumptions.horizon, unit: job.usage.unit }) : '',
    ifLeft: ifLeft(file, held, paths), notChecked: notChecked(sheet, record),
    cautions: ['The maker\'s manual for this engine decides over every figure here; local rules and qualified practice come first.', ...(sheet.note ? [sheet.note] : [])],
    made: { core: CORE_VERSION, sheet: job.sheetRevision ? `${sheet.name}, revision ${record.moved?.revision ?? job.sheetRevision}` : sheet.name, signoff: record.signoffs.at(-1)?.revision ?? null }
  }
}

function callLine(sheet: DriveSheet, { part, holds, reasons, overruled }: HeldCall): Report['calls'][number] {
  const reason = reasons[0]
  const limit = reason?.limit ? `Limit ${reason.limit.value} ${reason.limit.unit}, from ${reason.limit.source}` : ''
  return { part, name: partName(sheet, part), call: holds, words: CALL_SAYS[holds], why: overruled ? overruled.reason : (reason?.text ?? ''), limit, by: overruled?.by ?? '' }
}

const WHAT: Readonly<{ [kind in Measure['kind']]: string }> = { elongation: 'longer than new', extension: 'plunger out', groove: 'groove' }

function measureLine({ tensioners }: Assessment, { kind, part, name, value, low, high, limit }: Measure): Report['measures'][number] {
  const digits = kind === 'extension' ? 1 : 2
  const unit = kind === 'elongation' ? '%' : 'mm'
  const asNew = kind === 'extension' ? `${figure(tensioners[part]!.budget[0]?.mm ?? 0, 1)} mm` : `0 ${unit}`
  return {
    name, what: WHAT[kind], read: `${figure(value, digits)} ${unit} (${figure(Math.max(0, low), digits)} to ${figure(high, digits)})`, asNew,
    limit: limit ? `${limit.value} ${limit.unit}, ${limit.source}` : 'none given', over: limit !== null && value > limit.value
  }
}

function lagLines(sheet: DriveSheet, { cams }: Assessment, { readings }: JobRecord): Report['measures'] {
  return Object.entries(cams).filter(([id]) => readings.some((r) => r.kind === 'camLag' && r.sprocket === id)).map(([id, { lag }]) => {
    const limit = limitFor(sheet, 'camLag', id)
    const spread = NINETY * lag.sd
    return {
      name: partName(sheet, id), what: 'off its mark', read: `${figure(Math.abs(lag.mean), 1)}° ${lateOrEarly(lag.mean)} (give or take ${figure(spread, 1)}°)`, asNew: '0°',
      limit: limit ? `${limit.value} ${limit.unit}, ${limit.source}` : 'none given', over: limit !== null && Math.abs(lag.mean) > limit.value
    }
  })
}

function reportPaths(file: JobFile, assessment: Assessment, { paths, assumptions }: Paths, record: JobRecord): ReportPath[] {
  const currency = file.drive.money?.currency ?? ''
  const own = record.path ? ownPath(file, assessment, record.path.renew) : null
  const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((id) => b.includes(id))
  const advised = own?.renew ?? paths.find(({ names }) => names.includes(SCHOOLS[file.school].name))?.renew ?? []
  // A page for a customer shows what differs: the schools' paths, the cheapest now, and what is advised.
  const shown = paths.filter((path, i) => path.names.length > 0 || i === 0 || same(path.renew, advised))
  const all = [...shown, ...(own && !shown.some((path) => same(path.renew, own.renew)) ? [{ ...own, names: [], why: 'Put together by the workshop.' }] : [])]
  return all.map(({ names, renew, cost, why }, i): ReportPath => ({
    title: same(renew, advised) && record.path && names.length === 0 ? 'As advised' : names.map((name) => PLAIN[name] ?? name).join('; ') || `Path ${i + 1}`, advised: same(renew, advised), renew,
    names: renew.map((id) => partName(file.drive, id)).join(', ') || 'nothing', hours: cost.hours, price: cost.now, priceWords: money(cost.now, currency),
    comeBack: cost.comeBack, comeBackWords: `${odds(cost.comeBack)} within ${usageWords({ value: assumptions.horizon, unit: file.usage.unit })}`, expectedWords: money(cost.expected, currency), why
  }))
}

/** What may happen if nothing is done, from the parts that are condemned or held. */
function ifLeft({ drive, usage }: JobFile, held: readonly HeldCall[], paths: Paths | null): string[] {
  const bad = held.filter(({ holds }) => holds === 'renew' || holds === 'stop')
  const lines = bad.flatMap(({ part, holds }) => {
    const kept = paths?.kept[part]
    if (holds === 'stop') return [`${partName(drive, part)}: the engine must not be run like this.`]
    return kept ? [`${partName(drive, part)}: kept, it forces the cover off again within ${usageWords({ value: paths.assumptions.horizon, unit: usage.unit })} with odds of ${odds(kept.odds)}.`] : []
  })
  if (bad.length === 0) return ['Nothing was found that must be done now.']
  return drive.engine.interference ? [...lines, 'In this engine valves can meet pistons: a chain that jumps or breaks can cost the head.'] : lines
}

/** Figures that nobody took, part by part. */
function notChecked(sheet: DriveSheet, { readings }: JobRecord): string[] {
  const open = slotsOf(sheet).filter((slot) => !readings.some((r) => fills(slot, r)))
  const byPart = new Map<string, Set<string>>()
  for (const { part, kind } of open) byPart.set(part, (byPart.get(part) ?? new Set()).add(READING_KINDS[kind].name.toLowerCase()))
  return [...byPart].map(([part, kinds]) => `${partName(sheet, part)}: ${[...kinds].join(', ')}`)
}

function usageWords({ value, unit }: { value: number; unit: string }): string {
  return `${thousands(value)} ${unit === 'h' ? 'hours' : unit === 'mi' ? 'miles' : unit}`
}

function money(amount: number, currency: string): string {
  return `${thousands(amount)}${currency ? ` ${currency}` : ''}`
}

function thousands(value: number): string {
  return Math.round(value).toString().replaceAll(/\B(?=(\d{3})+$)/g, ' ')
}
