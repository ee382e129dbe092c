import { describe, expect, it } from 'vitest'
import { HISTORY_FIELDS, type HistoryField, HistoryReader, type KnownEngine } from '../../core/views/history'
import { sayRowNote } from '../../words/en'

/** Older records, row by row: what is read out of them, what they are put to, and what stands against them. */

const ENGINES: KnownEngine[] = [
  {
    id: 'a18',
    name: 'Ardmere A18',
    parts: [
      { id: 'main', name: 'Timing chain' },
      { id: 'guide', name: 'Fixed guide' }
    ]
  }
]
const TODAY = '2026-11-26'
const plan = (fields: (HistoryField | null)[], more = {}) => ({ fields, unit: 'km' as const, dayFirst: true, ...more })
const ALL = [...HISTORY_FIELDS]
type Row = Partial<Record<HistoryField, string>>
const GOOD: Row = { customer: 'Anne', vehicle: 'Skiff', registration: 'AB-1', engine: 'ardmere a18', day: '2024-05-01' }
const cells = (row: Row) => ALL.map((field) => row[field] ?? '')
const known = {
  customers: [{ id: 'c1', name: 'Ben', phone: '555 01', email: '' }],
  vehicles: [
    {
      id: 'v1',
      name: 'Van',
      registration: 'XY 9',
      chassis: 'CH-9',
      sheet: 'a18',
      customer: null,
      seen: [{ usage: { value: 90_000, unit: 'km' as const }, at: '2024-01-01T12:00:00.000Z' }],
      past: [{ doneOn: '2020-01-01', usage: 10_000, work: 'Chain' }]
    }
  ]
}
const reader = (more = {}) => new HistoryReader(plan(ALL, more), ENGINES, TODAY, known)
const faultsOf = (row: Row) =>
  reader()
    .add(cells({ ...GOOD, ...row }), 2)!
    .faults.map((fault) => sayRowNote(fault))

describe('a row that cannot be taken says why', () => {
  it.each<[string, Row, RegExp]>([
    ['a phone of nobody', { customer: '', phone: '1' }, /no name of a customer/],
    ['a name too long', { customer: 'x'.repeat(121) }, /at most 120/],
    ['an e-mail that is none', { email: 'anne@@quay' }, /e-mail address/],
    ['an e-mail with a line in it', { email: 'a@b.example\nbcc: x@y.example' }, /e-mail address/],
    ['a phone too long', { phone: '1'.repeat(61) }, /at most 60/],
    ['an address too long', { address: 'x'.repeat(401) }, /at most 400/],
    ['a character that cannot be kept', { customer: 'An\u0000ne' }, /cannot be kept/],
    ['half a character', { model: '\ud800' }, /cannot be kept/],
    ['a vehicle of no name', { vehicle: '', registration: '', model: 'Dory' }, /names no vehicle/],
    ['a job of no vehicle', { vehicle: '', registration: '', engine: '' }, /of no vehicle/],
    ['an engine that is none', { engine: 'Steam' }, /none of the workshop’s engines/],
    ['no day', { day: '', work: 'Chain' }, /of no day/],
    ['a day that is none', { day: '2024-02-31' }, /is no day/],
    ['a day in words', { day: 'last spring' }, /is no day/],
    ['a day to come', { day: '2027-01-01' }, /has not been yet/],
    ['a usage that is no number', { usage: 'many' }, /is no number/],
    ['a usage that could be two', { usage: '14 82' }, /is no number/],
    ['a usage below nought', { usage: '-5' }, /is no number/],
    ['a usage beyond all', { usage: '99999999999' }, /from 0 to 10000000/],
    ['a stretch that is no number', { elongation: 'long' }, /is no number/],
    ['a stretch beyond all', { elongation: '40 %' }, /expected a number/],
    ['work too long', { work: 'x'.repeat(4001) }, /at most 4000/],
    ['another chassis under a known plate', { vehicle: 'Other', registration: 'XY9', chassis: 'ZZ' }, /another chassis/]
  ])('%s', (_name, row, said) => expect(faultsOf(row).join(' | ')).toMatch(said))

  it('more cells than headings, a job twice in the file, and one that is known', () => {
    const one = reader()
    expect(one.add([...cells(GOOD), 'left over'], 2)!.faults[0]!.says.code).toBe('more-cells')
    const job = { ...GOOD, usage: '80000', work: 'Chain' }
    expect(one.add(cells(job), 3)!.faults).toEqual([])
    expect(one.add(cells(job), 4)!.faults[0]!.says.code).toBe('twice-in-file')
    const old = { registration: 'xy9', day: '2020-01-01', usage: '10 000', work: 'Chain' }
    expect(one.add(cells(old), 5)!.faults[0]!.says.code).toBe('known-already')
  })
})

describe('a row that is taken', () => {
  it('is read as people write: days, thousands, parts by name; what is no part is kept in words, and said', () => {
    const row = {
      ...GOOD,
      day: '1.5.2024',
      usage: '148.200',
      elongation: '0,21 %',
      renewed: 'timing chain; Water pump'
    }
    const { job, faults, notes } = reader().add(cells({ ...row, work: 'Cover off' }), 2)!
    expect(faults).toEqual([])
    expect(job).toEqual({
      doneOn: '2024-05-01',
      usage: { value: 148_200, unit: 'km' },
      work: 'Cover off\ntiming chain; Water pump',
      doneBy: '',
      renewed: ['main'],
      elongation: 0.0021
    })
    expect(notes.map(({ says }) => says.code)).toEqual(['no-part'])
  })

  it.each([
    ['5/4/2024', true, '2024-04-05'],
    ['5/4/2024', false, '2024-05-04'],
    ['25/4/2024', false, '2024-04-25'],
    ['4/25/24', true, '2024-04-25'],
    ['2024.4.5', true, '2024-04-05']
  ])('%s, day first %s, is %s', (day, dayFirst, doneOn) => {
    expect(reader({ dayFirst }).add(cells({ ...GOOD, day }), 2)!.job!.doneOn).toBe(doneOn)
  })

  it('is put to who and what is known, by phone and plate however they are written; nothing known is changed', () => {
    const one = reader()
    const row = { customer: 'BEN', phone: '55501', registration: 'xy-9', day: '2024-06-01', usage: '60000' }
    const planned = one.add(cells({ ...row, renewed: 'Fixed guide' }), 2)!
    expect(planned).toMatchObject({ customer: 'c1', vehicle: 'v1', sheet: 'a18', faults: [] })
    // Its parts are those of the engine that the vehicle is known to have.
    expect(planned.job!.renewed).toEqual(['guide'])
    expect(planned.notes.map(({ says }) => says.code)).toEqual(['less-than-before'])
    expect(one.outcome).toMatchObject({ customers: [], vehicles: [] })
  })

  it('brings each customer and vehicle once; two vehicles of one name are told apart by their plates', () => {
    const one = reader()
    one.add(cells({ customer: 'Anne', phone: '1', vehicle: 'Skiff', registration: 'A1' }), 2)
    one.add(cells({ customer: 'anne', phone: '1', vehicle: 'Skiff', registration: 'A 1', day: '2024-05-01' }), 3)
    one.add(cells({ customer: 'Anne', phone: '2', vehicle: 'Skiff', registration: 'B2' }), 4)
    one.add(cells({ vehicle: 'Van' }), 5)
    expect(one.outcome.customers.map(({ phone }) => phone)).toEqual(['1', '2'])
    expect(one.outcome.vehicles.map(({ name }) => name)).toEqual(['Skiff', 'Skiff B2'])
    expect(one.outcome.rows.at(-1)!.vehicle).toBe('v1')
    expect(one.add(cells({}), 6)).toBeNull()
  })
})
