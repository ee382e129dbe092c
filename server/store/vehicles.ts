import { told } from '../../words/problems'
import { fn, col, Op, where } from 'sequelize'
import type { EarlierKnown, Usage, WearPoint } from '../../core/readings'
import { inTransaction, useDb } from '../db/connection'
import { isUnique } from '../db/errors'
import { JobRow, VehicleRow } from '../db/models'
import { LAST_SEEN, newestJobs } from '../db/queries/vehicles'
import { Problem } from '../utils/problem'
import { isUuid } from './jobs'
import { matchContaining, pagesOf, wordsOf } from './listing'
import { LISTED, listedJob, refreshSummary, type ListedJob } from './summaries'

/** A vehicle as lists show it, with its newest job. */
export interface ListedVehicle {
  id: string
  name: string
  note: string
  jobs: number
  /** Of the newest job; null for a vehicle without one. */
  last: { usage: Usage; openedAt: string; sheet: string; engine: string } | null
}

const VEHICLES_A_PAGE = 40

/** Vehicles of the workshop, those seen last first. */
export async function listVehicles({
  search,
  page
}: {
  search: string
  page: number
}): Promise<{ rows: ListedVehicle[]; total: number; pages: number }> {
  await useDb()
  const named = wordsOf(search).map((word) => where(fn('lower', col('name')), matchContaining(word)))
  const total = await VehicleRow.count({ where: { [Op.and]: named } })
  const found = await VehicleRow.findAll({
    where: { [Op.and]: named },
    order: [
      [LAST_SEEN, 'DESC NULLS LAST'],
      ['name', 'ASC']
    ],
    limit: VEHICLES_A_PAGE,
    offset: page * VEHICLES_A_PAGE
  })
  const last = await newestJobs(found.map(({ id }) => id))
  const rows = found.map(({ id, name, note }): ListedVehicle => {
    const newest = last.find(({ vehicle }) => vehicle === id)
    return {
      id,
      name,
      note,
      jobs: newest?.jobs ?? 0,
      last: newest
        ? { usage: newest.usage, openedAt: newest.at.toISOString(), sheet: newest.sheet, engine: newest.engine }
        : null
    }
  })
  return { rows, total, pages: pagesOf(total, VEHICLES_A_PAGE) }
}

/** A vehicle and its jobs, the newest first; deleted ones are not among them. @throws Problem not-found */
export async function findVehicle(id: string): Promise<{ id: string; name: string; note: string; jobs: ListedJob[] }> {
  const { name, note } = await vehicleRow(id)
  return { id, name, note, jobs: await jobsOf(id) }
}

async function vehicleRow(id: string): Promise<VehicleRow> {
  await useDb()
  const row = isUuid(id) ? await VehicleRow.findByPk(id) : null
  if (!row) throw new Problem('not-found', told('no-such-vehicle'))
  return row
}

/** Jobs of one vehicle that are shown, the newest. */
const MOST_JOBS = 500

async function jobsOf(vehicleId: string): Promise<ListedJob[]> {
  return (
    await JobRow.findAll({
      where: { vehicleId, state: { [Op.ne]: 'deleted' } },
      attributes: [...LISTED],
      order: [
        ['openedAt', 'DESC'],
        ['id', 'ASC']
      ],
      limit: MOST_JOBS
    })
  ).map(listedJob)
}

/**
 * Gives a vehicle another name or note; its jobs follow. @throws Problem not-found, conflict when another vehicle has
 * the name
 */
export async function changeVehicle(id: string, { name, note }: { name: string; note: string }): Promise<void> {
  const row = await vehicleRow(id)
  try {
    await inTransaction(async (transaction) => {
      await row.update({ name: name.trim(), note }, { transaction })
      await JobRow.update({ vehicle: name.trim() }, { where: { vehicleId: id }, transaction })
    })
  } catch (error) {
    // The database knows best: two people may choose one name in the same moment.
    if (isUnique(error)) throw new Problem('conflict', told('vehicle-name-taken', { name: name.trim() }))
    throw error
  }
}

/** What was read on a vehicle just now counts for the job that is opened on it now. */
async function upToDate(vehicleId: string): Promise<void> {
  const stale = await JobRow.findAll({ where: { vehicleId, stale: true }, attributes: ['id'], limit: MOST_JOBS })
  for (const { id } of stale) await refreshSummary(id).catch(() => false)
}

/**
 * What earlier jobs on a vehicle know of the same engine: when its parts were renewed, and how long its chains were
 * since.
 * Only jobs counted in the same unit bear on it.
 */
export async function earlierKnown(vehicleId: string, sheetId: string, usage: Usage): Promise<EarlierKnown | null> {
  await upToDate(vehicleId)
  const history: Record<string, WearPoint[]> = {}
  const fitted: Record<string, number> = {}
  const mine = (await jobsOf(vehicleId)).filter(
    (job) => job.sheet.id === sheetId && job.usage.unit === usage.unit && job.usage.value <= usage.value
  )
  for (const job of mine.sort((a, b) => b.usage.value - a.usage.value)) {
    for (const part of job.renewed) fitted[part] ??= job.usage.value
    for (const { kind, part, value, sd } of job.measures) {
      // From the renewal back, it was another chain.
      if (kind === 'elongation' && !(part in fitted))
        (history[part] ??= []).push({ usage: job.usage.value, mean: value / 100, sd: sd / 100 })
    }
  }
  const known = {
    ...(Object.keys(history).length > 0 ? { history } : {}),
    ...(Object.keys(fitted).length > 0 ? { fitted } : {})
  }
  return Object.keys(known).length > 0 ? known : null
}
