import {
  extensionOf,
  type Inspection,
  type InspectionKind,
  type LookedAt,
  PLUG_SHARE,
  type PracticeCase,
  type SeenFinding,
  sightOf
} from '../../core/views/practice'
import { compileSheet, type Tensioner } from '../../core/sheet'
import { isCharted, turnsOf } from '../../core/drive'
import { partName } from '../../words/en'
import type { Drawing } from '../shapes'
import { countPicture } from './links'
import { camshaftPicture, coverPicture, triggerPicture } from './beside'
import { panPicture, phaserPicture, pinPicture, screenPicture } from './looks'
import { compressionPicture, markPicture, scanPicture } from './markShapes'
import { plugPicture, pushPicture, tensionPicture } from './tension'
import { benchPicture, lengthPicture, padPicture, railPicture, teethPicture } from './wear'

/** What an inspection shows, and how the engine stands. */
interface Look {
  engine: PracticeCase
  inspection: Inspection
  figures: readonly number[]
  figure: number
  findings: readonly SeenFinding[]
  has: (finding: string) => boolean
  crank: number
}

/**
 * What an inspection shows, drawn from the truth: figures stand on scales to be read, nothing is written out.
 * @param crank crank degrees at which the engine stands, for marks and links
 * @returns null where there is nothing to be drawn: what a customer says, links of a sheet without coordinates
 */
export function pictureOf(
  engine: PracticeCase,
  inspection: Inspection,
  looked: LookedAt,
  crank: number
): Drawing | null {
  const { figures, findings } = sightOf(engine, inspection, looked)
  return PICTURES[inspection.kind]({
    engine,
    inspection,
    figures,
    figure: figures[0] ?? 0,
    findings,
    has: (finding) => findings.some((one) => one.finding === finding),
    crank
  })
}

const PICTURES: Readonly<Record<InspectionKind, (look: Look) => Drawing | null>> = {
  ask: () => null,
  scan: ({ engine, inspection, figures }) =>
    scanPicture(
      inspection.reads.map(({ sprocket = '' }, i) => ({ name: partName(engine.drive, sprocket), lag: figures[i]! }))
    ),
  plug: (look) =>
    plugPicture(
      tensionerOf(look),
      extensionOf(look.engine, look.inspection.part),
      PLUG_SHARE * tensionerOf(look).stroke
    ),
  compression: ({ engine, figures, has }) =>
    compressionPicture(engine.drive.engine.cylinders, has('compression-low'), figures),
  pan: ({ findings }) => panPicture(findings),
  oil: ({ has, inspection, figure }) => screenPicture(has('screen-torn'), inspection.reads.length > 0 ? figure : null),
  marks: (look) => marksOf(look, false),
  wheel: (look) => marksOf(look, true),
  count({ engine, inspection, crank }) {
    const chain = compileSheet(engine.drive).chain(inspection.part)
    return isCharted(engine.drive, chain) ? countPicture(engine, chain, crank) : null
  },
  extension: (look) => tensionPicture(tensionerOf(look), look.figure, look.has('witness-mark')),
  push: ({ findings, inspection, figure }) =>
    pushPicture(findings[0]?.finding ?? 'sound', inspection.reads.length > 0 ? figure : null),
  pad: ({ engine, inspection, figure, has }) =>
    padPicture(inspection.reads.length > 0 ? figure : (engine.truth.pad?.[inspection.part] ?? 0), has('pad-dug-in')),
  rail: ({ inspection, figure, findings }) => railPicture(inspection.reads.length > 0 ? figure : null, findings),
  phaser: ({ figure, findings }) => phaserPicture(figure, findings),
  pin: ({ findings }) => pinPicture(findings[0]?.finding ?? 'pin-sound'),
  teeth: ({ has }) => teethPicture(has('teeth-hooked')),
  bench: ({ inspection, figure, findings }) => benchPicture(linksOf(inspection), figure, findings),
  length: ({ inspection, figure }) => lengthPicture(figure, linksOf(inspection)),
  trigger: ({ findings }) => triggerPicture(findings[0]?.finding ?? 'sound'),
  cover: ({ findings }) => coverPicture(findings[0]?.finding ?? 'sound'),
  camshaft: ({ findings }) => camshaftPicture(findings[0]?.finding ?? 'sound')
}

/** Over how many links it is measured. */
function linksOf({ reads: [first] }: Inspection): number {
  return first?.links ?? 0
}

function tensionerOf({ engine, inspection }: Look): Tensioner {
  return compileSheet(engine.drive).tensioner(inspection.part)
}

function marksOf({ engine, inspection, figure, crank }: Look, wheel: boolean): Drawing {
  return markPicture({
    crank,
    lag: figure,
    ...turnOfCam(engine, inspection.part),
    wheel,
    cam: partName(engine.drive, inspection.part)
  })
}

/** How a cam turns with the crank, seen from the front. */
function turnOfCam({ drive }: PracticeCase, cam: string): { camSpeed: number; sense: 1 | -1 } {
  const chain = compileSheet(drive).chainAt(cam)
  if (!chain) throw new RangeError(`sprocket ${cam}: expected one that a chain drives`)
  return { camSpeed: Math.abs(turnsOf(drive, chain, cam)), sense: drive.rotation === 'clockwise' ? 1 : -1 }
}
