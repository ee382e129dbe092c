import { describe, expect, it } from 'vitest'
import { NO_TAX, type Tax } from '../../core/money'
import { ownPath } from '../../core/paths'
import { type Act, assessRecord, foldActs, jobFile } from '../../core/record'
import { chosenAndDone, estimateOf, orderOf } from '../../core/views/estimate'
import { DEMO_JOBS, DEMO_WORKSHOP } from '../../demo/workshop'
import { writeEstimate, writeOrder } from '../../words/en'

/** The estimate of a job, what is ordered, and what was chosen against what was done. */

const { job, acts } = DEMO_JOBS[0]!
const at = '2026-11-26T08:00:00.000Z'
const TAX: Tax = DEMO_WORKSHOP.tax
const of = (more: Act[] = [], tax = TAX) => {
  const all = [...acts, ...more]
  return estimateOf(jobFile(job, all), assessRecord(job, all), foldActs(all, job.school), { tax, currency: 'EUR' })
}
const path: Act = { id: 'p', type: 'path', by: 'Maren', at, renew: ['main', 'guide', 'arm', 'tensioner'] }
const typed: Act = {
  id: 'e',
  type: 'estimate',
  by: 'Maren',
  at,
  lines: [
    { kind: 'labour', text: 'Timing case cleaned', quantity: 1.5, price: 80 },
    { kind: 'part', text: 'Sealant', quantity: 2, price: 9.99, rate: 'low', number: 'S-9', supplier: 'A shop' },
    { kind: 'item', text: 'Regular customer', quantity: 1, price: -20 }
  ]
}
const paper = {
  workshop: DEMO_WORKSHOP,
  customer: { name: 'Anne Quay', address: 'Quay 1\nHarbour' },
  vehicle: job.vehicle,
  registration: 'SH-13-PV',
  engine: job.sheet.name,
  usage: job.usage,
  complaint: '',
  by: 'Maren',
  at
}

describe('an estimate', () => {
  it('without tax comes to the path’s price to the coin, each operation and item once', () => {
    const estimate = of([path], NO_TAX)
    const file = jobFile(job, acts)
    const { cost, operations, items } = ownPath(file, assessRecord(job, acts), path.renew as string[])
    expect(Number(estimate.sums.gross)).toBeCloseTo(cost.now, 1)
    expect(estimate.basis).toBe('advised')
    expect(estimate.lines.filter(({ kind, onPart }) => kind === 'labour' && !onPart)).toHaveLength(operations.length)
    expect(estimate.lines.filter(({ kind }) => kind === 'item')).toHaveLength(items.length)
  })

  it('takes typed lines beside the path’s, or alone; a customer’s choice goes before what is advised', () => {
    const beside = of([path, typed])
    expect(Number(beside.sums.net)).toBeCloseTo(Number(of([path]).sums.net) + 120 + 19.98 - 20, 5)
    const alone = of([path, { ...typed, alone: true } as Act])
    expect(alone.basis).toBe('typed')
    // 120 at 21 %, 19.98 at 9 %, −20 at 21 %.
    expect([alone.sums.net, alone.sums.tax, alone.sums.gross]).toEqual(['119.98', '22.80', '142.78'])
    const choice: Act = { id: 'c', type: 'choice', by: 'Anne', at, share: 's', renew: ['guide'], price: 500 }
    expect(of([path, choice])).toMatchObject({ basis: 'chosen' })
    expect(of([path, choice]).renew).toContain('guide')
    expect(of().basis).toBe('school')
  })

  it('of an engine without prices has the typed lines alone', () => {
    const bare = { ...job, sheet: { ...job.sheet, parts: undefined, operations: undefined, money: undefined } }
    const all = [typed]
    const estimate = estimateOf(jobFile(bare, all), assessRecord(bare, all), foldActs(all, job.school), {
      tax: TAX,
      currency: 'EUR'
    })
    expect(estimate.lines.map(({ text }) => text)).toEqual(['Timing case cleaned', 'Sealant', 'Regular customer'])
  })

  it('says in words whose it is, what each line is, each rate, and what is paid', () => {
    const words = writeEstimate(of([path, typed]), paper)
    expect(words.customer).toEqual(['Anne Quay', 'Quay 1', 'Harbour'])
    expect(words.about).toContain('Pilot van 3 (SH-13-PV), Ardmere A18, 1.8 l four, 148\u00a0200 km.')
    expect(words.lines.some(({ text }) => text.startsWith('Fitting: '))).toBe(true)
    expect(words.sums.map(({ label }) => label.replace(/of .*/, ''))).toEqual([
      'Without tax',
      'Tax 21 % ',
      'Tax, low 9 % ',
      'To pay, with tax'
    ])
    expect(words.sums.at(-1)!.value).toMatch(/^[\d\s]+\.\d\d EUR$/)
  })
})

it('the order list has parts and items with their numbers, one supplier’s together, and no labour', () => {
  const order = orderOf(of([path, typed]))
  expect(order.some(({ kind }) => kind === 'labour')).toBe(false)
  const suppliers = order.map(({ supplier }) => supplier)
  expect(suppliers).toEqual([...suppliers].sort((a, b) => a.localeCompare(b)))
  const words = writeOrder(order, 'EUR', paper)
  expect(words.lines.find(({ text }) => text === 'Sealant')).toMatchObject({ number: 'S-9', supplier: 'A shop' })
  expect(words.lines.every(({ number }) => typeof number === 'string')).toBe(true)
})

it('what was chosen stands against what was fitted, part by part', () => {
  expect(chosenAndDone({ choice: null }, ['main'])).toBeNull()
  const choice = { id: 'c', type: 'choice', by: 'Anne', at, share: 's', renew: ['main', 'guide'], price: 500 } as const
  expect(chosenAndDone({ choice }, ['main', 'arm'])).toEqual({
    by: 'Anne',
    at,
    price: 500,
    rows: [
      { part: 'main', chosen: true, fitted: true },
      { part: 'guide', chosen: true, fitted: false },
      { part: 'arm', chosen: false, fitted: true }
    ]
  })
})
