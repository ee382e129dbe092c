import { expect, it } from 'vitest'
import { DEMO_JOBS, DEMO_WORKSHOP } from '../../demo/workshop'
import { rebuildOf } from '../../core/views/buildup'
import { assessRecord } from '../../core/record'
import { writeBuildSheet, writeWorksheet } from '../../words/en'
import { sheet } from '../support/sheets'

const OF = {
  workshop: DEMO_WORKSHOP,
  customer: null,
  vehicle: 'Van',
  registration: '',
  engine: 'A18',
  usage: { value: 1, unit: 'km' as const },
  complaint: '',
  by: 'Maren',
  at: '2026-11-26T08:00:00.000Z'
}
const builtUp = ({ job, acts }: (typeof DEMO_JOBS)[number]) =>
  writeBuildSheet(job.sheet, rebuildOf(job, acts, assessRecord(job, acts)), OF).groups

it('a worksheet asks for every reading with its limit and unit, and for counts as the sheet has them', () => {
  const { groups } = writeWorksheet(sheet('ardmere-a18'), OF)
  const lines = groups.flatMap((group) => group.lines)
  const line = (text: RegExp) => lines.find((one) => text.test(one.text))!
  expect(line(/tensioner extension/)).toMatchObject({ text: expect.stringContaining('limit 13.5 mm'), blank: 'mm' })
  expect(line(/Fixed guide/).text).toContain('limit 1.2 mm')
  expect(line(/cam lag/)).toMatchObject({ text: expect.stringContaining('limit 5 crank degrees'), blank: '°' })
  expect(line(/crank sprocket to exhaust/)).toMatchObject({ text: expect.stringContaining('sheet says 53') })
})

it('a build-up on paper says which bolt goes into which hole, as they came out', () => {
  const group = builtUp(DEMO_JOBS.find(({ job }) => job.vehicle === 'Pilot van 2')!).find(({ title }) =>
    title.startsWith('Bolts,')
  )!
  expect(group.lines).toHaveLength(8)
  expect(group.lines[6]!.text).toBe('Hole 7: 55 mm, 50 % from the left, 88 % down')
})

it('an engine of two banks has a tag for each part that looks like its fellow on the other', () => {
  const v6 = builtUp(DEMO_JOBS.find(({ job }) => job.sheet.id === 'vellora-v28')!)
  const tags = v6.find(({ title }) => title.startsWith('Bank tags'))!.lines.map(({ text }) => text)
  expect(tags).toContain('Bank 1: Bank 1 tensioner')
  expect(tags.filter((tag) => tag.startsWith('Bank 2:')).length).toBe(tags.length / 2)
  expect(builtUp(DEMO_JOBS[0]!).some(({ title }) => title.startsWith('Bank tags'))).toBe(false)
})
