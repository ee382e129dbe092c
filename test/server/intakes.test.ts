import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { CustomerRow, PastJobRow, VehicleRow } from '../../server/db/models'
import type { HistoryField } from '../../core/views/history'
import { useWorkshop } from './workshop'

/** Older records out of files: looked at, tried, taken in as one, taken out as one. */
const workshop = useWorkshop()

const FIELDS: HistoryField[] = ['customer', 'phone', 'vehicle', 'registration', 'engine', 'day', 'usage', 'work']
const HEADINGS = ['Client', 'Tel', 'Boat', 'Plate', 'Engine', 'Date', 'Mileage', 'Description']
const plan = { fields: FIELDS, unit: 'km', dayFirst: true } as const
const csv = (rows: string[][], heads = HEADINGS, by = ';') =>
  Buffer.from([heads, ...rows].map((row) => row.join(by)).join('\r\n'), 'utf8')
const row = (i: number, more: Partial<Record<number, string>> = {}) =>
  [`Client ${i}`, `0700 ${i}`, `Boat ${i}`, `PL-${i}`, 'ardmere-a18', '01.05.2024', '12.000', 'Chain'].map(
    (cell, k) => more[k] ?? cell
  )
const counts = async () => [
  await CustomerRow.count(),
  await VehicleRow.count(),
  await PastJobRow.count({ where: { removedAt: null as never } })
]
const take = (bytes: Buffer, more = {}) =>
  workshop.intakes.takeIntake(bytes, {
    plan,
    headings: HEADINGS,
    name: 'old.csv',
    by: 'Maren',
    without: false,
    progress: () => undefined,
    gone: () => false,
    ...more
  })

describe('a file', () => {
  it('is read whatever it is separated by and written in; columns are guessed, and remembered as they were put', async () => {
    const latin = Buffer.concat([Buffer.from('Client,Tel\r\nJ'), Buffer.from([0xfc]), Buffer.from('rgen,1\r\n')])
    expect(await workshop.intakes.lookAtTable(latin)).toMatchObject({
      rows: 1 + 1,
      columns: [{ heading: 'Client', samples: ['Jürgen'], field: 'customer' }, { field: 'phone' }]
    })
    for (const by of [';', ',', '\t', '|'])
      expect((await workshop.intakes.lookAtTable(csv([row(1)], HEADINGS, by))).columns).toHaveLength(8)
    for (const bad of ['', '\n\n', 'only headings'])
      await expect(workshop.intakes.lookAtTable(Buffer.from(bad))).rejects.toMatchObject({ code: 'bad-input' })
    await expect(workshop.intakes.lookAtTable(Buffer.from('PK\u0003\u0004 no archive'))).rejects.toMatchObject({
      code: 'bad-input'
    })
  })

  it('of a spreadsheet is read as it is shown, its days too', async () => {
    const look = await workshop.intakes.lookAtTable(spreadsheet())
    expect(look.columns.map(({ heading, samples }) => [heading, samples])).toEqual([
      ['Client', ['Anne & Co']],
      ['Mileage', ['148200']]
    ])
    // One that says it unpacks to more than any has is not unpacked.
    const bomb = Buffer.from(spreadsheet())
    bomb.writeUInt32LE(0xfffffff0, bomb.indexOf(Buffer.from([0x50, 0x4b, 1, 2])) + 24)
    await expect(workshop.intakes.lookAtTable(bomb)).rejects.toMatchObject({ code: 'bad-input' })
  })
})

describe('taking in', () => {
  it('is tried first, is all or nothing, and is undone as one; what was used since stays', async () => {
    const before = await counts()
    const file = csv([row(1), row(2), row(2, { 5: 'no day' }), row(1, { 5: '02.06.2024', 6: '11000' })])
    const tried = await workshop.intakes.tryIntake(file, plan)
    expect(tried).toMatchObject({ taken: 3, customers: { fresh: 2 }, vehicles: { fresh: 2 }, jobs: 3, outCount: 1 })
    expect(tried.out[0]).toMatchObject({ line: 4 })
    expect(tried.noted.map(({ line }) => line)).toEqual([5])
    expect(await counts()).toEqual(before)
    await expect(take(file)).rejects.toMatchObject({ code: 'conflict' })
    expect(await counts()).toEqual(before)

    const told: number[] = []
    const taken = await take(file, { without: true, progress: (done: number) => told.push(done) })
    expect(told.at(-1)).toBe(7)
    expect(await counts()).toEqual([before[0]! + 2, before[1]! + 2, before[2]! + 3])
    // The same again is known already, all of it.
    expect(await workshop.intakes.tryIntake(file, plan)).toMatchObject({ taken: 0, outCount: 4 })
    // Its columns are remembered.
    expect((await workshop.intakes.lookAtTable(csv([row(1)]))).columns.map(({ field }) => field)).toEqual(FIELDS)

    const { rows } = await workshop.vehicles.listVehicles({ search: 'pl1', page: 0 })
    expect(rows[0]).toMatchObject({ name: 'Boat 1', customer: { name: 'Client 1' } })
    await workshop.vehicles.keepPastJob(
      rows[0]!.id,
      { doneOn: '2025-01-01', usage: null, work: 'x', doneBy: '', renewed: [], elongation: null },
      'Maren'
    )
    expect(await workshop.intakes.undoIntake(taken.id)).toEqual({ stay: 2 })
    expect(await counts()).toEqual([before[0]! + 1, before[1]! + 1, before[2]! + 1])
    await expect(workshop.intakes.undoIntake(taken.id)).rejects.toMatchObject({ code: 'not-found' })
    expect((await workshop.intakes.listIntakes()).find(({ id }) => id === taken.id)).toMatchObject({ undone: true })
  })

  it('of twenty thousand rows keeps them all, tells how far it is, and called off keeps none', async () => {
    const before = await counts()
    const many = csv(Array.from({ length: 20_000 }, (_, i) => row(1000 + Math.floor(i / 2), { 6: String(10_000 + i) })))
    let told = 0
    await expect(take(many, { progress: () => told++, gone: () => told > 12 })).rejects.toMatchObject({
      code: 'bad-request'
    })
    expect(told).toBeGreaterThan(10)
    expect(await counts()).toEqual(before)
    const { id } = await take(many)
    expect(await counts()).toEqual([before[0]! + 10_000, before[1]! + 10_000, before[2]! + 20_000])
    expect(await workshop.intakes.undoIntake(id)).toEqual({ stay: 0 })
    expect(await counts()).toEqual(before)
  }, 120_000)

  it('feeds when parts were fitted, and how fast chains wear', async () => {
    const fields: HistoryField[] = ['vehicle', 'engine', 'day', 'usage', 'renewed', 'elongation']
    const file = csv(
      [
        ['Ketch', 'ardmere-a18', '2020-05-01', '40000', 'Timing chain', ''],
        ['Ketch', 'ardmere-a18', '2022-05-01', '80000', '', '0.10'],
        ['Ketch', 'ardmere-a18', '2024-05-01', '120000', '', '0.22']
      ],
      ['Boat', 'Engine', 'Date', 'km', 'Parts', 'Stretch']
    )
    await take(file, { plan: { ...plan, fields } })
    const { own: _own, ...learnt } = await workshop.learning.workshopLearnt(null)
    const rates = learnt.types.flatMap(({ engines }) => engines).filter(({ vehicle }) => vehicle === 'Ketch')
    expect(rates).toHaveLength(1)
    // Nothing where it was renewed, 0.10 % 40 000 km on and 0.22 % 80 000 km on: the line of least squares.
    expect(rates[0]!.rate.mean).toBeCloseTo((0.001 * 40 + 0.0022 * 80) / (40 ** 2 + 80 ** 2) / 1000, 10)
  })
})

/** The smallest spreadsheet that there is. */
function spreadsheet(): Buffer {
  const xml = (text: string) => strToU8(`<?xml version="1.0" encoding="UTF-8"?>${text}`)
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
  const rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
  const cell = (at: string, text: string) => `<c r="${at}" t="inlineStr"><is><t>${text}</t></is></c>`
  return Buffer.from(
    zipSync({
      '[Content_Types].xml': xml('<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>'),
      'xl/workbook.xml': xml(
        `<workbook xmlns="${main}" xmlns:r="${rel}"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>`
      ),
      'xl/_rels/workbook.xml.rels': xml(
        `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${rel}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`
      ),
      'xl/worksheets/sheet1.xml': xml(
        `<worksheet xmlns="${main}"><sheetData><row r="1">${cell('A1', 'Client')}${cell('B1', 'Mileage')}</row><row r="2">${cell('A2', 'Anne &amp; Co')}<c r="B2"><v>148200</v></c></row></sheetData></worksheet>`
      )
    })
  )
}
