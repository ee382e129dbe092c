import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import type { Transaction } from 'sequelize'
import { NINETY } from '../../core/math'
import type { LearntFrom } from '../../core/views/learn'
import type { SeenUsage, Usage } from '../../core/readings'
import type { PastJobFacts } from '../../core/record'
import { told } from '../../words/problems'
import { PastJobRow } from '../db/models'
import { pastOfEngines } from '../db/queries/past'
import { Problem } from '../utils/problem'
import { emptySummary, type ListedJob } from './summaries'

/** What was done on a vehicle before there was a job here, or elsewhere. */
export interface PastJob extends PastFacts {
  id: string
  keptBy: string
}

export interface PastFacts extends Omit<PastJobFacts, 'usage' | 'elongation'> {
  usage: Usage | null
  elongation: number | null
  /** The engine sheet that its parts are of. */
  sheet: string | null
}

/** A part as it was last fitted new: when, at what, by whom, and in which job. */
export interface FittedPart {
  sheet: string
  part: string
  usage: Usage | null
  at: string
  by: string
  job: string | null
}

/** Past jobs of a vehicle that are looked at, the newest. */
const MOST = 500

/** Past jobs of a vehicle, the newest first. */
export async function pastJobsOf(vehicleId: string): Promise<PastJob[]> {
  const rows = await PastJobRow.findAll({
    where: { vehicleId, removedAt: null as never },
    order: [
      ['doneOn', 'DESC'],
      ['id', 'ASC']
    ],
    limit: MOST
  })
  return rows.map(({ id, doneOn, usage, sheetId, work, doneBy, renewed, elongation, keptBy }) => ({
    id,
    doneOn,
    usage,
    sheet: sheetId,
    work,
    doneBy,
    renewed,
    elongation,
    keptBy
  }))
}

/** Keeps what was done before. @returns its id */
export async function addPastJob(vehicleId: string, { sheet, ...facts }: PastFacts, keptBy: string): Promise<string> {
  const row = { id: randomUUID(), vehicleId, ...facts, renewed: [...facts.renewed], sheetId: sheet, keptBy }
  const { id } = await PastJobRow.create(row)
  return id
}

/** Takes a past job out, or back in. @throws Problem not-found */
export async function removePastJob(vehicleId: string, id: string, removed: boolean): Promise<void> {
  const [changed] = isUuid(id)
    ? await PastJobRow.update({ removedAt: removed ? new Date() : null }, { where: { id, vehicleId } })
    : [0]
  if (changed === 0) throw new Problem('not-found', told('no-such-past-job'))
}

/** What a vehicle had on the clock, wherever that was seen; a past job's at noon of its day. */
export function seenOf(jobs: readonly ListedJob[], past: readonly PastJob[]): SeenUsage[] {
  return [
    ...jobs.map(({ usage, openedAt }) => ({ usage, at: openedAt })),
    ...past.flatMap(({ usage, doneOn }) => (usage ? [{ usage, at: noon(doneOn) }] : []))
  ]
}

const noon = (day: string) => `${day}T12:00:00.000Z`

/** Parts as they were last fitted new, on each engine sheet. */
export function fittedOf(jobs: readonly ListedJob[], past: readonly PastJob[]): FittedPart[] {
  const all = [
    ...jobs.flatMap(({ id, sheet, usage, openedAt, lastBy, renewed }) =>
      renewed.map((part): FittedPart => ({ sheet: sheet.id, part, usage, at: openedAt, by: lastBy, job: id }))
    ),
    ...past.flatMap(({ sheet, usage, doneOn, doneBy, renewed }) =>
      renewed.map((part): FittedPart => ({ sheet: sheet ?? '', part, usage, at: noon(doneOn), by: doneBy, job: null }))
    )
  ].sort((a, b) => b.at.localeCompare(a.at))
  return all.filter((one, i) => all.findIndex(({ sheet, part }) => sheet === one.sheet && part === one.part) === i)
}

/** ± of a length that somebody else measured: as a fraction, of which nothing more is known. */
const ELSEWHERE_SD = 0.0005

type Earlier = Pick<ListedJob, 'sheet' | 'usage'> & {
  renewed: readonly string[]
  measures: { kind: 'elongation'; part: string; value: number; sd: number }[]
}

/** Past jobs as wear is learnt from them: those of a known engine, at a usage; the newest. */
export async function pastToLearnFrom(
  most: number,
  which?: { only: readonly string[]; transaction: Transaction }
): Promise<LearntFrom[]> {
  const rows = await pastOfEngines(most, which)
  return rows.flatMap(({ vehicle, vehicleId, engine, chain, chainName, ...job }) =>
    pastAsJob(job, chain).map(({ sheet, usage, renewed, measures }) => ({
      vehicle,
      vehicleId,
      usage,
      openedAt: noon(job.doneOn),
      // What it was judged by is not known: it says nothing of what came back.
      closed: false,
      summary: {
        ...emptySummary(job.doneBy, noon(job.doneOn)),
        sheet: { ...sheet, name: engine },
        renewed: [...renewed],
        measures: measures.map(({ kind, part, value, sd }) => ({
          kind,
          part,
          name: chainName ?? part,
          value,
          sd,
          low: value - NINETY * sd,
          high: value + NINETY * sd,
          limit: null
        }))
      }
    }))
  )
}

/** A past job as an earlier one bears on the next; one without a usage or of another engine does not. */
export function pastAsJob(
  { usage, sheet, renewed, elongation }: Pick<PastJob, 'usage' | 'sheet' | 'renewed' | 'elongation'>,
  chain: string | null
): Earlier[] {
  if (!usage || sheet === null) return []
  return [
    {
      sheet: { id: sheet, name: '' },
      usage,
      renewed,
      measures:
        elongation === null || chain === null
          ? []
          : [{ kind: 'elongation', part: chain, value: 100 * elongation, sd: 100 * ELSEWHERE_SD }]
    }
  ]
}
