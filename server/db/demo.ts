import { AS_SHIPPED } from '../../words/en/workshop'
import { randomUUID } from 'node:crypto'
import type { Transaction } from 'sequelize'
import { DEMO_CUSTOMERS } from '../../demo/books'
import { demoCase, demoRuns } from '../../demo/practice'
import { DEMO_JOBS, DEMO_PEOPLE, DEMO_SHEETS } from '../../demo/workshop'
import type { DriveSheet } from '../../core/sheet'
import {
  CustomerRow,
  JobRow,
  PastJobRow,
  PersonRow,
  PracticeCaseRow,
  PracticeRunRow,
  SettingRow,
  SheetRevisionRow,
  SheetRow,
  VehicleRow
} from './models'
import { removeIdle } from './queries/idle'
import { ownJobs, vehicleNamed } from './queries/vehicles'
import { createJob } from './rows'

/** Fills in the demo workshop the first time; later its jobs are the user's to keep. */
export async function fillDemo(transaction: Transaction): Promise<void> {
  if ((await SettingRow.count({ where: { key: 'demo' }, transaction })) > 0) return
  await putDemo(transaction)
  await SettingRow.create({ key: 'demo', value: true }, { transaction })
}

/** Puts the demo jobs back as they ship. Jobs of the workshop's own stay as they are. */
export async function putDemo(transaction: Transaction): Promise<void> {
  for (const name of DEMO_PEOPLE) await PersonRow.findOrCreate({ where: { name }, transaction })
  for (const body of DEMO_SHEETS) await putSheet(body, transaction)
  await JobRow.destroy({ where: { demo: true }, transaction })
  for (const { id, job, acts } of DEMO_JOBS) await createJob(id, job, acts, { demo: true, transaction })
  await putPractice(transaction)
  await putBooks(transaction)
}

/** Takes the demo out of what becomes somebody's own: its jobs, cases, and the names and sheets that nobody uses. */
export async function withoutDemo(transaction: Transaction): Promise<void> {
  await JobRow.destroy({ where: { demo: true }, transaction })
  await PracticeCaseRow.destroy({ where: { id: demoCase().id }, transaction })
  await PracticeRunRow.destroy({ where: { id: demoRuns().map(({ id }) => id) }, transaction })
  await SettingRow.destroy({ where: { key: 'demo' }, transaction })
  await removeIdle(
    DEMO_PEOPLE,
    DEMO_SHEETS.map(({ id }) => id),
    {
      vehicles: [
        ...DEMO_JOBS.map(({ job }) => job.vehicle),
        ...DEMO_CUSTOMERS.flatMap(({ vehicles }) => vehicles.map(({ name }) => name))
      ],
      customers: DEMO_CUSTOMERS.map(({ id }) => id)
    },
    transaction
  )
}

/** Whose the demo's vehicles are; what somebody changed of them since stays. */
async function putBooks(transaction: Transaction): Promise<void> {
  for (const { vehicles, ...customer } of DEMO_CUSTOMERS) {
    const [, made] = await CustomerRow.findOrCreate({
      where: { id: customer.id },
      defaults: { ...customer },
      transaction
    })
    if (!made) continue
    for (const { name, past = [], ...known } of vehicles) {
      const vehicleId = await vehicleNamed(name, transaction)
      const job = await JobRow.findOne({ where: { vehicleId }, attributes: ['sheet'], transaction })
      const sheetId = job?.sheet.id ?? null
      await VehicleRow.update({ ...known, sheetId, customerId: customer.id }, { where: { id: vehicleId }, transaction })
      await PastJobRow.bulkCreate(
        past.map(({ usage = null, elongation = null, renewed, ...one }) => ({
          id: randomUUID(),
          vehicleId,
          ...one,
          usage,
          elongation,
          renewed: [...renewed],
          sheetId,
          keptBy: DEMO_PEOPLE[2]!
        })),
        { transaction }
      )
    }
  }
  await ownJobs(transaction)
}

async function putPractice(transaction: Transaction): Promise<void> {
  const { id, body, createdBy } = demoCase()
  await PracticeCaseRow.upsert(
    { id, title: body.title, body, createdBy, removed: false, createdAt: new Date('2026-11-10T09:00:00.000Z') },
    { transaction }
  )
  for (const { id: run, by, engine, moves, debriefing, finishedAt } of demoRuns()) {
    await PracticeRunRow.upsert(
      {
        id: run,
        by,
        caseKey: engine.code,
        title: engine.title,
        level: engine.level,
        score: debriefing.score,
        moves,
        debriefing,
        finishedAt
      },
      { transaction }
    )
  }
}

/** A sheet as it ships, as a revision of its own where the workshop has changed it since. */
async function putSheet(body: DriveSheet, transaction: Transaction): Promise<void> {
  const row = await SheetRow.findByPk(body.id, { transaction })
  if (row && JSON.stringify(row.body) === JSON.stringify(body)) return
  const revision = (row?.revision ?? 0) + 1
  await SheetRow.upsert({ id: body.id, name: body.name, body, revision, removed: false }, { transaction })
  await SheetRevisionRow.create(
    { sheetId: body.id, revision, body, savedBy: 'Umbrette', note: AS_SHIPPED },
    { transaction }
  )
}
