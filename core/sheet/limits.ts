import type { DriveSheet, LimitKind, LimitValue } from './types'

/** The limit of a kind that holds for a part: its own, else the one without a target (which holds for every cam); null when the sheet has none. */
export function limitFor(sheet: DriveSheet, kind: LimitKind, part: string): LimitValue | null {
  const targets = sheet.limits.filter((limit) => limit.kind === kind)
  const own = targets.find((l) => (l.chain ?? l.rail ?? l.tensioner ?? l.sprocket) === part)
  return own ?? targets.find((l) => kind === 'camLag' && l.sprocket === undefined) ?? null
}
