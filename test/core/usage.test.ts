import { describe, expect, it } from 'vitest'
import { askOfUsage, readWritten, type SeenUsage } from '../../core/readings'
import { type Act, exportJob, foldActs, importJob, jobFile, type KeptJob } from '../../core/record'
import { sheet } from '../support/sheets'

/** What stands on the clock: as it is typed, as it can be, and as it is put right. */

describe('a number as the workshop writes it', () => {
  it.each([
    ['148200', 148_200, false],
    ['148 200', 148_200, true],
    ['148.200', 148_200, true],
    ['148,200', 148_200, true],
    ['148’200', 148_200, true],
    ['1.148.200', 1_148_200, true],
    ['148.200,5', 148_200.5, true],
    ['148,200.5', 148_200.5, true],
    ['148 200,5', 148_200.5, true],
    ['148.2', 148.2, false],
    ['148,25', 148.25, false],
    ['0.500', 0.5, false],
    [' 12 ', 12, false]
  ])('%s is %d', (typed, value, grouped) => expect(readWritten(typed)).toEqual({ value, grouped }))

  it.each(['', 'many', '14 82', '1.2.3', '1,25.000', '148.200.5', '-5', '1e6', '12 3456', '１２'])(
    '%s is none, or could be two',
    (typed) => expect(readWritten(typed)).toBeNull()
  )
})

describe('a usage that a vehicle can hardly have', () => {
  const seen = (...points: [string, number][]): SeenUsage[] =>
    points.map(([day, value]) => ({ at: `${day}T12:00:00.000Z`, usage: { value, unit: 'km' } }))
  const asked = (points: SeenUsage[], value: number, day: string, unit: 'km' | 'h' = 'km') =>
    askOfUsage(points, { value, unit }, `${day}T12:00:00.000Z`)?.code ?? null
  const line = seen(['2024-01-01', 60_000], ['2025-01-01', 75_000])

  it('is asked about where it is less than before, far from its own line, or more than anybody drives', () => {
    expect(asked(line, 74_000, '2026-01-01')).toBe('less-than-before')
    expect(asked(line, 90_000, '2026-01-01')).toBeNull()
    expect(asked(line, 190_000, '2026-01-01')).toBe('far-from-line')
    expect(asked(line, 79_000, '2025-01-02')).toBe('more-than-possible')
  })

  it('is not asked about on a vehicle never seen, in another unit, or by what came after', () => {
    expect(asked([], 5, '2026-01-01')).toBeNull()
    expect(asked(line, 500, '2026-01-01', 'h')).toBeNull()
    expect(asked(line, 66_000, '2024-06-01')).toBeNull()
    // One visit draws no line.
    expect(asked(seen(['2024-01-01', 60_000]), 190_000, '2026-01-01')).toBeNull()
  })
})

describe('a usage that was put right', () => {
  const job: KeptJob = {
    vehicle: 'Odd clock',
    stand: '',
    complaint: '',
    openedBy: 'Maren',
    openedAt: '2026-11-26T07:00:00.000Z',
    sheet: sheet('ardmere-a18'),
    usage: { value: 14_820, unit: 'km' },
    school: 'on-evidence',
    corrections: null
  }
  const at = '2026-11-26T08:00:00.000Z'
  const right: Act = { id: 'u1', type: 'usage', by: 'Maren', at, usage: 148_200, note: 'A digit was missing' }
  const importer = { by: 'import', at, newId: () => 'new' }

  it('is what the job is judged with, until that is taken back', () => {
    expect(jobFile(job, [right]).usage).toEqual({ value: 148_200, unit: 'km' })
    expect(jobFile(job, [right, { id: 'x', type: 'undo', by: 'Maren', at, act: 'u1' }]).usage.value).toBe(14_820)
    expect(foldActs([], 'on-evidence').usage).toBeNull()
  })

  it('travels with what was entered first; a file where they differ was edited', () => {
    const file = exportJob(job, [right])
    expect(file.usage.value).toBe(148_200)
    const back = importJob(JSON.parse(JSON.stringify(file)), importer)
    expect(back.job!.usage.value).toBe(14_820)
    expect(jobFile(back.job!, back.acts).usage.value).toBe(148_200)
    const edited = importJob({ ...file, usage: { value: 90_000, unit: 'km' } }, importer)
    expect(edited.faults.map(({ place, code }) => [place, code])).toEqual([['usage', 'usage-edited']])
  })
})
