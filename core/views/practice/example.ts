import type { PartKind, DriveSheet } from '../../sheet'
import { compileSheet, limitFor, partKindOf } from '../../sheet'
import type { NumericKind } from '../../readings'
import { type Inspection, type InspectionKind, inspectionsOf } from './inspections'
import type { PracticeCase } from './types'

/** Shown of wear where the sheet has no limit: mm of groove and pad, per cent of a chain. */
const [GROOVE, PAD, ELONGATION] = [0.8, 0.5, 0.3]
/** Of a limit, what the example shows. */
const SHARE = 0.7

/**
 * An engine of this sheet, moderately worn all over, to draw by how a reading is taken: nobody's engine.
 * @param finding what is to be seen on a part, too
 */
export function exampleCase(sheet: DriveSheet, finding?: { target: string; finding: string }): PracticeCase {
  const byId = <T extends { id: string }>(list: readonly T[], value: (one: T) => number) =>
    Object.fromEntries(list.map((one) => [one.id, value(one)]))
  const share = (kind: 'groove' | 'padWear' | 'elongation', part: string, usual: number) =>
    SHARE * (limitFor(sheet, kind, part)?.value ?? usual / SHARE)
  return {
    format: 'umbrette-practice',
    version: 1,
    code: '',
    seed: 1,
    level: 1,
    title: '',
    drive: sheet,
    usage: { value: 0, unit: 'km' },
    complaint: '',
    start: 0,
    truth: {
      faults: [],
      findings: finding ? [{ ...finding, ...(COUNTED.includes(finding.finding) ? { count: 1 } : {}) }] : [],
      scatter: { extension: {}, lag: {} },
      kickBack: 0,
      betweenLinks: [],
      elongation: byId(sheet.chains, ({ id }) => share('elongation', id, ELONGATION) / 100),
      wear: byId(sheet.rails, ({ id }) => share('groove', id, GROOVE)),
      pad: byId(sheet.tensioners, ({ id }) => share('padWear', id, PAD)),
      play: byId(sheet.phasers, ({ playLimit }) => SHARE * (playLimit?.value ?? 2)),
      teeth: {},
      shift: {}
    }
  }
}

const COUNTED: readonly string[] = ['piece-missing', 'pieces-found']

/** The inspection by which each figure is read. */
const BY_KIND: Readonly<Record<NumericKind, InspectionKind>> = {
  extension: 'extension',
  groove: 'rail',
  padWear: 'pad',
  camLag: 'marks',
  linkCount: 'count',
  chainLength: 'length',
  chainCompare: 'bench',
  phaserPlay: 'phaser'
}

/** Where a finding of a kind of part is looked for, unless an inspection names it itself. */
const BY_PART: Readonly<Partial<Record<PartKind, InspectionKind>>> = {
  chain: 'bench',
  guide: 'rail',
  arm: 'rail',
  bridge: 'rail',
  tensioner: 'push',
  phaser: 'phaser',
  sprocket: 'teeth',
  oil: 'oil',
  engine: 'ask'
}

/** The inspection by which a figure of a part is read; null for one that the sheet has no inspection for. */
export function inspectionOfFigure(sheet: DriveSheet, kind: NumericKind, part: string): Inspection | null {
  return inspectionsOf(sheet).find((one) => one.kind === BY_KIND[kind] && one.part === part) ?? null
}

/** The inspection by which a finding on a part is looked for; null where there is none. */
export function inspectionOfFinding(sheet: DriveSheet, target: string, finding: string): Inspection | null {
  const all = inspectionsOf(sheet)
  const named = all.find((one) => one.findings.some((of) => of.target === target && of.finding === finding))
  const kind = BY_PART[partKindOf(sheet, target) ?? 'engine']
  const part = kind === 'teeth' ? (compileSheet(sheet).chainAt(target)?.driver ?? target) : target
  return named ?? all.find((one) => one.kind === kind && one.part === part) ?? null
}
