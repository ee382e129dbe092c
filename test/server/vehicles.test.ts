import { randomUUID } from 'node:crypto'
import { describe, expect, it, vi } from 'vitest'
import type { LoadedJob } from '../../app/stores/job'
import { type Act, assessRecord } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'
import { readBoard, useWorkshop } from './workshop'

const workshop = useWorkshop()

const van = { stand: '', complaint: '', openedBy: 'Maren', sheet: 'ardmere-a18', school: 'on-evidence' as const }
const factsOf = (name: string, note = '') => ({
  name,
  note,
  registration: '',
  chassis: '',
  model: '',
  sheet: null,
  customer: null
})
const find = async (search: string) => (await workshop.vehicles.listVehicles({ search, page: 0 })).rows

describe('vehicles', () => {
  it('the jobs of the demo stand with their vehicles', async () => {
    const [pilot] = await find('pilot van 3')
    expect(pilot).toMatchObject({ name: 'Pilot van 3', jobs: 4, last: { usage: { value: 148_200 } } })
    const { jobs } = await workshop.vehicles.findVehicle(pilot!.id)
    expect(jobs.map(({ usage }) => usage.value)).toEqual([148_200, 121_300, 91_500, 62_000])
    expect(jobs.every(({ measures }) => measures.some(({ kind }) => kind === 'elongation'))).toBe(true)
  })

  it('a new job on a known name, however it is spelt, joins it and brings what earlier jobs measured', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'PILOT VAN 3',
      usage: { value: 160_000, unit: 'km' }
    })
    const [pilot] = await find('pilot van 3')
    const { job } = await workshop.jobs.findJob(id)
    expect(job.vehicleId).toBe(pilot!.id)
    expect(job.known!.history!.main!.map(({ usage }) => usage).sort()).toEqual([121_300, 148_200, 62_000, 91_500])
    const other = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'Pilot van 3',
      usage: { value: 900, unit: 'h' }
    })
    expect((await workshop.jobs.findJob(other)).job.known).toEqual({
      pricing: { currency: 'EUR' }
    })
  })

  it('an unknown name makes one; a rename takes its jobs along, and a name that is taken is refused', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'Crane barge',
      usage: { value: 10, unit: 'h' }
    })
    const [barge] = await find('barge')
    await workshop.vehicles.changeVehicle(barge!.id, factsOf('Crane barge 2', 'Berth 9'))
    expect((await workshop.jobs.findJob(id)).job.vehicle).toBe('Crane barge 2')
    expect(JSON.parse(await workshop.jobs.openedJob(id)).job.vehicle).toBe('Crane barge 2')
    await expect(workshop.vehicles.changeVehicle(barge!.id, factsOf('pilot VAN 3'))).rejects.toMatchObject({
      code: 'conflict'
    })
    await expect(workshop.vehicles.findVehicle('nonsense')).rejects.toMatchObject({ code: 'not-found' })
  })
})

describe('drive sheets', () => {
  const renamed = (value: number) =>
    changed(sheet('hexley-h46'), (d) => (d.limits.find((l: { kind: string }) => l.kind === 'elongation').value = value))
  const by = { by: 'Tove', note: 'Newer manual' }

  it('a new revision leaves the old one and the jobs on it as they are', async () => {
    expect(await workshop.sheets.saveSheet(renamed(0.45), { basedOn: 1, ...by })).toEqual({
      id: 'hexley-h46',
      revision: 2
    })
    const [now, was] = [
      await workshop.sheets.sheetRevision('hexley-h46'),
      await workshop.sheets.sheetRevision('hexley-h46', 1)
    ]
    expect([now.revision, was.revision, was.newest]).toEqual([2, 1, 2])
    expect(was.sheet).toEqual(sheet('hexley-h46'))
    expect(now.revisions.map((r) => [r.revision, r.savedBy])).toEqual([
      [2, 'Tove'],
      [1, 'Umbrette']
    ])
    const eider = DEMO_JOBS.find(({ job }) => job.sheet.id === 'hexley-h46')!
    expect((await workshop.jobs.findJob(eider.id)).job.sheet).toEqual(sheet('hexley-h46'))
  })
  it('the same save sent again is kept once; one made from an old revision is refused', async () => {
    expect(await workshop.sheets.saveSheet(renamed(0.45), { basedOn: 1, ...by })).toEqual({
      id: 'hexley-h46',
      revision: 2
    })
    await expect(workshop.sheets.saveSheet(renamed(0.44), { basedOn: 1, ...by })).rejects.toMatchObject({
      code: 'conflict'
    })
    await expect(workshop.sheets.saveSheet(renamed(0.44), { basedOn: 0, ...by })).rejects.toMatchObject({
      code: 'conflict'
    })
  })
  it('two who save at once: one is kept, the other told', async () => {
    const both = await Promise.allSettled(
      [0.41, 0.42].map((value) => workshop.sheets.saveSheet(renamed(value), { basedOn: 2, ...by }))
    )
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    expect((await workshop.sheets.sheetRevision('hexley-h46')).newest).toBe(3)
  })
  it('an unsound one is not kept, and each fault has its place', async () => {
    await expect(
      workshop.sheets.saveSheet({ ...sheet('hexley-h46'), id: 'bad', rotation: 'up' }, { basedOn: 0, ...by })
    ).rejects.toMatchObject({ code: 'bad-input', faults: [{ place: 'rotation' }] })
    await expect(workshop.sheets.sheetRevision('bad')).rejects.toMatchObject({ code: 'not-found' })
  })
  it('a removed one is off the list, can be put back, and is refused for new jobs meanwhile', async () => {
    await workshop.sheets.removeSheet('torvane-d26', true)
    expect((await workshop.sheets.listSheets()).map(({ id }) => id)).not.toContain('torvane-d26')
    await expect(
      workshop.opening.openJob(randomUUID(), {
        ...van,
        sheet: 'torvane-d26',
        vehicle: 'X',
        usage: { value: 1, unit: 'h' }
      })
    ).rejects.toMatchObject({ code: 'bad-input' })
    await workshop.sheets.removeSheet('torvane-d26', false)
    expect((await workshop.sheets.listSheets()).find(({ id }) => id === 'torvane-d26')).toMatchObject({
      charted: true,
      revision: 1
    })
  })
})

describe('acts that change what others are checked by', () => {
  const act = (id: string, more: object): Act => ({ id, by: 'Tove', at: '2026-11-24T08:00:00.000Z', ...more }) as Act
  it('after a move, readings are checked under the new sheet, on this server and after a look at the database', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'Mover',
      usage: { value: 1, unit: 'km' }
    })
    const newer = changed(sheet('ardmere-a18'), (d) =>
      d.rails.push({ id: 'top-bridge', name: 'Top bridge', kind: 'bridge', side: 'outside', touches: false })
    )
    const bridge = act('b', { type: 'read', reading: read.found('top-bridge', 'cracked') })
    await expect(workshop.acts.addAct(id, bridge)).rejects.toMatchObject({ code: 'bad-input' })
    await workshop.acts.addAct(id, act('m', { type: 'sheet', revision: 2, sheet: newer }))
    await workshop.acts.addAct(id, bridge)
    await expect(workshop.acts.addAct(id, act('u', { type: 'undo', act: 'm' }))).rejects.toMatchObject({
      code: 'bad-input',
      faults: [{ place: 'act' }]
    })
    await workshop.acts.addAct(id, act('ub', { type: 'undo', act: 'b' }))
    await workshop.acts.addAct(id, act('u', { type: 'undo', act: 'm' }))
    await expect(workshop.acts.addAct(id, { ...bridge, id: 'b2' })).rejects.toMatchObject({ code: 'bad-input' })
  })
  it('a summary is made anew after every act, also when acts come while it is made', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'Counted',
      usage: { value: 1, unit: 'km' }
    })
    const row = async () => (await readBoard(workshop.board, { state: 'open', search: 'counted' })).rows[0]!
    expect((await row()).readings).toBe(0)
    for (let i = 0; i < 12; i++)
      await Promise.all([
        workshop.acts.addAct(id, act(`r${i}`, { type: 'read', reading: read.groove('guide', 0.3) })),
        workshop.summaries.refreshStale()
      ])
    await workshop.summaries.refreshStale()
    expect((await row()).readings).toBe(12)
  })
  it('an opened job is sent from memory until something comes, then anew', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      ...van,
      vehicle: 'Memory',
      usage: { value: 1, unit: 'km' }
    })
    const first = await workshop.jobs.openedJob(id)
    expect(await workshop.jobs.openedJob(id)).toBe(first)
    await workshop.acts.addAct(id, act('x', { type: 'read', reading: read.groove('guide', 0.3) }))
    expect((JSON.parse(await workshop.jobs.openedJob(id)) as { acts: unknown[] }).acts).toHaveLength(1)
  })
  it('a long job opens with what it was found to be last and says what came since; on another drive it is judged anew', async () => {
    const id = randomUUID()
    const acts = Array.from({ length: 151 }, (_, i) => act(`l${i}`, { type: 'read', reading: read.lag('cam-in', 2) }))
    const job = { ...DEMO_JOBS[0]!.job, vehicle: 'Long', sheet: sheet('ardmere-a18') }
    await workshop.jobs.insertJob(id, job, acts)
    const open = async () => JSON.parse(await workshop.jobs.openedJob(id)) as LoadedJob
    const first = await open()
    expect(first).toMatchObject({ behind: 0, assessment: { readings: { length: 151 } } })
    await workshop.acts.addAct(id, act('more', { type: 'read', reading: read.groove('guide', 1.1) }))
    expect(await open()).toMatchObject({ behind: 1, acts: { length: 152 }, assessment: first.assessment })
    await vi.waitFor(async () =>
      expect(await open()).toMatchObject({ behind: 0, assessment: { readings: { length: 152 } } })
    )
    const newer = changed(sheet('ardmere-a18'), (d) => (d.limits[0]!.value *= 2))
    await workshop.acts.addAct(id, act('moved', { type: 'sheet', revision: 2, sheet: newer }))
    const moved = await open()
    expect(moved.behind).toBe(0)
    expect(moved.assessment.chains).not.toEqual(first.assessment.chains)
  })
  it('a long job opened while it is moved from drive to drive never shows figures of another drive than its own', async () => {
    const id = randomUUID()
    const acts = Array.from({ length: 151 }, (_, i) => act(`l${i}`, { type: 'read', reading: read.lag('cam-in', 2) }))
    const drives = [1, 2].map((by) => changed(sheet('ardmere-a18'), (d) => (d.limits[0]!.value *= by)))
    await workshop.jobs.insertJob(id, { ...DEMO_JOBS[0]!.job, vehicle: 'Moving', sheet: drives[0]! }, acts)
    const seen: LoadedJob[] = []
    let moving = true
    const look = async () => {
      while (moving) seen.push(JSON.parse(await workshop.jobs.openedJob(id)) as LoadedJob)
    }
    const looking = [look(), look(), look()]
    for (let i = 0; i < 8; i++) {
      const move = act(`m${i}`, { type: 'sheet', revision: i + 2, sheet: drives[(i + 1) % 2]! })
      await workshop.acts.addAct(id, move)
      await workshop.jobs.openedJob(id)
    }
    moving = false
    await Promise.all(looking)
    expect(seen.length).toBeGreaterThan(8)
    const right = new Map<number, unknown>()
    for (const { job, acts: sent, behind, assessment } of seen) {
      const upTo = sent.map((kept) => kept.act).slice(0, sent.length - behind!)
      expect(sent.slice(upTo.length).filter((kept) => kept.act.type === 'sheet')).toEqual([])
      if (!right.has(upTo.length)) right.set(upTo.length, JSON.parse(JSON.stringify(assessRecord(job, upTo))))
      expect(assessment).toEqual(right.get(upTo.length))
    }
  })
  it('two people who choose one name in the same moment: one has it, the other is told', async () => {
    const ids = await Promise.all(
      ['Racer 1', 'Racer 2'].map(async (vehicle) => {
        const id = await workshop.opening.openJob(randomUUID(), { ...van, vehicle, usage: { value: 1, unit: 'km' } })
        return (await workshop.jobs.findJob(id)).job.vehicleId!
      })
    )
    const both = await Promise.allSettled(
      ids.map((id, i) => workshop.vehicles.changeVehicle(id, factsOf(i ? 'SAME NAME' : 'Same name')))
    )
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(both.find(({ status }) => status === 'rejected')).toMatchObject({ reason: { code: 'conflict' } })
  })
})
