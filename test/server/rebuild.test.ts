import { randomUUID } from 'node:crypto'
import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import type { Act, ActOf } from '../../core/record'
import { checkCalendar } from '../../server/calendar'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()
const act = (id: string, more: object): Act => ({ id, by: 'Tove', at: '2026-11-24T08:00:00.000Z', ...more }) as Act
const open = (vehicle: string, value: number) =>
  workshop.opening.openJob(randomUUID(), {
    vehicle,
    stand: '',
    complaint: '',
    openedBy: 'Tove',
    sheet: 'ardmere-a18',
    usage: { value, unit: 'km' },
    school: 'on-evidence'
  })

describe('a check as a calendar entry', () => {
  const event = (check: Partial<ActOf<'check'>>) => {
    const text = checkCalendar(
      'job',
      { vehicle: 'Pilot van; "3", ä', sheet: { name: 'Ardmere' } as never },
      { date: '2027-03-05', stopGap: false, ...check } as ActOf<'check'>,
      'km'
    )
    return new ICAL.Event(new ICAL.Component(ICAL.parse(text) as never).getFirstSubcomponent('vevent')!)
  }
  it('is read back by a parser: day, words and alarm', () => {
    const found = event({ usage: 160_000, note: 'Look, again' })
    expect(found.startDate.toString()).toBe('2027-03-05')
    expect(found.startDate.isDate).toBe(true)
    expect(found.summary).toBe('Look again: Pilot van; "3", ä')
    expect(found.description).toContain('Or at 160000 km')
    expect(found.component.getAllSubcomponents('valarm')).toHaveLength(1)
  })
  it('of a stop-gap says so and nags', () => {
    const found = event({ stopGap: true })
    expect(found.summary).toMatch(/^Stop-gap/)
    expect(found.component.getAllSubcomponents('valarm').length).toBeGreaterThan(2)
  })
})

it('checks that are due stand on the list by date, and go with the job', async () => {
  const [soon, late] = [await open('Check soon', 10), await open('Check late', 10)]
  await workshop.acts.addAct(soon, act('c', { type: 'check', date: '2026-12-01', stopGap: true }))
  await workshop.acts.addAct(late, act('c', { type: 'check', date: '2027-12-01', stopGap: false }))
  await workshop.summaries.refreshStale()
  const due = async () => (await workshop.checks.checksDue('2026-12-31')).map(({ vehicle }) => vehicle)
  expect(await due()).toContain('Check soon')
  expect(await due()).not.toContain('Check late')
  await workshop.acts.addAct(soon, act('gone', { type: 'state', state: 'deleted' }))
  expect(await due()).not.toContain('Check soon')
})

it('after a chain was renewed, the next job knows when, and forgets how long the old one was', async () => {
  const first = await open('Renewed van', 100_000)
  await workshop.acts.addAct(first, act('l', { type: 'read', reading: read.length(160.9) }))
  await workshop.acts.addAct(first, act('f', { type: 'task', task: 'part:main:fitted', state: 'done' }))
  const { job } = await workshop.jobs.findJob(await open('Renewed van', 130_000))
  expect(job.known!.fitted).toEqual({ main: 100_000 })
  expect(job.known!.history).toBeUndefined()
})

it('the workshop learns from its demo jobs: the rate of the van seen four times', async () => {
  const { types, calibration } = await workshop.learning.workshopLearnt(['Maren'])
  const van = types
    .find(({ sheet }) => sheet.startsWith('Ardmere'))!
    .engines.find(({ vehicle }) => vehicle === 'Pilot van 3')!
  expect(van.points).toBe(4)
  expect(van.limit!.usage.mean).toBeGreaterThan(150_000)
  expect(calibration.length).toBeGreaterThan(3)
})
