import { type Amount, type Sums, sumLines, type Tax } from '../../money'
import {
  type Assessment,
  assumptionsOf,
  otherWorkBeside,
  ownPath,
  type OwnPath,
  priceJob,
  reachStopGap
} from '../../paths'
import type { JobFile } from '../../readings'
import type { JobRecord } from '../../record'
import type { DriveSheet, StopGap } from '../../sheet'

/** One line of an estimate: what it is of on the sheet, or as it was typed. */
export interface EstimateLine extends Amount {
  kind: 'labour' | 'part' | 'item'
  /** Name as the sheet or somebody wrote it. */
  text: string
  /** Labour on a part once it is reached, rather than an operation. */
  onPart: boolean
  /** Component that a part takes the place of. */
  fits: string | null
  number: string
  supplier: string
  stock: string
  typed: boolean
}

/** Whose renewals an estimate is of. */
export type Basis = 'chosen' | 'advised' | 'school' | 'typed'

/** An estimate: its lines, what they come to, and what it is of. */
export interface Estimate {
  basis: Basis
  renew: string[]
  way: string | null
  lines: EstimateLine[]
  sums: Sums
  currency: string
  tax: Tax
}

/** What the customer chose, or what is advised, or what the school renews; null on a sheet without parts. */
export function renewalsOf(
  file: JobFile,
  assessment: Assessment,
  record: Pick<JobRecord, 'choice' | 'path'>
): { basis: Basis; renew: readonly string[] } | null {
  if (!file.drive.parts?.length) return null
  if (record.choice) return { basis: 'chosen', renew: record.choice.renew }
  if (record.path) return { basis: 'advised', renew: record.path.renew }
  const renew = assessment.calls
    .filter(({ reasons }) => reasons.some(({ call }) => call === 'renew'))
    .map(({ part }) => part)
  return { basis: 'school', renew }
}

/** The estimate of a job: of a set of renewals, of what stands for the job, or of typed lines alone. */
export function estimateOf(
  file: JobFile,
  assessment: Assessment,
  record: Pick<JobRecord, 'choice' | 'path' | 'estimate'>,
  { tax, currency, renew }: { tax: Tax; currency: string; renew?: readonly string[] }
): Estimate {
  const { lines: typed = [] } = record.estimate ?? {}
  const of = renew && file.drive.parts?.length ? asAsked(renew) : standingPath(file, assessment, record)
  const path = of && ownPath(file, assessment, of.renew, of.partial !== undefined)
  const lines = [...pathLines(file, path, of?.partial, tax), ...typed.map((line) => typedLine(line, tax))]
  const { renew: parts, way } = path ?? NOTHING
  return { basis: of?.basis ?? 'typed', renew: parts, way, lines, sums: sumLines(lines, tax, currency), currency, tax }
}

const NOTHING = { renew: [], way: null }

/** Renewals that an estimate is of, and the partial way that they are. */
interface PathOf {
  basis: Basis
  renew: readonly string[]
  partial?: string | undefined
}

const asAsked = (renew: readonly string[]): PathOf => ({ basis: 'advised', renew })

/** What stands for the job; null where typed lines stand alone, or on a sheet without parts. */
function standingPath(
  file: JobFile,
  assessment: Assessment,
  record: Pick<JobRecord, 'choice' | 'path' | 'estimate'>
): PathOf | null {
  const of = record.estimate?.alone ? null : renewalsOf(file, assessment, record)
  return of?.basis === 'advised' ? { ...of, partial: record.path?.partial?.id } : of
}

/** What a path comes to, with the stop-gap that it is, and other work that shares its access. */
function pathLines(file: JobFile, path: OwnPath | null, partial: string | undefined, tax: Tax): EstimateLine[] {
  if (!path) return []
  const gap = file.drive.stopGaps?.find(({ id }) => id === partial)
  return [...linesOf(file, path, tax), ...(gap ? stopGapLines(file, gap, tax) : []), ...otherLines(file, path, tax)]
}

const PLAIN = { onPart: false, fits: null, number: '', supplier: '', stock: '', typed: false }

/** Operations, parts with their own hours, and what is always renewed, each once. */
function linesOf(file: JobFile, path: OwnPath, tax: Tax): EstimateLine[] {
  const { drive } = priceJob(file)
  const hourRate = path.cost.hours > 0 ? path.cost.labour / path.cost.hours : 0
  const operations = path.operations.flatMap((id) => drive.operations?.find((one) => one.id === id) ?? [])
  const parts = path.renew.flatMap((component) => drive.parts?.find(({ fits }) => fits === component) ?? [])
  const labour = (text: string, hours: number, onPart: boolean): EstimateLine[] =>
    hours > 0
      ? [{ ...PLAIN, kind: 'labour', text, quantity: hours, price: hourRate, rate: tax.labour ?? null, onPart }]
      : []
  return [
    ...operations.flatMap(({ name, hours }) => labour(name, hours, false)),
    ...parts.flatMap(({ name, hours }) => labour(name, hours, true)),
    ...parts.map(({ name, price, fits, number = '', supplier = '', stock = '' }): EstimateLine => ({
      ...PLAIN,
      kind: 'part',
      text: name,
      quantity: 1,
      price,
      rate: tax.parts ?? null,
      fits,
      number,
      supplier,
      stock
    })),
    ...path.items.flatMap(({ id, quantity }) => itemLine(drive, id, quantity, tax))
  ]
}

/** A stop-gap of the sheet: what reaches it, its own hours, and its part. */
function stopGapLines(file: JobFile, gap: StopGap, tax: Tax): EstimateLine[] {
  const { hours } = reachStopGap(priceJob(file).drive, gap)
  return workLines(gap.name, { hours, hourRate: assumptionsOf(file).hourRate, price: gap.price }, tax)
}

/** Other work that shares the access, at what it costs beside this path. */
function otherLines(file: JobFile, path: OwnPath, tax: Tax): EstimateLine[] {
  const works = file.pricing?.others ?? []
  const { hourRate } = assumptionsOf(file)
  return otherWorkBeside(file, works, path.operations, hourRate).flatMap(({ id, name, now }) => {
    const price = works.find((work) => work.id === id)?.price ?? 0
    return workLines(name, { hours: now.hours, hourRate, price }, tax)
  })
}

function workLines(
  text: string,
  { hours, hourRate, price }: { hours: number; hourRate: number; price: number },
  tax: Tax
): EstimateLine[] {
  const labour: EstimateLine = {
    ...PLAIN,
    kind: 'labour',
    text,
    quantity: hours,
    price: hourRate,
    rate: tax.labour ?? null
  }
  const part: EstimateLine = { ...PLAIN, kind: 'part', text, quantity: 1, price, rate: tax.parts ?? null }
  return [...(hours > 0 ? [labour] : []), ...(price > 0 ? [part] : [])]
}

function itemLine({ alwaysRenewed = [] }: DriveSheet, id: string, quantity: number, tax: Tax): EstimateLine[] {
  const item = alwaysRenewed.find((one) => one.id === id)
  if (!item) return []
  const { name, price, number = '', supplier = '', stock = '' } = item
  return [{ ...PLAIN, kind: 'item', text: name, quantity, price, rate: tax.items ?? null, number, supplier, stock }]
}

type Typed = NonNullable<JobRecord['estimate']>['lines'][number]

function typedLine({ kind, text, quantity, price, rate, number = '', supplier = '' }: Typed, tax: Tax): EstimateLine {
  const usual = { labour: tax.labour, part: tax.parts, item: tax.items }[kind]
  return { ...PLAIN, kind, text, quantity, price, rate: rate ?? usual ?? null, number, supplier, typed: true }
}

/** What is ordered: parts and items, those of one supplier together. */
export function orderOf({ lines }: Estimate): EstimateLine[] {
  return lines
    .filter(({ kind, quantity }) => kind !== 'labour' && quantity > 0)
    .sort((a, b) => a.supplier.localeCompare(b.supplier) || a.text.localeCompare(b.text))
}

/** What the customer chose, against what was fitted. */
export interface ChosenAndDone {
  /** Name that they signed with, when, and the price they were shown. */
  by: string
  at: string
  price: number
  rows: { part: string; chosen: boolean; fitted: boolean }[]
}

/** Null where nobody chose. @param fitted components that were fitted new */
export function chosenAndDone({ choice }: Pick<JobRecord, 'choice'>, fitted: readonly string[]): ChosenAndDone | null {
  if (!choice) return null
  const { by, at, price, renew } = choice
  const parts = [...new Set([...renew, ...fitted])]
  return {
    by,
    at,
    price,
    rows: parts.map((part) => ({ part, chosen: renew.includes(part), fitted: fitted.includes(part) }))
  }
}
