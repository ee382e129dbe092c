import { dayAt, type CustomerFacts, type Workshop } from '../../core/record'
import type { Basis, Estimate, EstimateLine } from '../../core/views/estimate'
import type { Usage } from '../../core/readings'
import { moneyExactly, thousands } from './figures'
import { letterheadOf } from './report'
import { USAGE_UNITS } from './parts'
import { t, texts, withDecimals } from '../spoken'

/** The estimate and the order list in final words: one place for page, paper and CSV. */

const KINDS: Readonly<Record<EstimateLine['kind'], string>> = texts({
  labour: 'Labour',
  part: 'Parts',
  item: 'Always renewed'
})

const BASES: Readonly<Record<Basis, string>> = texts({
  chosen: 'As the customer chose.',
  advised: 'As the workshop advises.',
  school: 'As the readings condemn, not yet advised by anybody.',
  typed: 'As typed.'
})

/** What a paper of a job is about. */
export interface PaperOf {
  workshop: Workshop
  customer: Pick<CustomerFacts, 'name' | 'address'> | null
  vehicle: string
  registration: string
  engine: string
  usage: Usage
  complaint: string
  /** Who made it, and when (ISO). */
  by: string
  at: string
}

/** A line as it is read: its group, text, what it is ordered by, how many, price each, amount, tax. */
export interface PaperLine {
  kind: string
  text: string
  note: string
  quantity: string
  price: string
  amount: string
  tax: string
}

/** An estimate in words. */
export interface EstimatePaper {
  title: string
  letterhead: string[]
  customer: string[]
  about: string
  basis: string
  heads: readonly string[]
  lines: PaperLine[]
  /** What it comes to, line by line; the last is what is paid. */
  sums: { label: string; value: string }[]
  caution: string
  foot: string
  pageOf: string
  author: string
  at: string
}

/** An order list in words. */
export interface OrderPaper extends Omit<EstimatePaper, 'basis' | 'lines' | 'sums'> {
  lines: { supplier: string; number: string; text: string; quantity: string; stock: string; price: string }[]
  none: string
}

/** Puts an estimate in words. */
export function writeEstimate(estimate: Estimate, of: PaperOf): EstimatePaper {
  const { lines, sums, currency, tax } = estimate
  const money = (value: string | number) => moneyExactly(value, currency)
  const rateOf = (id: string | null) => tax.rates.find((rate) => rate.id === id)
  const amountOf = (i: number) => (tax.included ? sums.lines[i]!.gross : sums.lines[i]!.net)
  return {
    ...paperOf(of, t`Estimate`),
    basis: BASES[estimate.basis],
    heads: ['', t`What`, t`How many`, t`Each`, t`Amount`, t`Tax`],
    lines: lines.map((line, i) => ({
      kind: KINDS[line.kind],
      text: textOf(line),
      note: [line.number, line.supplier].filter(Boolean).join(', '),
      quantity: quantityOf(line),
      price: money(line.price),
      amount: money(amountOf(i)),
      tax: rateOf(line.rate) ? t`${rateOf(line.rate)!.percent} %` : ''
    })),
    sums:
      sums.rates.length === 0
        ? [{ label: t`To pay`, value: money(sums.gross) }]
        : [
            { label: t`Without tax`, value: money(sums.net) },
            ...sums.rates.map(({ name, percent, net, tax: taxed }) => ({
              label: t`${name} ${percent} % of ${money(net)}`,
              value: money(taxed)
            })),
            { label: tax.included ? t`To pay, tax included` : t`To pay, with tax`, value: money(sums.gross) }
          ],
    caution:
      t`An estimate: what opening the drive shows can change it, and nothing is done beyond it without being asked. ` +
      t`The maker's manual decides over every figure here.`
  }
}

/** Puts what is to be ordered in words. */
export function writeOrder(lines: readonly EstimateLine[], currency: string, of: PaperOf): OrderPaper {
  return {
    ...paperOf({ ...of, customer: null }, t`Order list`),
    heads: [t`Supplier`, t`Part number`, t`What`, t`How many`, t`Where it is`, t`Each`],
    lines: lines.map((line) => ({
      supplier: line.supplier,
      number: line.number,
      text: line.text,
      quantity: quantityOf(line),
      stock: line.stock,
      price: moneyExactly(line.price, currency)
    })),
    none: t`Nothing is to be ordered.`,
    caution: t`Order by the maker's number for this engine and year; a number here can be out of date.`
  }
}

function paperOf({ workshop, customer, vehicle, registration, engine, usage, by, at }: PaperOf, title: string) {
  const day = dayAt(at, workshop)
  const plate = registration ? t` (${registration})` : ''
  return {
    title: t`${title}: ${vehicle}`,
    letterhead: letterheadOf(workshop),
    customer: customer
      ? [customer.name, ...customer.address.split('\n')].map((line) => line.trim()).filter(Boolean)
      : [],
    about: t`${vehicle}${plate}, ${engine}, ${thousands(usage.value)} ${USAGE_UNITS[usage.unit]}. ${by}, ${day}.`,
    foot: workshop.foot,
    pageOf: t`Page {page} of {count}`,
    author: workshop.name,
    at
  }
}

const textOf = ({ kind, text, onPart }: EstimateLine) => (kind === 'labour' && onPart ? t`Fitting: ${text}` : text)

function quantityOf({ kind, quantity }: EstimateLine): string {
  const shown = withDecimals(String(Number(quantity.toFixed(2))))
  return kind === 'labour' ? t`${shown} h` : shown
}
