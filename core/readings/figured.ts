import { compileSheet, type DriveSheet, type LimitKind, type LimitValue } from '../sheet'
import type { Of } from './types'

/** What the figure of a finding is. */
export interface FigureSpec {
  /** `usage` of the job's own. */
  unit: string
  digits: number
  range: readonly [number, number]
  /** Is the finding nothing without its figure? */
  needed: boolean
  /** Which limit it is held against, and which side of it is past: below the least, above the most, or both. */
  limit?: LimitKind
  past?: 'below' | 'above' | 'outside'
  perCylinder?: true
}

const usage: FigureSpec = { unit: 'usage', digits: 0, range: [0, 1e6], needed: false }
const bar = (limit: LimitKind): FigureSpec => ({
  unit: 'bar',
  digits: 1,
  range: [0, 60],
  needed: true,
  limit,
  past: 'below'
})

/** Findings that come with a figure, one line each; it is held against a limit of the sheet where one is named. */
export const FIGURED: Readonly<Record<string, FigureSpec>> = {
  'spring-length': { unit: 'mm', digits: 1, range: [1, 500], needed: true, limit: 'springLength', past: 'below' },
  'spring-force': { unit: 'N', digits: 1, range: [0, 2000], needed: true, limit: 'springForce', past: 'below' },
  're-tensioned': { unit: 'turns', digits: 1, range: [0, 40], needed: false },
  'bolt-torque': { unit: 'N·m', digits: 0, range: [0, 2000], needed: true, limit: 'boltTorque', past: 'below' },
  'solenoid-ohms': {
    unit: 'Ω',
    digits: 1,
    range: [0, 1e6],
    needed: true,
    limit: 'solenoidResistance',
    past: 'outside'
  },
  'oil-pressure-idle': bar('oilPressureIdle'),
  'oil-pressure-warm': bar('oilPressureWarm'),
  'vacuum-figure': { unit: 'kPa', digits: 0, range: [0, 101], needed: true, limit: 'vacuum', past: 'below' },
  'compression-figure': { ...bar('compression'), perCylinder: true },
  'leak-down': {
    unit: '%',
    digits: 0,
    range: [0, 100],
    needed: true,
    limit: 'leakDown',
    past: 'above',
    perCylinder: true
  },
  'noise-seconds': { unit: 's', digits: 1, range: [0.1, 3600], needed: false },
  'noise-gone-at': { unit: 'rpm', digits: 0, range: [200, 20_000], needed: true },
  'renewed-chain': usage,
  'renewed-rails': usage,
  'renewed-tensioner': usage,
  'renewed-phaser': usage
}

/** What the figure of a finding is; null where it has none. */
export function figureOf(finding: string): FigureSpec | null {
  return Object.hasOwn(FIGURED, finding) ? FIGURED[finding]! : null
}

/** Is a figure past its limit? */
export function isPast({ past }: FigureSpec, value: number, { value: limit, least }: LimitValue): boolean {
  if (past === 'below') return value < limit
  return value > limit || (past === 'outside' && least !== undefined && value < least)
}

/** What a finding's figure says against the sheet's limit; null where there is no figure or no limit. */
export function heldAgainst(
  sheet: DriveSheet,
  { finding, target, value }: Of<'condition'>
): { spec: FigureSpec; limit: LimitValue; past: boolean } | null {
  const spec = figureOf(finding)
  if (!spec?.limit || value === undefined) return null
  const limit = compileSheet(sheet).limit(spec.limit, target)
  return limit && { spec, limit, past: isPast(spec, value, limit) }
}
