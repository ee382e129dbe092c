import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { assess } from '../../core/paths'
import { type Act, jobFile } from '../../core/record'
import type { JobFile, Reading } from '../../core/readings'
import { DEMO_JOBS } from '../../demo/workshop'
import { read } from '../support/jobs'

vi.mock('ofetch', async (original) => ({
  ...(await original<typeof import('ofetch')>()),
  $fetch: vi.fn(() => new Promise(() => undefined))
}))
vi.mock('../../app/composables/useEstimator', () => ({
  assessInWorker: (job: JobFile) => Promise.resolve(assess(job)),
  readyEstimator: () => undefined
}))
const { useJob } = await import('../../app/stores/job')
const { useBench } = await import('../../app/stores/bench')
const { useOutbox } = await import('../../app/stores/outbox')

const { job: van } = DEMO_JOBS[0]!
const at = '2026-11-24T08:00:00.000Z'

function opened(readings: Reading[] = []) {
  const acts = readings.map((reading, i): Act => ({ id: `a${i}`, type: 'read', by: 'Bela', at, reading }))
  const job = useJob()
  job.open({
    id: DEMO_JOBS[0]!.id,
    job: van,
    acts: acts.map((act, i) => ({ seq: i + 1, act })),
    assessment: assess(jobFile(van, acts))
  })
  return job
}

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  useBench().by = 'Maren'
  useOutbox().ready = true
})

describe('a job on the bench', () => {
  it('opens at the complaint when nothing was read, else at the reading that is worth most', () => {
    expect(opened().station).toBe(1)
    setActivePinia(createPinia())
    const job = opened([read.extension(13), read.lag('cam-in', 3)])
    const { next } = job.assessment!
    expect(job.slot?.key).toBe('groove:arm')
    expect(next[0]).toMatchObject({ kind: 'groove', target: 'arm' })
  })

  it("goes to a station's first open figure, or to its part's findings", () => {
    const job = opened([read.groove('guide', 0.3)])
    job.openStation(5)
    expect(job.slot?.key).toBe('groove:arm')
    job.openSide('bridge', 'findings')
    expect([job.slot, job.part, job.side]).toEqual([null, 'bridge', 'findings'])
  })

  it('shows an entry at once, with the name on it, and what it changed', async () => {
    const job = opened([read.extension(13)])
    const { act, settled } = job.put({ type: 'read', reading: read.length(160.9) })
    expect(act).toMatchObject({ by: 'Maren', reading: { kind: 'chainLength' } })
    expect(job.record.readings).toHaveLength(2)
    await settled
    expect(job.change).toMatch(/^The chain length took elongation from/)
    expect(useOutbox().waiting).toHaveLength(1)
  })

  it('what comes close together is told of both who did it, not of one', async () => {
    const job = opened([read.extension(13)])
    const from = (id: string, by: string, reading: Reading) =>
      job.confirm(DEMO_JOBS[0]!.id, { seq: 10 + Number(id), act: { id, type: 'read', by, at, reading } })
    from('1', 'Bela', read.length(160.9))
    from('2', 'Tove', read.groove('guide', 0.5))
    await vi.waitFor(() => expect(job.change).toMatch(/^Bela and Tove: 2 entries together took elongation/))
    from('3', 'Tove', read.groove('arm', 0.5))
    await vi.waitFor(() => expect(job.change).toMatch(/^Tove: The groove depth/))
  })

  it('what the same person enters on another device is assessed too', async () => {
    const job = opened([read.extension(13)])
    const before = job.assessment!.chains.main!.elongation.mean
    job.confirm(DEMO_JOBS[0]!.id, {
      seq: 20,
      act: { id: 'other', type: 'read', by: 'Maren', at, reading: read.length(160.9) }
    })
    await vi.waitFor(() => expect(job.assessment!.chains.main!.elongation.mean).not.toBe(before))
    expect(job.change).toMatch(/^The chain length/)
  })

  it('what an assessment says of a reading is found by its id, also while others stand already', async () => {
    const job = opened([read.extension(13), read.groove('guide', 0.4)])
    const { settled } = job.put({ type: 'undo', act: 'a0' })
    expect([
      job.record.readings.length,
      job.readingById('a0'),
      job.estimateOf('a0')?.id,
      job.estimateOf('a1')?.id
    ]).toEqual([1, null, 'a0', 'a1'])
    await settled
    expect([job.estimateOf('a0'), job.estimateOf('a1')?.id, job.readingById('a1')]).toEqual([
      null,
      'a1',
      job.record.readings[0]
    ])
  })

  it('a station whose figures are all read opens on its findings, not on what is read', () => {
    const job = opened([read.length(160.9), { kind: 'chainCompare', chain: 'main', links: 20, value: 0.4 }])
    job.openStation(7)
    expect([job.slot, job.part, job.side]).toEqual([null, 'main', 'findings'])
  })

  it('a finding is noted and taken back by touching it twice', async () => {
    const job = opened()
    job.toggleFinding({ kind: 'condition', target: 'guide', finding: 'cracked' })
    expect(job.findingOf('guide', 'cracked')?.by).toBe('Maren')
    job.toggleFinding({ kind: 'condition', target: 'guide', finding: 'cracked' })
    expect(job.findingOf('guide', 'cracked')).toBeNull()
    expect(job.acts.map((act) => act.type)).toEqual(['read', 'undo'])
  })

  it("of a group of which one holds, the new answer takes the old one's place", () => {
    const job = opened()
    const group = ['vacuum-low', 'vacuum-right']
    job.toggleFinding({ kind: 'condition', target: 'engine', finding: 'vacuum-low' }, group)
    job.toggleFinding({ kind: 'condition', target: 'engine', finding: 'vacuum-right' }, group)
    expect([job.findingOf('engine', 'vacuum-low'), job.findingOf('engine', 'vacuum-right')?.finding]).toEqual([
      null,
      'vacuum-right'
    ])
  })

  it('what was said of the engine reaches the estimate', async () => {
    const job = opened([read.extension(13)])
    const before = job.assessment!.chains.main!.elongation.mean
    await job.put({ type: 'corrections', corrections: { skim: { 1: 0.3 } } }).settled
    expect(job.corrections).toEqual({ skim: { 1: 0.3 } })
    expect(job.assessment!.chains.main!.elongation.mean).toBeLessThan(before)
  })

  it('counts what is done at each station', () => {
    const job = opened([read.extension(13), read.found('tensioner', 'witness-mark')])
    expect(job.stations.find((s) => s.station === 4)).toMatchObject({ read: 1, all: 2, findings: 1 })
  })

  it('an act that came back from the server is kept once', () => {
    const job = opened()
    const { act } = job.put({ type: 'read', reading: read.groove('guide', 0.4) })
    job.confirm(job.id, { seq: 9, act })
    job.confirm(job.id, { seq: 9, act })
    expect(job.acts).toHaveLength(1)
    job.confirm('another job', { seq: 10, act: { ...act, id: 'x' } })
    expect(job.acts).toHaveLength(1)
  })
})
