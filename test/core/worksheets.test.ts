import { expect, it } from 'vitest'
import { DEMO_WORKSHOP } from '../../demo/workshop'
import { writeWorksheet } from '../../words/en'
import { sheet } from '../support/sheets'

it('a worksheet asks for every reading with its limit and unit, and for counts as the sheet has them', () => {
  const { groups } = writeWorksheet(sheet('ardmere-a18'), {
    workshop: DEMO_WORKSHOP,
    customer: null,
    vehicle: 'Van',
    registration: '',
    engine: 'A18',
    usage: { value: 1, unit: 'km' },
    complaint: '',
    by: 'Maren',
    at: '2026-11-26T08:00:00.000Z'
  })
  const lines = groups.flatMap((group) => group.lines)
  const line = (text: RegExp) => lines.find((one) => text.test(one.text))!
  expect(line(/tensioner extension/)).toMatchObject({ text: expect.stringContaining('limit 13.5 mm'), blank: 'mm' })
  expect(line(/Fixed guide/).text).toContain('limit 1.2 mm')
  expect(line(/cam lag/)).toMatchObject({ text: expect.stringContaining('limit 5 crank degrees'), blank: '°' })
  expect(line(/crank sprocket to exhaust/)).toMatchObject({ text: expect.stringContaining('sheet says 53') })
})
