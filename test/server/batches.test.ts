import { describe, expect, it, vi } from 'vitest'
import { inBatches, shared } from '../../server/utils/inBatches'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

/** Work that is held back until it is let go. */
function held() {
  const batches: { items: readonly number[]; let: () => void }[] = []
  const ask = inBatches<number, number>(
    (_key, items) => new Promise((done) => batches.push({ items, let: () => done(items.map((item) => 10 * item)) })),
    3
  )
  return { batches, ask }
}
/** Until all that is due now was done. */
const settle = () => new Promise((done) => setImmediate(done))

describe('work in batches', () => {
  it('begins at once, and what comes meanwhile is one batch after it, as large as may be', async () => {
    const { batches, ask } = held()
    const answers = [1, 2, 3, 4, 5].map((n) => ask('a', n))
    expect(batches.map(({ items }) => items)).toEqual([[1]])
    batches[0]!.let()
    await settle()
    expect(batches[1]!.items, 'three at the most').toEqual([2, 3, 4])
    batches[1]!.let()
    await settle()
    batches[2]!.let()
    expect(await Promise.all(answers)).toEqual([10, 20, 30, 40, 50])
  })

  it('of other keys runs beside it', () => {
    const { batches, ask } = held()
    void ask('a', 1)
    void ask('b', 2)
    expect(batches).toHaveLength(2)
  })

  it('that fails fails for those in it, and the next ones are worked on', async () => {
    const work = vi.fn().mockRejectedValueOnce(new Error('away')).mockResolvedValue([7])
    const ask = inBatches<number, number>(work)
    const first = ask('a', 1)
    const second = ask('a', 2)
    await expect(first).rejects.toThrow('away')
    expect(await second).toBe(7)
  })

  it('nobody is answered with what was so before they asked', async () => {
    let now = 1
    const lets: (() => void)[] = []
    const ask = shared(async ({ of }: { of: string }) => {
      const seen = now
      await new Promise<void>((done) => lets.push(done))
      return `${of} ${seen}`
    })
    const early = ask({ of: 'board' })
    await settle()
    now = 2
    const late = [ask({ of: 'board' }), ask({ of: 'board' })]
    lets[0]!()
    expect(await early).toBe('board 1')
    await settle()
    expect(lets, 'once for both').toHaveLength(2)
    lets[1]!()
    expect(await Promise.all(late)).toEqual(['board 2', 'board 2'])
  })
})

describe('acts that come to a job at once', () => {
  const workshop = useWorkshop()
  const VAN = '5a17a000-0000-4000-8000-000000000001'
  const groove = (id: string, value: number) => ({
    ...{ id, type: 'read', by: 'Maren', at: '2026-11-24T08:00:00.000Z' },
    reading: read.groove('guide', value)
  })

  it('are all kept, each once and in the order they came, and a bad one hurts only itself', async () => {
    const before = (await workshop.jobs.findJob(VAN)).acts.length
    const sent = Array.from({ length: 40 }, (_, i) => groove(`at-once-${i}`, i / 100))
    const answers = await Promise.allSettled(
      [...sent, groove('at-once-3', 0.03), groove('at-once-4', 0.9), groove('at-once-bad', -1)].map((act) =>
        workshop.acts.addAct(VAN, act)
      )
    )
    expect(answers.slice(0, 41).map(({ status }) => status)).toEqual(Array(41).fill('fulfilled'))
    expect(answers.slice(41)).toMatchObject([{ reason: { code: 'conflict' } }, { reason: { code: 'bad-input' } }])
    const kept = (await workshop.jobs.findJob(VAN)).acts.slice(before)
    expect(kept.map(({ act }) => act.id).toSorted()).toEqual(sent.map(({ id }) => id).toSorted())
    for (const [i, answer] of answers.slice(0, 40).entries())
      expect(kept.find(({ act }) => act.id === `at-once-${i}`)!.seq).toBe(
        (answer as PromiseFulfilledResult<{ seq: number }>).value.seq
      )
  })

  it('on a job that is full are refused, each by itself, and what is there stays', async () => {
    await workshop.sequelize.query(`create or replace function refuse_full() returns trigger language plpgsql as $$
      begin
        if new.id = 'over' then raise exception 'full' using errcode = 'UM001'; end if;
        return new;
      end $$`)
    await workshop.sequelize.query(
      'create trigger refuse_full before insert on acts for each row execute function refuse_full()'
    )
    const answers = await Promise.allSettled(
      ['first', 'fits', 'over', 'fits-too'].map((id) => workshop.acts.addAct(VAN, groove(id, 0.2)))
    )
    await workshop.sequelize.query('drop trigger refuse_full on acts')
    expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled'])
    expect(answers[2]).toMatchObject({ reason: { code: 'too-large' } })
  })
})
