import { describe, expect, it } from 'vitest'
import {
  asksLocking,
  asksTurning,
  draftOf,
  emptyDraft,
  largeNumberOf,
  numberOf,
  readingOf
} from '../../app/components/bench/draft'
import { spread } from '../../draw/drawing'
import { lagWords, oddsWords, readingWords, teethWords, usageWords } from '../../app/words'
import { slotsOf } from '../../core/views/bench'
import { read } from '../support/jobs'
import { sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const slot = (key: string) => slotsOf(drive).find((s) => s.key === key)!
const lag = slot('camLag:cam-in')
const length = slot('chainLength:main:20')
const extension = slot('extension:tensioner')

describe('a figure as it is typed', () => {
  it.each([
    ['14.2', 14.2],
    [' 14,2 ', 14.2],
    ['.5', 0.5],
    ['3.', 3],
    ['-2', -2]
  ])('%j is %f', (text, value) => expect(numberOf(text)).toBe(value))
  it.each(['', 'abc', '14.2.1', '1e3', '12 mm', '0x10', 'NaN'])('%j is no number', (text) =>
    expect(numberOf(text)).toBeNull()
  )
})

describe('what the form stands for', () => {
  it('early is a negative lag, and what was not said is not said', () => {
    expect(
      readingOf(drive, lag, { ...emptyDraft(lag), figure: '3,5', side: 'early', note: ' found so ' }).reading
    ).toEqual({ kind: 'camLag', sprocket: 'cam-in', value: -3.5, method: 'marks', note: 'found so' })
  })
  it('notches instead of millimetres', () => {
    expect(
      readingOf(drive, extension, { ...emptyDraft(extension), figure: '5', readIn: 'notches', turned: 'yes' }).reading
    ).toEqual({ kind: 'extension', tensioner: 'tensioner', notches: 5, turnedForward: true })
  })
  it('a reading put into the form comes out as it was', () => {
    for (const [s, reading] of [
      [lag, { ...read.lag('cam-in', -17), method: 'wheel', phaserLocked: false }],
      [length, { ...read.length(80.4, 10), method: 'rule' }],
      [extension, { ...read.extension(9), method: 'photo' }]
    ] as const) {
      expect(readingOf(drive, s, draftOf(s, reading)).reading).toEqual(reading)
    }
  })
  it.each([
    [lag, { figure: 'late' }, 'figure', /no number: write digits/],
    [lag, { figure: '' }, 'figure', /Enter the figure/],
    [lag, { figure: '-3' }, 'figure', /late or early/],
    [extension, { figure: '40' }, 'figure', /beyond the stroke of 22 mm/],
    [slot('groove:guide'), { figure: '-0.2' }, 'figure', /below 0 mm/],
    [length, { figure: '160', links: '' }, 'links', /whole links/],
    [length, { figure: '180' }, 'figure', /does not fit 20 links/],
    [slot('linkCount:main:crank:cam-ex'), { figure: '52.3' }, 'figure', /halves/]
  ] as const)('%# says what is wrong at its field', (s, typed, field, message) => {
    const { reading, fault } = readingOf(drive, s, { ...emptyDraft(s), ...typed })
    expect(reading).toBeNull()
    expect(fault).toMatchObject({ field, message: expect.stringMatching(message) })
  })
  it('asks only what changes the answer', () => {
    expect([lag, extension, length].map((s) => asksTurning(drive, s))).toEqual([true, true, false])
    expect([lag, extension].map((s) => asksLocking(drive, s))).toEqual([true, false])
    const spring = sheet('hexley-h46')
    expect(
      asksTurning(
        spring,
        slotsOf(spring).find((s) => s.kind === 'extension')!
      )
    ).toBe(false)
  })
})

describe('words', () => {
  it('signs are said, and nothing is more certain than it is', () => {
    expect([lagWords(3.46), lagWords(-20), lagWords(0.01)]).toEqual(['3.5° late', '20.0° early', '0.0°'])
    expect([teethWords(0), teethWords(1), teethWords(-2)]).toEqual(['no tooth jumped', '1 tooth late', '2 teeth early'])
    expect([oddsWords(0), oddsWords(0.123), oddsWords(1)]).toEqual(['under 1 %', '12 %', 'over 99 %'])
  })
  it('readings and usage carry their units', () => {
    expect(readingWords(read.length(160.5))).toBe('160.50 mm over 20 links')
    expect(readingWords({ kind: 'extension', tensioner: 'tensioner', notches: 1 })).toBe('1 notch')
    expect(usageWords({ value: 148_200, unit: 'km' })).toBe('148\u00a0200 km')
  })
})

it('labels of one side never cover each other and stay on the map', () => {
  const placed = spread([300, 10, 305, 306, 590], 50, 0, 500)
  const sorted = [...placed].sort((a, b) => a - b)
  sorted.slice(1).forEach((top, i) => expect(top - sorted[i]!).toBeGreaterThanOrEqual(50))
  expect(sorted[0]).toBeGreaterThanOrEqual(0)
  expect(sorted.at(-1)).toBeLessThanOrEqual(500)
})

describe('usage and amounts', () => {
  it.each([
    ['148.200', 148_200],
    ['148,200', 148_200],
    ['92 400', 92_400],
    ['92\u202f400', 92_400],
    ['1.250.000', 1_250_000],
    ["1'250'000", 1_250_000],
    ['148.2', 148.2],
    ['148,25', 148.25],
    ['1482', 1482],
    ['0.5', 0.5],
    ['0.500', 0.5]
  ])('%s is %d', (typed, value) => expect(largeNumberOf(typed)).toBe(value))
  it.each(['', 'many', '1.2.3', '14 82', '1,25.000'])('%s is no number', (typed) =>
    expect(largeNumberOf(typed)).toBeNull()
  )
})
