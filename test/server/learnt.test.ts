import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { schemaFaults } from '../../core/check'
import { countingErrors, type LearntFile, learntFileSchema } from '../../core/views/learn'
import type { Act, KeptJob } from '../../core/record'
import { drawCase } from '../support/judged'
import { sheet } from '../support/sheets'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()
const drive = sheet('quillon-q40')
const at = '2026-11-24T08:00:00.000Z'

/** A finished job of this type, read by somebody; all of the fleet little worn. */
async function finish(seed: number, by: string): Promise<void> {
  const { job } = drawCase(drive, seed, { rails: 0.3, stretch: 0.4 })
  const kept: KeptJob = {
    vehicle: `Fleet ${seed}`,
    stand: '',
    complaint: '',
    openedBy: by,
    openedAt: at,
    sheet: drive,
    usage: { value: 20_000, unit: 'km' },
    school: 'on-evidence',
    corrections: job.corrections ?? null
  }
  const acts = job.readings.map(({ id: _id, ...reading }, i): Act => ({ id: `r${i}`, type: 'read', by, at, reading }))
  await workshop.jobs.insertJob(randomUUID(), kept, [...acts, { id: 'end', type: 'state', by, at, state: 'archived' }])
}

it('a type nobody finished a job on is judged by the defaults', async () => {
  expect(await workshop.ownPriors.relearn('no-such-sheet')).toBeNull()
  expect(await workshop.ownPriors.priorsFor('no-such-sheet')).toBeNull()
})

it('finished jobs teach their type: new ones are judged under it, with its proof, and people’s errors stay theirs', async () => {
  for (let seed = 1; seed <= 12; seed++) await finish(seed, seed % 2 ? 'Maren' : 'Olav')
  const own = (await workshop.ownPriors.relearn(drive.id))!
  expect(own.priors.engines).toBeGreaterThanOrEqual(12)
  expect(own.priors.wear).toBeLessThan(0.5)
  expect(own.priors).not.toHaveProperty('people')
  expect(own.proof.chains).toBeGreaterThan(0)

  const id = await workshop.opening.openJob(randomUUID(), {
    vehicle: 'Another of the fleet',
    stand: '',
    complaint: '',
    openedBy: 'Maren',
    sheet: drive.id,
    school: 'on-evidence',
    usage: { value: 21_000, unit: 'km' }
  })
  const { people = [], ...engines } = (await workshop.jobs.findJob(id)).job.known!.priors!
  expect(engines).toEqual(own.priors)
  expect(people).toEqual(countingErrors(own.people))

  const seen = async (by: string) => {
    const { own: all } = await workshop.learning.workshopLearnt([by])
    return new Set(all.find(({ sheet: of }) => of.id === drive.id)!.people.map((person) => person.by))
  }
  expect(await seen('Maren')).toEqual(new Set(['Maren']))
  expect(await seen('Olav')).toEqual(new Set(['Olav']))
  expect(await seen('')).toEqual(new Set())
})

describe('figures of other workshops', () => {
  const elsewhere = (more: Partial<LearntFile> = {}): LearntFile => ({
    format: 'umbrette-learnt',
    version: 1,
    from: 'another-workshop',
    at: '2026-11-20T08:00:00.000Z',
    core: '1.3.0',
    types: [{ sheet: { id: drive.id, name: drive.name }, priors: { engines: 40, wear: 0.9 } }],
    ...more
  })
  const refused = async (asked: Promise<unknown>) =>
    asked.then(
      () => null,
      (problem: { code: string }) => problem.code
    )

  it('are given away without a job, a customer or a name, and not taken in where they come from', async () => {
    const file = await workshop.learntFiles.exportLearnt()
    expect(file.types.map(({ sheet: of }) => of.id)).toContain(drive.id)
    expect(JSON.stringify(file)).not.toMatch(/Maren|Olav|Fleet|Another of the fleet/)
    expect(schemaFaults(learntFileSchema, JSON.parse(JSON.stringify(file)))).toEqual([])
    expect(await refused(workshop.learntFiles.takeLearnt(file, 'Maren'))).toBe('conflict')
  })

  it('count with the own ones, once each, and can be taken out and put back', async () => {
    const { learntFiles, ownPriors } = workshop
    const alone = (await ownPriors.priorsFor(drive.id))!
    await learntFiles.takeLearnt(elsewhere(), 'Maren')
    const pooled = (await ownPriors.priorsFor(drive.id))!
    expect(pooled).toMatchObject({ engines: alone.engines + 40, others: 40 })
    expect(pooled.wear).toBeGreaterThan(alone.wear!)
    // The same workshop's newer file takes the older one's place; an older one is refused.
    await learntFiles.takeLearnt(elsewhere({ at: '2026-11-22T08:00:00.000Z' }), 'Maren')
    expect(await ownPriors.priorsFor(drive.id)).toEqual(pooled)
    expect(await refused(learntFiles.takeLearnt(elsewhere(), 'Maren'))).toBe('conflict')

    await learntFiles.setLearntOut('another-workshop', true)
    expect(await ownPriors.priorsFor(drive.id)).toEqual(alone)
    await learntFiles.setLearntOut('another-workshop', false)
    expect(await ownPriors.priorsFor(drive.id)).toEqual(pooled)
    expect((await workshop.learning.workshopLearnt([''])).takenIn).toMatchObject([
      { from: 'another-workshop', by: 'Maren', out: false, types: [{ id: drive.id, engines: 40 }] }
    ])
  })

  it('judge a type that this workshop has not finished a job on', async () => {
    await workshop.learntFiles.takeLearnt(
      elsewhere({
        from: 'third',
        types: [{ sheet: { id: 'torvane-d26', name: 'Torvane' }, priors: { engines: 9, wear: 0.3 } }]
      }),
      'Maren'
    )
    expect(await workshop.ownPriors.priorsFor('torvane-d26')).toMatchObject({ engines: 9, others: 9 })
  })

  it('that are none are refused whole', async () => {
    for (const file of [
      null,
      [],
      { ...elsewhere(), format: 'umbrette-job' },
      elsewhere({ version: 2 as 1 }),
      elsewhere({ from: 'a/b\0' }),
      { ...elsewhere(), customer: 'Ada' },
      elsewhere({ types: [{ sheet: { id: drive.id, name: 'x' }, priors: { engines: 4, wear: 1e9 } }] })
    ])
      expect(await refused(workshop.learntFiles.takeLearnt(file, 'Maren'))).toBe('bad-input')
    expect(await refused(workshop.learntFiles.setLearntOut('nobody', true))).toBe('not-found')
  })
})
