import type { Measure } from '../../../core/views/summary'
import type { Usage } from '../../../core/readings'
import type { ListedJob } from '../../../server/store/summaries'

/** One measure of one part over a vehicle's jobs, in the order of usage. */
export interface Track {
  key: string
  title: string
  kind: Measure['kind']
  unit: Usage['unit']
  points: (Measure & { job: string; usage: number; at: string })[]
}

const KIND_WORDS: Readonly<Record<Measure['kind'], string>> = {
  elongation: 'elongation',
  extension: 'extension',
  groove: 'groove'
}

/** What was measured on a vehicle, part by part. Another engine, or another unit of usage, makes a track of its own. */
export function tracks(jobs: readonly ListedJob[]): Track[] {
  const found = new Map<string, Track>()
  for (const job of [...jobs].sort((a, b) => a.usage.value - b.usage.value)) {
    for (const measure of job.measures) {
      const key = [job.sheet.id, job.usage.unit, measure.kind, measure.part].join(' ')
      const track = found.get(key) ?? {
        key,
        title: `${measure.name}: ${KIND_WORDS[measure.kind]}`,
        kind: measure.kind,
        unit: job.usage.unit,
        points: []
      }
      track.points.push({ ...measure, job: job.id, usage: job.usage.value, at: job.openedAt })
      found.set(key, track)
    }
  }
  const order = Object.keys(KIND_WORDS)
  return [...found.values()].sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
}
