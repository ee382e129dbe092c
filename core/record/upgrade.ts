import { upgradeSignoffs } from './upgradeSignoffs'
import { MOST } from './schema'
/** Steps from each older version of a job file to the next. */
const STEPS: Readonly<Record<number, (file: Record<string, unknown>) => Record<string, unknown>>> = {
  // Version 0, before the format was settled: the sheet stood under `sheet`, usage was a bare number with its unit
  // beside it.
  0: ({ sheet, usage, unit, ...others }) => ({
    ...others,
    drive: sheet,
    usage: { value: usage, unit: unit ?? 'km' },
    school: others.school ?? 'on-evidence',
    version: 1
  })
}

/** Sign-offs among the acts of a job file may hold assessments of an older version. */
function withNewSignoffs(file: unknown): unknown {
  const { format, acts } = (file ?? {}) as { format?: unknown; acts?: unknown }
  return format === 'umbrette-job' && Array.isArray(acts) && acts.length <= MOST.acts
    ? { ...(file as object), acts: upgradeSignoffs(acts) }
    : file
}

/**
 * A job file as the newest version has it; anything that is no older job file comes back as it is, to be checked as
 * such.
 */
export function upgradeFile(value: unknown): unknown {
  let file = value
  for (;;) {
    const { format, version } = (file ?? {}) as { format?: unknown; version?: unknown }
    const step = format === 'umbrette-job' && typeof version === 'number' ? STEPS[version] : undefined
    if (!step) return withNewSignoffs(file)
    file = step(file as Record<string, unknown>)
  }
}
