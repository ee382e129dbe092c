import type { DriveSheet, Limit, Mark, Rotation } from './types'

/** What a shop has of an engine nobody here has heard of: no coordinates, only what can be counted and looked up. */
export interface CountedAnswers {
  id: string
  name: string
  rotation: Rotation
  cylinders: number
  layout: string
  interference: boolean
  fuel: string
  /** mm. */
  pitch: number
  links: number
  chainType: string
  crankTeeth: number
  /** Driven sprockets in the order the chain meets them after the crank, slack side first. */
  cams: readonly { name: string; teeth: number }[]
  /**
   * Whole links from mark to mark in the direction of travel: crank to the first cam, on to each next, and back to the
   * crank.
   */
  counts: readonly number[]
  /** mm of the tensioner, fully retracted to fully out. */
  stroke: number
  tensionerType: string
  /** mm with a new drive, and at the elongation limit. */
  newExtension: number
  limitExtension: number
  /** Where notches show, if there are any. */
  ratchet?: { first: number; pitch: number }
  /** Per cent. */
  elongationLimit: number
  /** crank degrees; absent where the manual gives none. */
  lagLimit?: number
  /** mm; absent where the manual gives none. */
  grooveLimit?: number
  /** Where the limits come from. */
  source: string
}

/** What the parts are called that such a drive has one of. */
export type CountedNames = Readonly<Record<'crank' | 'arm' | 'guide' | 'tensioner' | 'chain', string>>

/**
 * A counted sheet from what a shop has. The chain lies half round the crank sprocket and the other half turn is shared
 * by
 * the cams: that gives the links not on sprockets, all round and on each cam's tight side. Marks stand at 6:00 on the
 * crank
 * and 12:00 on the cams until someone says otherwise.
 *
 * Free links = links − z_crank/2 − Σ z_cam/(2·cams). On the tight side of cam k: what was counted from its mark to the
 * crank's, less the half wrap after its mark, the whole wrap of each later cam and the half wrap before the crank's
 * mark.
 * @throws RangeError when there is not one count a run
 */
export function sheetFromCounts(answers: CountedAnswers, names: CountedNames): DriveSheet {
  const { cams, counts } = answers
  if (counts.length !== cams.length + 1)
    throw new RangeError(`counts: expected ${cams.length + 1}, one from each mark to the next, got ${counts.length}`)
  const camIds = cams.map((_, i) => (cams.length === 1 ? 'cam' : `cam-${i + 1}`))
  const stops = ['crank', ...camIds, 'crank']
  const wrap = (teeth: number) => teeth / (2 * cams.length)
  const freeLinks = answers.links - answers.crankTeeth / 2 - cams.reduce((sum, cam) => sum + wrap(cam.teeth), 0)
  const tight = Object.fromEntries(
    cams.map((cam, k) => {
      const counted = counts.slice(k + 1).reduce((sum, links) => sum + links, 0)
      const lying =
        wrap(cam.teeth) / 2 +
        cams.slice(k + 1).reduce((sum, later) => sum + wrap(later.teeth), 0) +
        answers.crankTeeth / 4
      return [camIds[k]!, tenth(Math.max(0, counted - lying))]
    })
  )
  return {
    format: 'umbrette-drive',
    version: 1,
    id: answers.id,
    name: answers.name,
    rotation: answers.rotation,
    engine: {
      cylinders: answers.cylinders,
      layout: answers.layout,
      interference: answers.interference,
      fuel: answers.fuel
    },
    sprockets: [
      { id: 'crank', name: names.crank, teeth: answers.crankTeeth },
      ...cams.map(({ name, teeth }, i) => ({ id: camIds[i]!, name, teeth, bank: 1 }))
    ],
    rails: [
      { id: 'arm', name: names.arm, kind: 'arm', side: 'outside' },
      { id: 'guide', name: names.guide, kind: 'guide', side: 'outside' }
    ],
    tensioners: [
      {
        id: 'tensioner',
        name: names.tensioner,
        chain: 'chain',
        arm: 'arm',
        stroke: answers.stroke,
        type: answers.tensionerType,
        ...(answers.ratchet ? { ratchet: answers.ratchet } : {}),
        limit: { value: answers.limitExtension, unit: 'mm', source: answers.source },
        newExtension: answers.newExtension,
        gainFrom: { elongation: answers.elongationLimit / 100, extension: answers.limitExtension }
      }
    ],
    chains: [
      {
        id: 'chain',
        name: names.chain,
        pitch: answers.pitch,
        links: answers.links,
        type: answers.chainType,
        driver: 'crank',
        path: ['crank', 'arm', ...camIds, 'guide'],
        counts: counts.map((links, i) => ({ from: stops[i]!, to: stops[i + 1]!, links })),
        counted: { freeLinks: tenth(freeLinks), tight }
      }
    ],
    phasers: [],
    marks: [{ sprocket: 'crank', at: '6:00' }, ...camIds.map((sprocket): Mark => ({ sprocket, at: '12:00' }))],
    limits: limitsOf(answers)
  }
}

function limitsOf({ elongationLimit, lagLimit, grooveLimit, source }: CountedAnswers): Limit[] {
  return [
    { kind: 'elongation', chain: 'chain', value: elongationLimit, unit: '%', source },
    ...(lagLimit === undefined ? [] : [{ kind: 'camLag' as const, value: lagLimit, unit: 'crank degrees', source }]),
    ...(grooveLimit === undefined
      ? []
      : ['arm', 'guide'].map((rail) => ({ kind: 'groove' as const, rail, value: grooveLimit, unit: 'mm', source })))
  ]
}

function tenth(links: number): number {
  return Math.round(links * 10) / 10
}
