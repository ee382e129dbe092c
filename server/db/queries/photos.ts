import { select } from './select'

/** Photos of a job, the oldest first, each with its size in bytes. */
export function photoSizes(jobId: string, most: number): Promise<{ id: string; bytes: number }[]> {
  return select<{ id: string; bytes: number }>(
    'select id, octet_length(body) as bytes from photos where job_id = $1 order by received_at, id limit $2',
    [jobId, most]
  )
}
