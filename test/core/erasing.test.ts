import { describe, expect, it } from 'vitest'
import { eraseMentions, excerptOf, mentionPattern, termsOf, withoutPerson } from '../../core/views/erasing'
import { DEMO_JOBS } from '../../demo/workshop'

/** A customer's name, wherever people write it; and what of a job is nobody's. */
const HALE = {
  name: 'Jon Ortega-Hale',
  phone: '+351 211-234 567',
  email: 'jon@hale.example',
  plates: ['KH-47-11', 'QX79'],
  vehicles: ['Blue tender']
}
const pattern = mentionPattern(termsOf(HALE))!
const findsMention = (text: unknown, of: RegExp) => excerptOf(text, of) !== null
const erased = (value: unknown) => eraseMentions(value, pattern, '[erased]')

describe('a mention is found', () => {
  it.each([
    'for Jon Ortega-Hale, tomorrow',
    'for JON ORTEGA HALE',
    'Ortega-Hale, Jon wants it back',
    'ring +351211234567',
    'ring (351) 211 234 567',
    'mail jon@hale.example now',
    'on kh4711 the guide',
    'on KH 47 11',
    'the blue  tender’s chain'
  ])('as people write it: %s', (text) => {
    expect(findsMention(text, pattern)).toBe(true)
    expect(erased(text)).toContain('[erased]')
    expect(findsMention(erased(text), pattern)).toBe(false)
  })

  it.each([
    'Jonathan Ortega-Haley',
    'jon',
    'ortega',
    'KH-47-112',
    '9351211234567',
    'xjon@hale.example',
    'blue tenders'
  ])('and nothing else is: %s', (text) => expect([text, erased(text)]).toEqual([text, text]))

  it('too short a name or number is not looked for, nor is nothing', () => {
    expect(termsOf({ name: 'Al', phone: '12', email: '', plates: ['A1', ''], vehicles: [''] })).toEqual([])
    expect(mentionPattern([])).toBeNull()
  })

  it('signs that mean something in a pattern are signs', () => {
    const odd = mentionPattern(termsOf({ ...HALE, name: 'A. (Bo) C+*', plates: [], vehicles: ['[x] \\d+ name'] }))!
    expect(findsMention('A. (Bo) C+*', odd)).toBe(true)
    expect(findsMention('7 name', odd)).toBe(false)
  })
})

describe('in a record', () => {
  it('what the program means by a word stays, what people wrote goes', () => {
    const arm = mentionPattern(termsOf({ name: 'Arm', phone: '', email: '', plates: [], vehicles: [] }))!
    const act = { id: 'arm', type: 'read', by: 'Arm', reading: { kind: 'groove', rail: 'arm', note: 'Arm said so' } }
    expect(eraseMentions(act, arm, '–')).toEqual({ ...act, reading: { ...act.reading, note: '– said so' } })
  })

  it('who signed a choice is the customer, who entered something is not', () => {
    const choice = { id: 'c1', type: 'choice', by: 'Jon Ortega-Hale' }
    const note = { id: 'n1', type: 'waits', by: 'Jon Ortega-Hale', note: 'for Jon Ortega-Hale' }
    expect(erased([choice, note])).toEqual([
      { ...choice, by: '[erased]' },
      { ...note, note: 'for [erased]' }
    ])
  })

  it('names of fields that people wrote are gone through too; an excerpt says what stands about it', () => {
    expect(erased({ 'Jon Ortega-Hale': 1 })).toEqual({ '[erased]': 1 })
    expect(excerptOf({ a: [{ note: `${'x'.repeat(90)} KH 4711 ${'y'.repeat(90)}` }] }, pattern)).toMatch(
      /^x+ KH 4711 y+$/
    )
  })
})

it('what a job taught is of nobody: no notes, hands and days', () => {
  const { job, acts } = DEMO_JOBS[0]!
  const file = withoutPerson(job, acts)
  expect(file.readings.length).toBeGreaterThan(3)
  for (const reading of file.readings)
    for (const field of ['by', 'at', 'note']) expect(reading).not.toHaveProperty(field)
  expect(JSON.stringify(file)).not.toContain(job.vehicle)
})
