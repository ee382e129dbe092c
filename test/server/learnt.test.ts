import { randomUUID } from 'node:crypto'
import { expect, it } from 'vitest'
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
  expect((await workshop.jobs.findJob(id)).job.known?.priors).toEqual(own.priors)

  const seen = async (by: string) => {
    const { own: all } = await workshop.learning.workshopLearnt(by)
    return new Set(all.find(({ sheet: of }) => of.id === drive.id)!.people.map((person) => person.by))
  }
  expect(await seen('Maren')).toEqual(new Set(['Maren']))
  expect(await seen('Olav')).toEqual(new Set(['Olav']))
  expect(await seen('')).toEqual(new Set())
})
