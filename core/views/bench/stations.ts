import { camsOf } from '../../drive'
import { FINDINGS, type Of, type Reading } from '../../readings'
import { type DriveSheet, type PartKind, partKindOf, STANDING_KINDS } from '../../sheet'
import { fills, slotsOf } from './slots'

/** Stations of the job in the order they are walked; any order is allowed. */
export const STATIONS = [1, 2, 3, 4, 5, 6, 7] as const
export type Station = (typeof STATIONS)[number]

/** What findings asked together are of. */
export type GroupTitle =
  | 'heard-when'
  | 'heard-where'
  | 'how-it-runs'
  | 'heard-too'
  | 'codes'
  | 'oil'
  | 'renewed-before'
  | 'vacuum'
  | 'trace'
  | 'pan'
  | 'vacuum-gauge'
  | 'filter'
  | 'oil-pressure'
  | 'cylinders'
  | 'after-a-jump'
  | 'lifter'
  | 'slack'
  | 'found'

/** Findings asked together. */
export interface FindingGroup {
  title: GroupTitle
  findings: readonly string[]
  /** Does one answer rule out the others of the group? */
  one?: boolean
}

/** What is asked of the engine at each station. */
export const ENGINE_GROUPS: Readonly<Partial<Record<Station, readonly FindingGroup[]>>> = {
  1: [
    {
      title: 'heard-when',
      one: true,
      findings: [
        'noise-under-a-second',
        'noise-seconds',
        'noise-idle-only',
        'noise-warm-idle',
        'noise-always',
        'noise-none'
      ]
    },
    { title: 'heard-too', findings: ['noise-gone-at', 'noise-comes-and-goes'] },
    { title: 'heard-where', findings: ['loudest-bank', 'loudest-front', 'loudest-top', 'loudest-rear'] },
    { title: 'how-it-runs', findings: ['starts-badly', 'rough-idle', 'lacks-power'] },
    {
      title: 'codes',
      findings: [
        'code-correlation',
        'code-over-advanced',
        'code-over-retarded',
        'code-slow',
        'code-solenoid',
        'code-sensor',
        'code-misfire',
        'code-oil-pressure',
        'code-none'
      ]
    },
    { title: 'oil', findings: ['oil-overdue', 'oil-low', 'oil-wrong-grade', 'oil-regular', 'oil-glitter'] },
    { title: 'renewed-before', findings: ['renewed-chain', 'renewed-rails', 'renewed-tensioner', 'renewed-phaser'] }
  ],
  2: [
    { title: 'vacuum', one: true, findings: ['vacuum-low', 'vacuum-right'] },
    { title: 'vacuum-gauge', findings: ['vacuum-figure', 'vacuum-steady', 'vacuum-swings'] },
    { title: 'trace', one: true, findings: ['trace-shifted', 'trace-alike'] },
    { title: 'pan', one: true, findings: ['oil-plastic', 'oil-clean'] },
    { title: 'filter', findings: ['filter-metal'] },
    { title: 'oil-pressure', findings: ['oil-pressure-idle', 'oil-pressure-warm'] },
    { title: 'cylinders', findings: ['compression-figure', 'leak-down'] }
  ],
  3: [{ title: 'after-a-jump', one: true, findings: ['compression-sound', 'compression-low'] }]
}

/** Findings of a tensioner that are made before the covers are off. */
export const LIFTER_GROUP: FindingGroup = { title: 'lifter', one: true, findings: ['lifter-gap', 'lifter-flush'] }

/** Findings of a chain that are made with the engine set to its mark. */
export const SLACK_GROUP: FindingGroup = { title: 'slack', one: true, findings: ['slack-taken-up', 'slack-stays'] }

/** The findings of a part, in groups: at the bench all that are not asked at an earlier station. */
export function findingGroups(kind: PartKind): FindingGroup[] {
  const earlier = [
    ...(kind === 'tensioner' ? LIFTER_GROUP.findings : []),
    ...(kind === 'chain' ? SLACK_GROUP.findings : [])
  ]
  const findings = FINDINGS[kind].filter((finding) => !earlier.includes(finding))
  return [{ title: 'found', findings }]
}

/** What can be read or looked at at a station, part by part in the order they are worked through. */
export function partsAt(sheet: DriveSheet, station: Station): string[] {
  const { chains, rails, tensioners, phasers, sprockets } = sheet
  switch (station) {
    case 1:
      return ['engine']
    case 2:
      return ['engine', ...tensioners.map((t) => t.id)]
    case 3:
      return [...chains.flatMap((chain) => camsOf(sheet, chain)), ...chains.map((c) => c.id), 'engine']
    case 4:
      return tensioners.map((t) => t.id)
    case 5:
      return [...rails.map((r) => r.id), ...besideOf(sheet, 'cover'), ...besideOf(sheet, 'auxiliary'), 'fasteners']
    case 6:
      return [
        ...phasers.map((p) => p.id),
        ...sprockets.map((s) => s.id),
        ...besideOf(sheet, 'camshaft'),
        ...besideOf(sheet, 'trigger'),
        'oil'
      ]
    case 7:
      return chains.map((c) => c.id)
  }
}

/** What stands beside the chain of a kind: what the sheet names, else the one that every engine has. */
function besideOf({ beside = [] }: DriveSheet, kind: (typeof STANDING_KINDS)[keyof typeof STANDING_KINDS]): string[] {
  const named = beside.filter((one) => one.kind === kind).map(({ id }) => id)
  const standing = Object.entries(STANDING_KINDS).flatMap(([id, of]) => (of === kind ? [id] : []))
  return named.length > 0 ? named : standing
}

/** How far a station is. */
export interface StationState {
  station: Station
  /** Figures read, of those the sheet offers. */
  read: number
  all: number
  /** Findings noted. */
  findings: number
}

/** Where a job stands, station by station. */
export function stationStates(sheet: DriveSheet, readings: readonly Reading[]): StationState[] {
  const slots = slotsOf(sheet)
  return STATIONS.map((station) => {
    const mine = slots.filter((slot) => slot.station === station)
    return {
      station,
      all: mine.length,
      read: mine.filter((slot) => readings.some((reading) => fills(slot, reading))).length,
      findings: readings.filter((r) => r.kind === 'condition' && stationOfFinding(sheet, r) === station).length
    }
  })
}

/** Kinds of parts that are looked at with the phasers. */
const AT_PHASERS: ReadonlySet<PartKind> = new Set(['phaser', 'sprocket', 'camshaft', 'trigger', 'oil'])

/** The station at which a finding is made. */
export function stationOfFinding(sheet: DriveSheet, { target, finding }: Of<'condition'>): Station {
  const kind = partKindOf(sheet, target)
  if (kind === 'engine') {
    const asked = (Object.entries(ENGINE_GROUPS) as [string, readonly FindingGroup[]][]).find(([, groups]) =>
      groups.some((g) => g.findings.includes(finding))
    )
    return asked ? (Number(asked[0]) as Station) : 5
  }
  if (kind === 'tensioner') return LIFTER_GROUP.findings.includes(finding) ? 2 : 4
  if (kind === 'chain') return SLACK_GROUP.findings.includes(finding) ? 3 : 7
  return kind !== null && AT_PHASERS.has(kind) ? 6 : 5
}
