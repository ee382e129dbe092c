import {
  byIds,
  elsewhere,
  type Fault,
  faultsOfEach,
  formatVersion,
  id,
  listOf,
  needed,
  num,
  oneOf,
  sayOfCheck,
  schemaFaults,
  shape,
  type Shape,
  text,
  whole,
  word,
  words
} from '../../check'
import { isCharted, sheetFaults } from '../../drive'
import { isFinding, readingStructureFaults, usageSchema } from '../../readings'
import { driveSchema, type DriveSheet, partKindOf } from '../../sheet'
import { type Move, MOVES } from './moves'
import { CYCLE, type PracticeCase } from './types'
import { faultAt, say } from './says'

const figures = (min: number, max: number) =>
  byIds(num(min, max).required(needed), sayOfCheck('numbers-by-id', { min, max })).required(needed)

const truthSchema = shape({
  elongation: figures(0, 0.04),
  wear: figures(0, 8),
  pad: figures(0, 8),
  teeth: figures(-3, 3),
  shift: figures(-30, 30),
  play: figures(0, 30),
  faults: listOf(word(40).required(needed), 20).required(needed),
  findings: listOf(
    shape({
      target: id().required(needed),
      finding: word(40).required(needed),
      count: whole(1, 999),
      value: num(0, 1e6),
      cylinder: whole(1, 99)
    }).required(needed),
    200
  ).required(needed),
  scatter: shape({ extension: figures(-10, 10), lag: figures(-30, 30) }).required(needed),
  kickBack: num(0, 30).required(needed),
  betweenLinks: listOf(id().required(needed), 20).required(needed)
}).required(needed)

/** The structure of a case; its drive is checked by its own rules. */
export const caseSchema = shape({
  format: oneOf('umbrette-practice').required(needed),
  version: formatVersion(1),
  code: text(16),
  seed: whole(0, 0xffffffff).required(needed),
  level: whole(1, 5).required(needed),
  title: words(120),
  drive: elsewhere<DriveSheet>(() => driveSchema).required(needed),
  usage: usageSchema,
  complaint: text(4000),
  start: num(0, CYCLE).required(needed),
  truth: truthSchema
}).required(say('a-case'))

/** Fails to compile where the schema and the type of a case say different things. */
export type CaseAsChecked = [PracticeCase] extends [Omit<Shape<typeof caseSchema>, 'level'>]
  ? [Omit<Shape<typeof caseSchema>, 'level'>] extends [Omit<PracticeCase, 'level'>]
    ? PracticeCase
    : never
  : never

/** A case from a file, checked once; or what is wrong with it, each fault with its place. Never throws. */
export function readCase(value: unknown): { engine: PracticeCase; faults: [] } | { engine: null; faults: Fault[] } {
  const faults = schemaFaults(caseSchema, value)
  if (faults.length > 0) return { engine: null, faults }
  const sheet = sheetFaults((value as PracticeCase).drive, 'drive')
  if (sheet.length > 0) return { engine: null, faults: sheet }
  const engine: PracticeCase = value as CaseAsChecked
  const rest = [...chartFaults(engine.drive), ...strangers(engine)]
  return rest.length > 0 ? { engine: null, faults: rest } : { engine, faults: [] }
}

function chartFaults(drive: DriveSheet): Fault[] {
  return drive.chains.flatMap((chain, i) =>
    isCharted(drive, chain) ? [] : [faultAt(`drive.chains[${i}]`, 'no-coordinates')]
  )
}

/** Findings that the sheet has no part for, or that are on no list. */
function strangers({ drive, truth }: PracticeCase): Fault[] {
  return truth.findings.flatMap(({ target, finding }, i): Fault[] => {
    const kind = partKindOf(drive, target)
    return kind && isFinding(kind, finding)
      ? []
      : [faultAt(`truth.findings[${i}]`, 'no-finding-on', { finding, target })]
  })
}

const MOST_MOVES = 3000

/** A learner's moves from outside on an engine, checked once. Never throws. */
export function readMoves(value: unknown, drive: DriveSheet): { moves: Move[]; faults: Fault[] } {
  if (!Array.isArray(value) || value.length > MOST_MOVES)
    return { moves: [], faults: [faultAt('moves', 'moves-at-most', { max: MOST_MOVES })] }
  const faults = faultsOfEach(value as unknown[], (move, i): Fault[] => {
    const type = typeof move === 'object' && move !== null ? (move as { type?: unknown }).type : undefined
    if (typeof type !== 'string' || !Object.hasOwn(MOVES, type))
      return [faultAt(`moves[${i}].type`, 'one-of-moves', { words: Object.keys(MOVES) })]
    const own = schemaFaults(MOVES[type as keyof typeof MOVES], move, `moves[${i}]`)
    return own.length > 0 || type !== 'read'
      ? own
      : readingStructureFaults(drive, (move as { reading: unknown }).reading, `moves[${i}].reading`)
  })
  return { moves: faults.length > 0 ? [] : (value as Move[]), faults }
}
