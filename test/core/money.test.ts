import { describe, expect, it } from 'vitest'
import { type Amount, minorDigits, NO_TAX, sumLines, type Tax } from '../../core/money'
import { moneyExactly } from '../../words/en'

/** Tax and rounding against figures reckoned by hand. */

const THREE: Tax = {
  rates: [
    { id: 'full', name: 'Full', percent: 21 },
    { id: 'low', name: 'Low', percent: 9 },
    { id: 'books', name: 'Books', percent: 5.5 }
  ],
  included: false,
  rounded: 'sum',
  labour: 'full',
  parts: 'full',
  items: 'low'
}
const line = (quantity: number, price: number, rate: string | null): Amount => ({ quantity, price, rate })
const LINES = [
  line(3, 33.33, 'full'),
  line(1, 0.07, 'full'),
  line(7, 1.15, 'low'),
  line(2, 9.99, 'books'),
  line(1, 5, null)
]
const net = (of: { net: string; tax: string; gross: string }) => [of.net, of.tax, of.gross]

describe('three rates, prices without tax', () => {
  it('rounded on the sum at each rate', () => {
    const sums = sumLines(LINES, THREE, 'EUR')
    // 99.99 + 0.07 = 100.06 → 21.0126; 8.05 → 0.7245; 19.98 → 1.0989.
    expect(sums.rates.map((rate) => [rate.id, ...net(rate)])).toEqual([
      ['full', '100.06', '21.01', '121.07'],
      ['low', '8.05', '0.72', '8.77'],
      ['books', '19.98', '1.10', '21.08']
    ])
    expect(net(sums)).toEqual(['133.09', '22.83', '155.92'])
  })

  it('rounded on each line', () => {
    const sums = sumLines(LINES, { ...THREE, rounded: 'line' }, 'EUR')
    // 99.99 → 20.9979 → 21.00; 0.07 → 0.0147 → 0.01.
    expect(sums.lines.map(net)).toEqual([
      ['99.99', '21.00', '120.99'],
      ['0.07', '0.01', '0.08'],
      ['8.05', '0.72', '8.77'],
      ['19.98', '1.10', '21.08'],
      ['5.00', '0.00', '5.00']
    ])
    expect(net(sums)).toEqual(['133.09', '22.83', '155.92'])
  })

  it('on many small lines the two differ by what each line was rounded', () => {
    const many = Array.from({ length: 10 }, () => line(1, 0.12, 'full'))
    // 0.12 → 0.0252 → 0.03 each; 1.20 → 0.252 → 0.25 once.
    expect(sumLines(many, { ...THREE, rounded: 'line' }, 'EUR').tax).toBe('0.30')
    expect(sumLines(many, THREE, 'EUR').tax).toBe('0.25')
  })
})

describe('prices with tax in them', () => {
  it('give the tax they hold: what is paid stays what was written', () => {
    const sums = sumLines(LINES, { ...THREE, included: true }, 'EUR')
    // 100.06 · 21/121 = 17.3657; 8.05 · 9/109 = 0.6647; 19.98 · 5.5/105.5 = 1.0416.
    expect(sums.rates.map((rate) => [rate.id, ...net(rate)])).toEqual([
      ['full', '82.69', '17.37', '100.06'],
      ['low', '7.39', '0.66', '8.05'],
      ['books', '18.94', '1.04', '19.98']
    ])
    expect(net(sums)).toEqual(['114.02', '19.07', '133.09'])
    const each = sumLines(LINES, { ...THREE, included: true, rounded: 'line' }, 'EUR')
    // 99.99 · 21/121 = 17.3536; 0.07 · 21/121 = 0.0121.
    expect(each.lines.slice(0, 2).map(net)).toEqual([
      ['82.64', '17.35', '99.99'],
      ['0.06', '0.01', '0.07']
    ])
    expect(each.gross).toBe('133.09')
  })
})

describe('a coin', () => {
  it('is rounded half away from nought, in decimals: 1.005 and 2.675 are what they say', () => {
    expect(sumLines([line(1, 1.005, null)], NO_TAX, 'EUR').gross).toBe('1.01')
    expect(sumLines([line(1, 2.675, null)], NO_TAX, 'EUR').gross).toBe('2.68')
    expect(sumLines([line(3, 0.1, null), line(1, -0.3, null)], NO_TAX, 'EUR').gross).toBe('0.00')
    expect(sumLines([line(1, -1.005, null)], NO_TAX, 'EUR').gross).toBe('-1.01')
  })

  it('is the currency’s own, and of an unknown one a hundredth', () => {
    expect(['EUR', 'JPY', 'KWD', '¤', ''].map(minorDigits)).toEqual([2, 0, 3, 2, 2])
    expect(sumLines([line(1.25, 80, 'full')], THREE, 'JPY').gross).toBe('121')
    expect(sumLines([line(1, 1.2345, null)], NO_TAX, 'KWD').gross).toBe('1.235')
  })

  it('stands with its thousands apart', () => {
    expect(moneyExactly('1234567.80', 'EUR')).toBe('1\u00a0234\u00a0567.80 EUR')
    expect(moneyExactly('-1234.50', 'EUR')).toBe('-1\u00a0234.50 EUR')
    expect(moneyExactly(80, 'JPY')).toBe('80 JPY')
  })
})

it('a line under a rate that the workshop no longer has is without tax, and lost from no sum', () => {
  const sums = sumLines([line(1, 10, 'gone'), line(1, 10, 'full')], THREE, 'EUR')
  expect(net(sums)).toEqual(['20.00', '2.10', '22.10'])
})
