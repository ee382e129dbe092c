import { ARM_ANGLE_TOLERANCE, brent, RADIANS } from '../math'
import { compileSheet, type Chain, type DriveSheet, type Sprocket, type Tensioner } from '../sheet'
import { countedOf, isCharted } from './centred'
import { chartedModel } from './charted'
import { contourAt, linksRound } from './contour'
import type { Corrections } from './corrections'
import { slackGain } from './counted'
import type { ChainWear } from './model'
import { extensionAt, plungerOn } from './plunger'

/** Of the pitch: how far teeth usually stand above the pitch line, where the sheet does not say. */
const TIP_OVER_PITCH = 0.33

/** What a chain needs to ride over one of its sprockets. */
export interface RideOver {
  sprocket: string
  /** mm of slack: sweep × (tip radius − pitch radius), first order. */
  needed: number
  /** Does the sheet say its tip radius? */
  measured: boolean
}

/**
 * mm of slack that the chain needs to ride over the teeth of each of its sprockets: its whole sweep lifted from the
 * pitch line to the tips. First order: a chain rides over a tooth at a time, and a worn one over less.
 * @throws RangeError when the geometry of that state does not exist
 */
export function rideOver(sheet: DriveSheet, chain: Chain, state: ChainWear, corrections: Corrections = {}): RideOver[] {
  const { sprockets } = compileSheet(sheet)
  const sweep = sweepsOf(sheet, chain, state, corrections)
  return chain.path.flatMap((id): RideOver[] => {
    const sprocket = sprockets.get(id)
    if (!sprocket) return []
    const height = tipHeight(sprocket, chain)
    return [{ sprocket: id, needed: sweep(id) * RADIANS * height, measured: sprocket.tipRadius !== undefined }]
  })
}

/** mm from the pitch line to the tips of its teeth. */
function tipHeight({ teeth, tipRadius }: Sprocket, { pitch }: Chain): number {
  const pitchRadius = pitch / (2 * Math.sin(Math.PI / teeth))
  return tipRadius === undefined ? TIP_OVER_PITCH * pitch : Math.max(0, tipRadius - pitchRadius)
}

/** degrees that the chain lies on each sprocket; alike on all where the sheet has no coordinates. */
function sweepsOf(
  sheet: DriveSheet,
  chain: Chain,
  state: ChainWear,
  corrections: Corrections
): (sprocket: string) => number {
  if (isCharted(sheet, chain)) {
    const model = chartedModel(sheet, chain, corrections)
    const { contour } = model.settle(state)
    return (id) => {
      const at = contour.touched.indexOf(model.elements.findIndex((element) => element.id === id))
      return at < 0 ? 0 : contour.sweep[at]!
    }
  }
  const { sprockets } = compileSheet(sheet)
  const teeth = chain.path.reduce((sum, id) => sum + (sprockets.get(id)?.teeth ?? 0), 0)
  const free = countedOf(sheet, chain)?.freeLinks ?? 0
  return () => (360 * (chain.links - free)) / teeth
}

/**
 * mm of chain that come free where the plunger goes back from one extension to another, the rest as it stands.
 * @throws RangeError when the geometry does not exist there
 */
export function slackBetween(
  sheet: DriveSheet,
  chain: Chain,
  state: ChainWear,
  extensions: { from: number; to: number },
  corrections: Corrections = {}
): number {
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  if (!tensioner) return 0
  if (!isCharted(sheet, chain)) return (extensions.from - extensions.to) / slackGain(sheet, chain, tensioner)
  const model = chartedModel(sheet, chain, corrections)
  const plunger = plungerOn(sheet, chain, corrections)
  if (!plunger) return 0
  const lengthAt = (extension: number): number => {
    const angle = angleOf((a) => extensionAt(plunger, a, state.padWear) - extension, plunger.range)
    const contour = contourAt(model.elements, angle, state.wear)
    if (!contour) throw new RangeError(`chain ${chain.id}: no contour with the plunger at ${extension} mm`)
    return linksRound(model.elements, contour, model.linkLength(state.elongation)) * model.linkLength(state.elongation)
  }
  return Math.max(0, lengthAt(extensions.from) - lengthAt(extensions.to))
}

/** The arm angle of an extension; the nearer end of its range where it is beyond. */
function angleOf(beyond: (angle: number) => number, [from, to]: readonly [number, number]): number {
  const [atFrom, atTo] = [beyond(from), beyond(to)]
  if (Math.sign(atFrom) === Math.sign(atTo)) return Math.abs(atFrom) < Math.abs(atTo) ? from : to
  return brent(beyond, from, to, ARM_ANGLE_TOLERANCE)
}

/** mm to which a plunger goes back when its oil has left it: to its last notch, or all the way. */
export function bledDown({ ratchet }: Pick<Tensioner, 'ratchet'>, extension: number): number {
  if (!ratchet || extension < ratchet.first) return 0
  return ratchet.first + Math.floor((extension - ratchet.first) / ratchet.pitch) * ratchet.pitch
}
