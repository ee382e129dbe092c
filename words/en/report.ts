import type { Call } from '../../core/calls'
import type { School, Usage } from '../../core/readings'
import { dayAt, type LanguageId, type Workshop } from '../../core/record'
import type { Statement } from '../../core/views/verdict'
import type { IfLeftSays, ReportFacts, ReportMeasure, ReportWay } from '../../core/views/report'
import type { TracedCam, TracedLag } from '../../core/views/traces'
import { type Catalogue, type Names, sayer } from '../say'
import { sayLikeliest } from './explanations'
import { degreesWords, fixDigits, moneyExactly, moneyWords, oddsWords, thousands } from './figures'
import { anyFindingWords, KIND_NAMES, namesOf } from './parts'
import { sayReason } from './reasons'
import { sayDifference, sayStatement, sayUpTo } from './verdict'
import { WORKSHOP } from './workshop'
import { t, texts, midSentence, known } from '../spoken'

/** The customer's report in final words: the one place of its headings and wording, for page, link and paper. */

/** Headings and labels, as a report carries them. */
export interface ReportHeadings {
  title: string
  workshop: string
  /** The line under the vehicle: engine, usage, who and when. */
  under: string
  /** `{page}` and `{count}` stand for themselves. */
  pageOf: string
  chart: string
  map: string
  broughtInFor: string
  happened: string
  /** Of the letter: what was found in three sentences, and the rest; an older report has neither. */
  found?: string
  more?: string
  measured: string
  measures: readonly [part: string, what: string, found: string, asNew: string, limit: string]
  nothingMeasured: string
  pastLimit: string
  calls: string
  decidedBy: string
  call: readonly [part: string, happens: string, why: string]
  drive: string
  pictures: string
  /** Axes of the chart of the ways. */
  priceNow: string
  oddsOfComingBack: string
  ways: string
  way: readonly [title: string, renews: string, hours: string, price: string, comesBack: string]
  waysSay: string
  advised: string
  ifLeft: string
  notChecked: string
  allChecked: string
  caution: string
  /** What it was computed with. */
  made: string
}

/** What a customer is told of a job, in words and figures that stand the same on screen and on paper. */
export interface Report {
  format: 'umbrette-report'
  version: 2
  /** What it is written in; an older report is English. */
  language?: LanguageId
  headings: ReportHeadings
  /** Name, address and tax number of the workshop, and what stands at the foot; an older report has neither. */
  letterhead?: string[]
  /** Its logo, as an address that holds the picture itself. */
  logo?: string
  foot?: string
  /** Whose it is: name and address; absent where nobody is known. */
  addressee?: string[]
  /** Of the vehicle, where it is known. */
  registration?: string
  vehicle: string
  engine: string
  usage: string
  complaint: string
  /** Who last worked on it, and when (ISO). */
  by: string
  at: string
  happened: string[]
  /** The weightiest of what happened, three at most; an older report has none. */
  found?: string[]
  calls: { part: string; name: string; call: Call; words: string; why: string; limit: string; by: string }[]
  measures: { name: string; what: string; read: string; asNew: string; limit: string; over: boolean }[]
  photos: { id: string; caption: string }[]
  /** What a trace of the running engine showed; an older report has none. */
  traced?: ReportTraced
  paths: ReportPath[]
  horizon: string
  ifLeft: string[]
  notChecked: string[]
  cautions: string[]
  made: { core: string; sheet: string; signoff: number | null }
}

/** A row of the chart of lags: a cam before and after, crank degrees. */
export interface LagRow {
  name: string
  before: { value: number; low: number; high: number } | null
  after: { value: number; low: number; high: number } | null
  limit: number | null
}

/** Its words. */
export interface LagWords {
  early: string
  late: string
  before: string
  after: string
}

/** What traces of crank and cams showed: a sentence for each cam, and the chart's rows and words. */
export interface ReportTraced {
  title: string
  chart: string
  says: string[]
  rows: LagRow[]
  words: LagWords
}

export interface ReportPath {
  title: string
  advised: boolean
  renew: string[]
  names: string
  hours: number
  price: number
  /** `1 240 EUR`. */
  priceWords: string
  /** `at least; 1 430 EUR if exhaust phaser turns out worn`; empty where nothing is open; an older report has none. */
  openWords?: string
  comeBack: number
  comeBackWords: string
  expectedWords: string
  why: string
}

/** What each school's path is to someone who has not heard of schools. */
const PLAIN: Readonly<Record<School, string>> = texts({
  'on-evidence': 'What the readings condemn',
  'whole-set': 'Everything behind the cover',
  weighed: 'Least expected cost'
})

const CALL_SAYS: Readonly<Record<Call, string>> = texts({
  'back-in': 'goes back in',
  renew: 'to be renewed',
  'look-closer': 'needs another look',
  stop: 'must not be run'
})

const WHAT: Readonly<Record<ReportMeasure['kind'], string>> = texts({
  elongation: 'longer than new',
  extension: 'plunger out',
  groove: 'groove',
  camLag: 'off its mark'
})

export const IF_LEFT: Catalogue<IfLeftSays> = {
  'must-not-run': (f, name) => t`${name(f.part)}: the engine must not be run like this.`,
  'comes-back': (f, name) =>
    t`${name(f.part)}: kept, it is ${plainOdds(f.odds)} that the cover comes off again for it within ${usageWords({ value: f.within, unit: f.unit as Usage['unit'] })}.`,
  'nothing-to-do': () => t`Nothing was found that must be done now.`,
  'stop-gap': (f) =>
    t`What is advised is a stop-gap, not a repair; ${f.accepted} accepted what it leaves open. It is looked at again ${[f.usage === null ? '' : t`at ${thousands(f.usage)}`, f.date === null ? '' : t`by ${f.date}`].filter(Boolean).join(t` or `) || t`soon`}.`,
  'near-jump': (f, name) =>
    t`${name(f.chain)}: should its tensioner bleed down, there would be ${Math.round(100 * f.mean)} % (${Math.round(100 * f.low)} to ${Math.round(100 * f.high)} %) of the slack it takes to ride over ${midSentence(name(f.sprocket))}. That is a first estimate from the geometry and no leave to drive on; the maker decides.`,
  'valves-meet': () => t`In this engine valves can meet pistons: a chain that jumps or breaks can cost the head.`
}

const sayIfLeft = sayer(IF_LEFT)

/** Puts a report in words. */
export function writeReport(facts: ReportFacts): Report {
  const { job, sheet, horizon, workshop, currency } = facts
  const name = namesOf(sheet)
  const about = { vehicle: job.vehicle, engine: sheet.name, usage: usageWords(job.usage), by: facts.by, at: facts.at }
  const made = {
    core: facts.core,
    sheet: facts.sheetRevision === null ? sheet.name : t`${sheet.name}, revision ${facts.sheetRevision}`,
    signoff: facts.signoff
  }
  const within = horizon ? usageWords(horizon) : ''
  return {
    format: 'umbrette-report',
    version: 2,
    ...about,
    complaint: job.complaint,
    headings: headingsOf(
      { ...about, horizon: within, made },
      workshop.name,
      dayAt(facts.at, workshop),
      facts.ways.some(({ taxed }) => taxed !== null)
    ),
    letterhead: letterheadOf(workshop),
    foot: workshop.foot,
    found: weightiest(facts.happened).map((statement) => sayStatement(statement, name)),
    happened: [
      ...facts.happened.map((statement) => sayStatement(statement, name)),
      ...facts.explained.map(({ chains, stories }) =>
        sayLikeliest(stories, name, sheet.chains.length > chains.length ? chains.map(name) : [])
      )
    ],
    calls: facts.calls.map((call) => callLine(call, name)),
    measures: facts.measures.map((measure) => measureLine(measure, name)),
    ...(facts.traced.length > 0 ? { traced: writeTraced(facts.traced, name) } : {}),
    photos: facts.photos.map(({ id, part, note, finding }) => ({
      id,
      caption: [name(part), finding ? anyFindingWords(finding) : '', note].filter(Boolean).join(': ')
    })),
    paths: facts.ways.map((way, i) => wayLine(way, i, within, currency, name)),
    horizon: within,
    ifLeft: facts.ifLeft.map((line) => sayIfLeft(line, name)),
    notChecked: facts.notChecked.map(
      ({ part, kinds }) => t`${name(part)}: ${kinds.map((kind) => midSentence(KIND_NAMES[kind])).join(', ')}`
    ),
    cautions: [
      t`The maker's manual for this engine decides over every figure here; local rules and qualified practice come first.`,
      ...(sheet.note ? [sheet.note] : [])
    ],
    made
  }
}

/** What is said first, the weightiest first. */
const WEIGHTY: readonly Statement['code'][] = ['has-jumped', 'travel', 'worn', 'stretch', 'none-jumped']
/** Sentences that a letter begins with. */
const FOUND = 3

function weightiest(happened: readonly Statement[]): Statement[] {
  const weight = ({ code, figures }: Statement) =>
    (WEIGHTY.includes(code) ? WEIGHTY.indexOf(code) : WEIGHTY.length) + (code === 'stretch' && !figures?.past ? 0.5 : 0)
  return [...happened].sort((a, b) => weight(a) - weight(b)).slice(0, FOUND)
}

/** What happened beside what a letter begins with. */
export function restOf({ found, happened }: Pick<Report, 'found' | 'happened'>): string[] {
  return found ? happened.filter((line) => !found.includes(line)) : []
}

/** Captions of the two drawings beside each other. */
export function normalBeside(times: number): [string, string] {
  return [t`Normal: as new`, t`As found, the wear drawn ${times} times as large`]
}

/** Odds for who reads no odds: plain words, the figure behind them. */
export function plainOdds(p: number): string {
  const [words] = PLAIN_ODDS.said.find(([, upTo]) => p <= upTo)!
  return t`${words} (${oddsWords(p)})`
}

const PLAIN_ODDS = texts<{ said: readonly (readonly [string, number])[] }>({
  said: [
    ['very unlikely', 0.03],
    ['unlikely', 0.2],
    ['possible', 0.4],
    ['as likely as not', 0.6],
    ['likely', 0.9],
    ['almost certain', 1]
  ]
})

/** A report as it was shared, in its newest form: one of an older version has no headings of its own. */
export function upgradeReport(report: Report | (Omit<Report, 'version' | 'headings'> & { version: 1 })): Report {
  return report.version === 2
    ? report
    : { ...report, version: 2, headings: headingsOf(report, WORKSHOP, report.at.slice(0, 10)) }
}

/** A customer as a letter is sent to them. */
export function addresseeOf({ name, address }: { name: string; address: string }): string[] {
  return [name, ...address.split('\n').map((line) => line.trim())].filter(Boolean)
}

/** The workshop as it stands at the head of a letter. */
export function letterheadOf({ name, address, taxNumber }: Workshop): string[] {
  const lines = address.split('\n').map((line) => line.trim())
  return [name, ...lines, ...(taxNumber ? [t`Tax number ${taxNumber}`] : [])].filter(Boolean)
}

function headingsOf(
  {
    vehicle,
    engine,
    usage,
    by,
    horizon,
    made: { sheet, core, signoff }
  }: Pick<Report, 'vehicle' | 'engine' | 'usage' | 'by' | 'horizon' | 'made'>,
  workshop: string,
  day: string,
  taxed = false
): ReportHeadings {
  return {
    title: t`${vehicle}: timing drive`,
    workshop,
    under: t`${engine}, ${usage}. ${by}, ${day}. ${workshop}.`,
    pageOf: t`Page {page} of {count}`,
    chart: t`Price now against the odds of coming back; the table above has the same figures`,
    map: t`${engine} as its readings imply`,
    broughtInFor: t`Brought in for:`,
    happened: t`What happened`,
    found: t`What we found`,
    more: t`The rest of it`,
    measured: t`What was measured`,
    measures: [t`Part`, '', t`Found`, t`As new`, t`Limit`],
    nothingMeasured: t`Nothing yet.`,
    pastLimit: t`past the limit`,
    calls: t`Part by part`,
    call: [t`Part`, t`What happens`, t`Why`],
    decidedBy: t`decided by`,
    drive: t`Normal, and as found`,
    pictures: t`Pictures`,
    ways: t`The ways open, and what they cost`,
    way: ['', t`Renews`, t`Hours`, taxed ? t`Price now, with tax` : t`Price now`, t`Comes back`],
    waysSay: t`Odds are of the cover coming off again within ${horizon}. The customer decides.`,
    advised: t`advised`,
    priceNow: t`price now`,
    oddsOfComingBack: t`odds of coming back`,
    ifLeft: t`If it is left`,
    notChecked: t`What was not checked`,
    allChecked: t`Everything that can be measured on this drive was measured.`,
    caution: t`Caution.`,
    made: t`${sheet}; computation ${core}${signoff ? t`; signed, revision ${signoff}` : t`; not signed off yet`}.`
  }
}

function writeTraced(traced: readonly TracedCam[], name: Names): ReportTraced {
  const withinOf = ({ value, high }: TracedLag) =>
    t`${fixDigits(Math.abs(value), 1)}° ${value < 0 ? t`early` : t`late`} (give or take ${fixDigits(high - value, 1)}°)`
  return {
    title: t`What a trace of the running engine shows`,
    chart: t`How late each cam comes, crank degrees, with what it was read within`,
    says: traced.map(({ cam, before, after, limit }) => {
      const past = after && limit && Math.abs(after.value) > limit.value
      return [
        t`${name(cam)}: ${[before && t`${withinOf(before)} as it came in`, after && t`${withinOf(after)} after the repair`].filter(Boolean).join('; ')}.`,
        past ? t`That is past its limit of ${limit.value}°.` : ''
      ]
        .filter(Boolean)
        .join(' ')
    }),
    rows: traced.map(({ cam, before, after, limit }) => ({
      name: name(cam),
      before: before && { value: before.value, low: before.low, high: before.high },
      after: after && { value: after.value, low: after.low, high: after.high },
      limit: limit?.value ?? null
    })),
    words: { early: t`early`, late: t`late`, before: t`before`, after: t`after` }
  }
}

function callLine(
  { part, holds, reasons: [reason], overruled }: ReportFacts['calls'][number],
  name: Names
): Report['calls'][number] {
  const limit = reason?.limit
    ? t`Limit ${reason.limit.value} ${known(reason.limit.unit)}, from ${reason.limit.source}`
    : ''
  return {
    part,
    name: name(part),
    call: holds,
    words: CALL_SAYS[holds],
    why: overruled ? overruled.reason : reason ? sayReason(reason, name) : '',
    limit,
    by: overruled?.by ?? ''
  }
}

function measureLine(
  { kind, part, value, low, high, asNew, limit, over }: ReportMeasure,
  name: Names
): Report['measures'][number] {
  const digits = kind === 'extension' ? 1 : 2
  const unit = kind === 'elongation' ? '%' : t`mm`
  const lag = kind === 'camLag'
  return {
    name: name(part),
    what: WHAT[kind],
    over,
    limit: limit ? t`${limit.value} ${known(limit.unit)}, ${limit.source}` : t`none given`,
    read: lag
      ? t`${degreesWords(value)} (give or take ${fixDigits((high - low) / 2, 1)}°)`
      : t`${fixDigits(value, digits)} ${unit} (${fixDigits(low, digits)} to ${fixDigits(high, digits)})`,
    asNew: lag ? '0°' : kind === 'extension' ? t`${fixDigits(asNew, 1)} mm` : t`0 ${unit}`
  }
}

function wayLine(
  { schools, own, advised, renew, hours, now, comeBack, expected, differs, undecided, taxed }: ReportWay,
  i: number,
  within: string,
  currency: string,
  name: Names
): ReportPath {
  const title =
    own && advised && schools.length === 0
      ? t`As advised`
      : schools.map((school) => PLAIN[school]).join('; ') || t`Path ${i + 1}`
  return {
    title,
    advised,
    renew,
    names: renew.map(name).join(', ') || t`nothing`,
    hours,
    price: taxed ? Number(taxed.gross) : now,
    priceWords: taxed ? moneyExactly(taxed.gross, currency) : moneyWords(now, currency),
    openWords: sayUpTo(taxed ? { ...undecided, atMost: Number(taxed.atMost) } : undecided, currency, name),
    comeBack,
    comeBackWords: t`${plainOdds(comeBack)} within ${within}`,
    expectedWords: moneyWords(expected, currency),
    why: differs ? sayDifference(differs, name) : own ? t`Put together by the workshop.` : ''
  }
}

function usageWords({ value, unit }: Usage): string {
  return t`${thousands(value)} ${unit === 'h' ? t`hours` : unit === 'mi' ? t`miles` : unit}`
}
