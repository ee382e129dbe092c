import { describe, expect, it } from 'vitest'
import type { JobSummary } from '../../core/views/summary'
import { needsNow } from '../../core/views/summary'

type Listed = Pick<JobSummary, 'calls' | 'waits' | 'readings' | 'next' | 'lastAt'> & { trouble: boolean; id: string }
const job = (id: string, more: Partial<Listed> = {}): Listed => ({
  id,
  calls: [{ call: 'back-in', parts: 4 }],
  waits: null,
  readings: 3,
  next: null,
  lastAt: '2026-11-20T08:00:00.000Z',
  trouble: false,
  ...more
})
const waits = { for: 'part', note: '', since: '' } as const

describe('who needs someone now', () => {
  it('the most pressing first, three at most, and of the same the one untouched longest', () => {
    const found = needsNow([
      job('renew', { calls: [{ call: 'renew', parts: 5 }] }),
      job('next', { next: { kind: 'groove', part: 'Fixed guide' } }),
      job('stop late', { calls: [{ call: 'stop', parts: 1 }], lastAt: '2026-11-24T08:00:00.000Z' }),
      job('stop early', { calls: [{ call: 'stop', parts: 2 }] })
    ])
    expect(found.map(({ job: { id }, why, parts }) => [id, why, parts])).toEqual([
      ['stop early', 'stop', 2],
      ['stop late', 'stop', 1],
      ['renew', 'renew', 5]
    ])
  })
  it('not what waits for a part or a customer, nor what is sound; one that cannot be computed before all', () => {
    expect(needsNow([job('sound'), job('waits', { waits, calls: [{ call: 'stop', parts: 1 }] })])).toEqual([])
    const [first] = needsNow([
      job('stop', { calls: [{ call: 'stop', parts: 1 }] }),
      job('broken', { trouble: true, waits })
    ])
    expect([first!.job.id, first!.why]).toEqual(['broken', 'trouble'])
  })
  it('nothing read yet says so', () => {
    expect(needsNow([job('new', { readings: 0, calls: [] })])[0]!.why).toBe('unread')
  })
})
