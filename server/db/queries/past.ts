import type { Transaction } from 'sequelize'
import type { Usage } from '../../../core/readings'
import { select } from './select'

/** A past job on a known engine, and that engine's first chain. */
export interface PastOfEngine {
  vehicle: string
  vehicleId: string
  doneOn: string
  doneBy: string
  usage: Usage | null
  sheet: string
  engine: string
  chain: string | null
  chainName: string | null
  renewed: string[]
  elongation: number | null
}

/** The newest past jobs of which the engine and the usage are known. */
export function pastOfEngines(
  most: number,
  which?: { only: readonly string[]; transaction: Transaction }
): Promise<PastOfEngine[]> {
  return select<PastOfEngine>(
    `select v.name as vehicle, v.id as "vehicleId", p.done_on as "doneOn", p.done_by as "doneBy", p.usage, s.id as sheet,
       s.name as engine, s.body -> 'chains' -> 0 ->> 'id' as chain, s.body -> 'chains' -> 0 ->> 'name' as "chainName",
       p.renewed, p.elongation
     from past_jobs p join vehicles v on v.id = p.vehicle_id join sheets s on s.id = p.sheet_id
     where ($2::uuid[] is null or p.id = any($2::uuid[])) and p.removed_at is null and p.usage is not null and (p.elongation is not null or p.renewed::text <> '[]')
     order by p.done_on desc limit $1`,
    [most, which ? [...which.only] : null],
    which?.transaction
  )
}
