import { camsOf, drivenSprockets, phasersOn, touchingRails } from '../../drive'
import { BENCH_LINKS } from '../../estimate'
import { accessTo, spares } from '../../paths'
import { figureOf, READING_KINDS, type Unread } from '../../readings'
import { type BesideKind, type Chain, type DriveSheet, limitFor } from '../../sheet'
import { besideAt } from './beside'
import type { SeenFinding } from './types'

export type InspectionKind =
  | 'ask'
  | 'scan'
  | 'plug'
  | 'compression'
  | 'pan'
  | 'oil'
  | 'marks'
  | 'wheel'
  | 'count'
  | 'extension'
  | 'push'
  | 'pad'
  | 'rail'
  | 'phaser'
  | 'pin'
  | 'teeth'
  | 'bench'
  | 'length'
  | 'cover'
  | 'trigger'
  | 'camshaft'

/** One thing that a learner can look at or measure. */
export interface Inspection {
  id: string
  kind: InspectionKind
  /** The part it is of: a part of the sheet, or engine, oil. */
  part: string
  /** Minutes of its own, once the part is in reach. */
  minutes: number
  /** Operations that bring it in reach, in order. */
  operations: string[]
  /** Figures it asks for: readings without their values. */
  reads: Unread[]
  /** What may be noted of it. */
  findings: SeenFinding[]
}

/** Minutes of inspections that are no readings of their own. */
const MINUTES: Readonly<Partial<Record<InspectionKind, number>>> = {
  ask: 10,
  scan: 8,
  plug: 6,
  compression: 30,
  pan: 10,
  oil: 10,
  wheel: 16,
  push: 4,
  rail: 4,
  pin: 4,
  teeth: 3,
  bench: 8,
  cover: 3,
  trigger: 5,
  camshaft: 5
}

/** Everything that can be inspected on an engine, in the order in which it costs. */
export function inspectionsOf(sheet: DriveSheet): Inspection[] {
  return [
    ...outside(sheet),
    ...sheet.chains.flatMap((chain) => [
      ...atTheMark(sheet, chain),
      ...atTension(sheet, chain),
      ...atRails(sheet, chain),
      ...atPhasers(sheet, chain),
      ...onTheBench(sheet, chain)
    ]),
    ...standingInspections(sheet),
    ...besideInspections(sheet)
  ]
}

/** What an inspection can be read of on a photo, a card beside it: a plunger's extension, a groove at a cut end. */
export function photographedOf({ kind, reads: [first] }: Inspection): 'extension' | 'groove' | null {
  if (kind === 'extension' && first?.kind === 'extension') return 'extension'
  return kind === 'rail' && first?.kind === 'groove' ? 'groove' : null
}

/** What the operations that an inspection needs come to, without those done already: minutes. */
export function accessMinutes(sheet: DriveSheet, operations: readonly string[], done: ReadonlySet<string>): number {
  const open = (sheet.operations ?? []).filter(({ id }) => operations.includes(id) && !done.has(id))
  return Math.round(60 * open.reduce((hours, operation) => hours + operation.hours, 0))
}

type Sketch = Pick<Inspection, 'kind' | 'part'> & {
  needs?: readonly string[]
  reads?: Unread[]
  findings?: readonly string[]
  more?: SeenFinding[]
}

function made(sheet: DriveSheet, { kind, part, needs = [], reads = [], findings = [], more = [] }: Sketch): Inspection {
  const figures =
    reads[0] && reads[0].kind !== 'condition'
      ? READING_KINDS[reads[0].kind].minutes * (kind === 'count' ? reads.length : 1)
      : 5
  return {
    id: `${kind}:${part}`,
    kind,
    part,
    minutes: MINUTES[kind] ?? figures,
    reads,
    operations: accessTo(sheet.operations ?? [], needs).map(({ id }) => id),
    findings: [...findings.map((finding) => ({ target: part, finding })), ...more]
  }
}

/** What fitting a part needs; empty where the sheet does not say. */
function needsOf(sheet: DriveSheet, component: string): readonly string[] {
  return spares(sheet).find(({ fits }) => fits === component)?.needs ?? []
}

/** What must be off before the chain comes off: all that its removal needs, but not that. */
function chainInView(sheet: DriveSheet, chain: Chain): string[] {
  return (sheet.operations ?? [])
    .filter(({ id }) => needsOf(sheet, chain.id).includes(id))
    .flatMap(({ requires }) => requires)
}

/** What setting to the mark needs, on sheets that name it. */
function setNeeds(sheet: DriveSheet): string[] {
  return (sheet.operations ?? []).some(({ id }) => id === 'set') ? ['set'] : []
}

/** What is asked of a finding's figure where the sheet has a limit for it: once, or of each cylinder. */
function figured(sheet: DriveSheet, target: string, finding: string): Unread[] {
  const spec = figureOf(finding)
  if (!spec?.limit || !limitFor(sheet, spec.limit, target)) return []
  const asked: Unread = { kind: 'condition', target, finding }
  return spec.perCylinder
    ? Array.from({ length: sheet.engine.cylinders }, (_, i) => ({ ...asked, cylinder: i + 1 }))
    : [asked]
}

function outside(sheet: DriveSheet): Inspection[] {
  const pan = (sheet.operations ?? []).find(({ id }) => id === 'sump' || id === 'drain')
  const timed = sheet.phasers.map(({ sprocket }) => sprocket)
  const engine = (sketch: Omit<Sketch, 'part'>) => made(sheet, { part: 'engine', ...sketch })
  return [
    engine({ kind: 'ask' }),
    ...(timed.length > 0
      ? [
          engine({
            kind: 'scan',
            reads: timed.map((sprocket): Unread => ({ kind: 'camLag', sprocket, method: 'scan', turnedForward: true }))
          })
        ]
      : []),
    ...sheet.tensioners
      .filter(({ ratchet }) => ratchet)
      .map(({ id }) =>
        made(sheet, { kind: 'plug', part: id, reads: [{ kind: 'extension', tensioner: id, notches: 0 }] })
      ),
    engine({
      kind: 'pan',
      needs: pan ? [pan.id] : [],
      findings: ['oil-clean', 'oil-glitter', 'oil-plastic', 'pieces-found']
    }),
    ...(timed.length > 0
      ? [
          made(sheet, {
            kind: 'oil',
            part: 'oil',
            reads: figured(sheet, 'oil', 'solenoid-ohms'),
            findings: ['screen-clear', 'screen-torn']
          })
        ]
      : []),
    engine({
      kind: 'compression',
      needs: setNeeds(sheet),
      reads: figured(sheet, 'engine', 'compression-figure'),
      findings: ['compression-sound', 'compression-low']
    })
  ]
}

function atTheMark(sheet: DriveSheet, chain: Chain): Inspection[] {
  const marked = drivenSprockets(sheet, chain).filter((id) => sheet.marks.some((mark) => mark.sprocket === id))
  const lag = (sprocket: string, method: string): Unread => ({ kind: 'camLag', sprocket, method })
  return [
    ...marked.map((id) => made(sheet, { kind: 'marks', part: id, needs: setNeeds(sheet), reads: [lag(id, 'marks')] })),
    ...marked.map((id) => made(sheet, { kind: 'wheel', part: id, needs: setNeeds(sheet), reads: [lag(id, 'wheel')] })),
    made(sheet, {
      kind: 'count',
      part: chain.id,
      needs: [...chainInView(sheet, chain), ...setNeeds(sheet)],
      reads: chain.counts.map(({ from, to }): Unread => ({ kind: 'linkCount', chain: chain.id, from, to })),
      findings: chain.counts.length > 2 ? ['slack-taken-up', 'slack-stays'] : []
    })
  ]
}

function atTension(sheet: DriveSheet, chain: Chain): Inspection[] {
  return sheet.tensioners
    .filter((t) => t.chain === chain.id)
    .flatMap(({ id }) => {
      const needs = needsOf(sheet, id)
      return [
        made(sheet, {
          kind: 'extension',
          part: id,
          needs,
          reads: [{ kind: 'extension', tensioner: id, method: 'calliper' }],
          findings: ['witness-mark']
        }),
        made(sheet, {
          kind: 'push',
          part: id,
          needs,
          reads: figured(sheet, id, 'spring-length'),
          findings: ['sound', 'plunger-stuck', 'plunger-slips-back', 'spring-short', 'lifter-locked']
        }),
        made(sheet, {
          kind: 'pad',
          part: id,
          needs,
          reads: limitFor(sheet, 'padWear', id) ? [{ kind: 'padWear', tensioner: id, method: 'gauge' }] : [],
          findings: ['pad-dug-in']
        })
      ]
    })
}

const RAIL_FINDINGS = ['sound', 'cracked', 'broken', 'piece-missing', 'metal-showing', 'chain-on-metal', 'swapped']

function atRails(sheet: DriveSheet, chain: Chain): Inspection[] {
  return touchingRails(sheet, chain).map((id) =>
    made(sheet, {
      kind: 'rail',
      part: id,
      needs: needsOf(sheet, id),
      reads: [{ kind: 'groove', rail: id, method: 'gauge' }],
      findings: RAIL_FINDINGS
    })
  )
}

/** Rails that stand clear of a tight chain. */
function standingInspections(sheet: DriveSheet): Inspection[] {
  return sheet.rails
    .filter(({ touches }) => touches === false)
    .map(({ id }) =>
      made(sheet, {
        kind: 'rail',
        part: id,
        needs: needsOf(sheet, id),
        findings: [...RAIL_FINDINGS.slice(0, 4), 'chain-marks']
      })
    )
}

/** Cover, crank trigger wheel and camshafts: looked at as soon as what stands before them is off. */
function besideInspections(sheet: DriveSheet): Inspection[] {
  const [chain] = sheet.chains
  if (!chain) return []
  const cams = sheet.chains.flatMap((one) => camsOf(sheet, one).map((cam) => ({ cam, chain: one })))
  const look = (kind: BesideKind & InspectionKind, sprocket: string, needs: readonly string[], findings: string[]) =>
    made(sheet, { kind, part: besideAt(sheet, kind, sprocket), needs, findings: ['sound', ...findings] })
  const camshafts = cams.map(({ cam, chain: on }) =>
    look('camshaft', cam, needsOf(sheet, on.id), ['seat-worn', 'journal-scored'])
  )
  return [
    look('trigger', chain.driver, [], ['teeth-chewed', 'gap-wrong']),
    look('cover', chain.driver, chainInView(sheet, chain), ['grooved', 'worn-through', 'oil-leak']),
    ...new Map(camshafts.map((one) => [one.id, one])).values()
  ]
}

function atPhasers(sheet: DriveSheet, chain: Chain): Inspection[] {
  const phasers = phasersOn(sheet, chain)
  const inView = [...chainInView(sheet, chain), ...setNeeds(sheet)]
  return [
    ...phasers.map(({ id }) =>
      made(sheet, {
        kind: 'phaser',
        part: id,
        needs: inView,
        reads: [{ kind: 'phaserPlay', phaser: id, method: 'dial' }],
        findings: ['sound', 'snaps-back', 'lock-pin-sticky', 'head-sheared-inside']
      })
    ),
    ...camsOf(sheet, chain).map((id) => {
      const phaser = phasers.find(({ sprocket }) => sprocket === id)
      const own = needsOf(sheet, phaser?.id ?? id)
      return made(sheet, {
        kind: 'pin',
        part: id,
        needs: own.length > 0 ? own : needsOf(sheet, chain.id),
        findings: ['pin-sound', 'pin-worn', 'pin-sheared']
      })
    })
  ]
}

function onTheBench(sheet: DriveSheet, chain: Chain): Inspection[] {
  const needs = needsOf(sheet, chain.id)
  const links = Math.min(BENCH_LINKS, chain.links)
  return [
    made(sheet, {
      kind: 'bench',
      part: chain.id,
      needs,
      reads: [{ kind: 'chainCompare', chain: chain.id, links, method: 'side' }],
      findings: ['as-new-beside-new', 'ran-on-metal', 'paint-clear', 'paint-gone']
    }),
    made(sheet, {
      kind: 'length',
      part: chain.id,
      needs,
      reads: [{ kind: 'chainLength', chain: chain.id, links, method: 'calliper' }]
    }),
    made(sheet, { kind: 'teeth', part: chain.driver, needs, findings: ['sound', 'teeth-hooked'] })
  ]
}
