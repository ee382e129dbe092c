import Big from 'big.js'
import { minorDigits } from './currency'
import type { Tax } from './schema'

/** So much of something at a price each, under one of the workshop's rates; null: no tax. */
export interface Amount {
  quantity: number
  price: number
  rate: string | null
}

/** An amount in full: without its tax, the tax, and with it, as decimals with the currency's digits: `149.90`. */
export interface Taxed {
  net: string
  tax: string
  gross: string
}

export interface RateSum extends Taxed {
  id: string
  name: string
  percent: number
}

/** What lines come to. */
export interface Sums extends Taxed {
  /** Of each line, in order. */
  lines: Taxed[]
  /** Of each rate that a line has, in the workshop's order; lines without tax in none. */
  rates: RateSum[]
}

const HUNDRED = new Big(100)

/**
 * Sums lines with their tax. A line's amount is quantity × price, rounded half away from nought to the currency's
 * smallest coin: what is added up is what stands on the paper. Where prices hold the tax, it is amount · p/(100 + p),
 * else amount · p/100; it is rounded on each line, or once on the sum at each rate.
 */
export function sumLines(lines: readonly Amount[], tax: Tax, currency: string): Sums {
  const digits = minorDigits(currency)
  const round = (value: Big) => value.round(digits, Big.roundHalfUp)
  const percentOf = (rate: string | null) => new Big(tax.rates.find(({ id }) => id === rate)?.percent ?? 0)
  const taxOn = (amount: Big, percent: Big) =>
    tax.included ? amount.times(percent).div(HUNDRED.plus(percent)) : amount.times(percent).div(HUNDRED)
  const whole = (amount: Big, taxed: Big): Parts =>
    tax.included
      ? { net: amount.minus(taxed), tax: taxed, gross: amount }
      : { net: amount, tax: taxed, gross: amount.plus(taxed) }
  const amounts = lines.map(({ quantity, price, rate }) => ({
    rate,
    amount: round(new Big(quantity).times(new Big(price)))
  }))
  const each = amounts.map(({ amount, rate }) => whole(amount, round(taxOn(amount, percentOf(rate)))))
  const known = [...tax.rates.filter(({ id }) => lines.some(({ rate }) => rate === id)).map(({ id }) => id), null]
  const byRate = known.map((rate) => {
    const mine = amounts.flatMap((one, i) => (isOf(tax, one.rate, rate) ? [i] : []))
    if (tax.rounded === 'line') return addUp(mine.map((i) => each[i]!))
    const amount = mine.reduce((sum, i) => sum.plus(amounts[i]!.amount), new Big(0))
    return whole(amount, round(taxOn(amount, percentOf(rate))))
  })
  return {
    ...shown(addUp(byRate), digits),
    lines: each.map((one) => shown(one, digits)),
    rates: known.flatMap((rate, i) => {
      const of = tax.rates.find(({ id }) => id === rate)
      return of ? [{ id: of.id, name: of.name, percent: of.percent, ...shown(byRate[i]!, digits) }] : []
    })
  }
}

interface Parts {
  net: Big
  tax: Big
  gross: Big
}

/** A line under a rate that the workshop no longer has is without tax. */
function isOf({ rates }: Tax, own: string | null, rate: string | null): boolean {
  return own === rate || (rate === null && !rates.some(({ id }) => id === own))
}

function addUp(all: readonly Parts[]): Parts {
  return all.reduce(
    (sum, one) => ({ net: sum.net.plus(one.net), tax: sum.tax.plus(one.tax), gross: sum.gross.plus(one.gross) }),
    { net: new Big(0), tax: new Big(0), gross: new Big(0) }
  )
}

function shown({ net, tax, gross }: Parts, digits: number): Taxed {
  return { net: net.toFixed(digits), tax: tax.toFixed(digits), gross: gross.toFixed(digits) }
}
