import type { Transaction } from 'sequelize'
import { MOST, type Act } from '../../../core/record'
import { select } from './select'

/** How many acts a job has, and the place of the last of them; 0 without any. */
export async function countActs(jobId: string, transaction?: Transaction): Promise<{ acts: number; last: number }> {
  const [row] = await select<{ acts: string; last: string | null }>(
    'select count(*) as acts, max(seq) as last from acts where job_id = $1',
    [jobId],
    transaction
  )
  return { acts: Number(row?.acts ?? 0), last: Number(row?.last ?? 0) }
}

/** What an act was checked against: how often the job's sheet had changed, in which fill of the database. */
export interface CheckedUnder {
  moves: number
  generation: string
}

/** Who was signed in: their row, null on an open workshop. */
export type PersonId = number | null

/**
 * Keeps an act, marks its job's summary stale and tells every server on the channel, in one round trip.
 * @returns its place; null where nothing was kept, as the id is taken or what it was checked under no longer holds
 * @throws UM001 when the job is full
 */
export async function keepAct(
  jobId: string,
  act: Act,
  { moves, generation }: CheckedUnder,
  channel: string,
  person: PersonId,
  transaction?: Transaction
): Promise<number | null> {
  const [kept] = await select<{ place: string | null }>(
    'select keep_act($1, $2, $3, $4, $5, $6, $7, $8) as place',
    [jobId, moves, generation, act.id, JSON.stringify(act), channel, MOST.acts, person],
    transaction
  )
  return kept?.place ? Number(kept.place) : null
}

/** An act to be kept, what it was checked under, and who was signed in. */
export interface ActToKeep {
  act: Act
  under: CheckedUnder
  person: PersonId
}

/**
 * Keeps acts on one job as `keepAct` does, in one round trip and one transaction.
 * @returns the place of each, in order; null where nothing was kept
 * @throws UM001 when the job is full: none of them was kept
 */
export async function keepActs(
  jobId: string,
  acts: readonly ActToKeep[],
  channel: string
): Promise<readonly (number | null)[]> {
  const rows = await select<{ place: string | null }>(
    `select keep_act($1, moves, fill, id, body::json, $2, $3, person) as place
     from unnest($4::integer[], $5::text[], $6::text[], $7::text[], $8::integer[]) as a (moves, fill, id, body, person)`,
    [
      ...[jobId, channel, MOST.acts],
      acts.map(({ under }) => under.moves),
      acts.map(({ under }) => under.generation),
      acts.map(({ act }) => act.id),
      acts.map(({ act }) => JSON.stringify(act)),
      acts.map(({ person }) => person)
    ]
  )
  return rows.map(({ place }) => (place ? Number(place) : null))
}

/** Tells every server on the channel, once the transaction is kept. */
export async function tell(channel: string, payload: string, transaction?: Transaction): Promise<void> {
  await select('select pg_notify($1, $2)', [channel, payload], transaction)
}

/**
 * Jobs with a trace kept as good for a job's vehicle (a job of no vehicle has its own) or, by the id of their sheet,
 * for an engine type; the newest first.
 */
export async function jobsWithGoodTraces(
  jobId: string,
  vehicleId: string | null,
  sheetId: string,
  most: number
): Promise<string[]> {
  const rows = await select<{ id: string }>(
    `select j.id, max(a.seq) as last from acts a join jobs j on j.id = a.job_id
     where a.body ->> 'type' = 'goodTrace' and j.state <> 'deleted'
       and (j.sheet ->> 'id' = $3 and a.body ->> 'of' = 'type' or j.vehicle_id = $2 or j.id = $1)
     group by j.id order by last desc limit $4`,
    [jobId, vehicleId, sheetId, most]
  )
  return rows.map(({ id }) => id)
}
