import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { useWorkshop } from './workshop'

/** Customers and vehicles: kept, found by anything that is known of them, and what was done before. */
const workshop = useWorkshop()

const facts = (name: string, more = {}) => ({ name, phone: '', email: '', address: '', note: '', ...more })
const vehicle = (name: string, more = {}) => ({
  name,
  note: '',
  registration: '',
  chassis: '',
  model: '',
  sheet: null,
  customer: null,
  ...more
})
const vehiclesBy = async (search: string) =>
  (await workshop.vehicles.listVehicles({ search, page: 0 })).rows.map(({ name }) => name)
const customersBy = async (search: string) =>
  (await workshop.customers.listCustomers({ search, page: 0 })).rows.map(({ name }) => name)

describe('in one field', () => {
  it('customers and vehicles are found by name, registration, chassis number and phone, however they are typed', async () => {
    const anne = await workshop.customers.addCustomer(facts('Anne Quay', { phone: '+351 211-234 567' }))
    await workshop.vehicles.addVehicle(
      vehicle('Tender', { registration: 'AB-12-CD', chassis: 'QX7 9Z', model: 'Dory 5', customer: anne })
    )
    for (const words of ['anne', 'QUAY tender', 'ab12cd', 'AB-12', '211234567', '211-234', 'qx79z', 'dory']) {
      expect([words, await vehiclesBy(words)]).toEqual([words, ['Tender']])
      expect([words, await customersBy(words)]).toEqual([words, ['Anne Quay']])
    }
    for (const words of ['anne cd99', '%', '_', '\\']) expect([words, await vehiclesBy(words)]).toEqual([words, []])
    // Who was taken out of lists is found no more, but their vehicle is, by what is its own.
    await workshop.customers.removeCustomer(anne, true)
    expect(await customersBy('anne')).toEqual([])
    expect(await vehiclesBy('anne')).toEqual([])
    expect(await vehiclesBy('ab12cd')).toEqual(['Tender'])
    await workshop.customers.removeCustomer(anne, false)
    expect(await customersBy('211 234')).toEqual(['Anne Quay'])
  })
})

describe('a job', () => {
  it('of a new vehicle brings its registration and whose it is; both stand with the job, and a known vehicle keeps its own', async () => {
    const open = (vehicleName: string, arrives?: object) =>
      workshop.opening.openJob(randomUUID(), {
        vehicle: vehicleName,
        stand: '',
        complaint: '',
        openedBy: 'Maren',
        sheet: 'ardmere-a18',
        school: 'on-evidence',
        usage: { value: 50_000, unit: 'km' },
        ...(arrives ? { arrives } : {})
      } as never)
    await open('Float 9', { registration: 'FL 9', customer: { name: 'Ben Slip', phone: '555 01' } })
    const [float] = (await workshop.vehicles.listVehicles({ search: 'fl9', page: 0 })).rows
    expect(float).toMatchObject({ registration: 'FL 9', sheet: 'ardmere-a18', customer: { name: 'Ben Slip' } })
    await open('float 9', { registration: 'OTHER', customer: { name: 'Somebody else', phone: '' } })
    const found = await workshop.vehicles.findVehicle(float!.id)
    expect(found).toMatchObject({ registration: 'FL 9', customer: { name: 'Ben Slip' } })
    expect(found.jobs).toHaveLength(2)
    expect((await workshop.customers.findCustomer(found.customer!.id)).jobs).toHaveLength(2)
    // The same name and phone are the same customer; another phone is another.
    await open('Float 10', { registration: '', customer: { name: 'ben slip', phone: '55501' } })
    await open('Float 11', { registration: '', customer: { name: 'Ben Slip', phone: '777' } })
    expect(await customersBy('ben slip')).toHaveLength(2)
  })
})

describe('what was done before', () => {
  it('counts for wear and for when parts were fitted, and no more once it is taken out', async () => {
    const id = await workshop.vehicles.addVehicle(vehicle('Dredger van', { sheet: 'ardmere-a18' }))
    const past = (doneOn: string, value: number, more = {}) =>
      workshop.vehicles.keepPastJob(
        id,
        {
          doneOn,
          usage: { value, unit: 'km' },
          work: 'Chain kit',
          doneBy: 'Elsewhere',
          renewed: [],
          elongation: null,
          ...more
        },
        'Maren'
      )
    await past('2023-05-01', 90_000, { renewed: ['main', 'guide', 'no-such-part'] })
    const now = await past('2025-05-01', 120_000, { elongation: 0.001 })
    expect(now.fitted.find(({ part }) => part === 'main')).toMatchObject({
      usage: { value: 90_000 },
      by: 'Elsewhere',
      job: null
    })
    const ask = () =>
      workshop.opening.openJob(randomUUID(), {
        vehicle: 'Dredger van',
        stand: '',
        complaint: '',
        openedBy: 'Maren',
        sheet: 'ardmere-a18',
        school: 'on-evidence',
        usage: { value: 150_000, unit: 'km' }
      })
    const { known } = (await workshop.jobs.findJob(await ask())).job
    expect(known!.fitted).toEqual({ main: 90_000, guide: 90_000 })
    expect(known!.history!.main).toEqual([{ usage: 120_000, mean: 0.001, sd: 0.0005 }])
    for (const { id: one } of now.past) await workshop.past.removePastJob(id, one, true)
    expect((await workshop.jobs.findJob(await ask())).job.known?.fitted).toBeUndefined()
    await expect(past('2999-01-01', 1)).rejects.toMatchObject({ code: 'bad-input' })
  })
})

describe('a usage that is put right', () => {
  it('is what the job is judged with, its lists show, and a vehicle has; what was entered first stays', async () => {
    const id = await workshop.opening.openJob(randomUUID(), {
      vehicle: 'Odd clock',
      stand: '',
      complaint: '',
      openedBy: 'Maren',
      sheet: 'ardmere-a18',
      school: 'on-evidence',
      usage: { value: 14_820, unit: 'km' }
    })
    const act = {
      id: randomUUID(),
      type: 'usage',
      by: 'Maren',
      at: '2026-11-26T08:00:00.000Z',
      usage: 148_200
    } as const
    await workshop.acts.addAct(id, act)
    await workshop.summaries.refreshSummary(id, 'behind')
    const [row] = (await workshop.vehicles.listVehicles({ search: 'odd clock', page: 0 })).rows
    expect(row!.last!.usage).toEqual({ value: 148_200, unit: 'km' })
    expect((await workshop.vehicles.findVehicle(row!.id)).jobs[0]!.usage.value).toBe(148_200)
    const opened = JSON.parse(await workshop.jobs.openedJob(id)) as { job: { usage: { value: number } } }
    expect(opened.job.usage.value).toBe(14_820)
  })
})
