import { CLOSING_TOLERANCE, COUNT_TOLERANCE, dotOf, REACH, unit } from '../math'
import { isCharted } from './chainModel'
import { chartedModel } from './charted'
import { type Contour, contourAt, linksRound } from './contour'
import { slackGain } from './counted'
import { type Element, elementsOf, touchingRails } from './elements'
import { linksBetweenMarks } from './marks'
import { asNew } from './model'
import { travelOf } from './train'
import type { Chain, DriveSheet } from '../sheet'
import type { Fault } from '../check'

/** Faults in what a sheet's figures give: a drive that does not close, counts that its geometry contradicts, a reach too short. */
export function geometryFaults(sheet: DriveSheet): Fault[] {
  return sheet.chains.flatMap((chain, i) => {
    const place = `chains[${i}]`
    const missing = isCharted(sheet, chain) ? missingCoordinates(sheet, chain) : missingCounted(sheet, chain, place)
    if (missing.length > 0) return missing
    return isCharted(sheet, chain) ? chartedFaults(sheet, chain, place) : countedFaults(sheet, chain)
  })
}

function missingCoordinates(sheet: DriveSheet, chain: Chain): Fault[] {
  const faults: Fault[] = []
  const need = (place: string, fields: Record<string, unknown>) => {
    for (const [field, value] of Object.entries(fields)) {
      if (value === undefined) faults.push({ place: `${place}.${field}`, message: 'is missing: the sprockets have coordinates, so this needs them too' })
    }
  }
  const touching = touchingRails(sheet, chain)
  sheet.rails.forEach((rail, i) => {
    if (!touching.includes(rail.id)) return
    need(`rails[${i}]`, rail.kind === 'arm' ? { side: rail.side, shoe: rail.shoe, pivot: rail.pivot } : { side: rail.side, shoe: rail.shoe })
  })
  sheet.tensioners.forEach(({ chain: id, armRange, axis, seat, pad }, i) => {
    if (id === chain.id) need(`tensioners[${i}]`, { armRange, axis, seat, pad })
  })
  return faults
}

function missingCounted(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  if (!chain.counted) return [{ place: `${place}.counted`, message: 'is missing: without coordinates for every sprocket the sheet needs freeLinks and tight links here' }]
  const faults: Fault[] = []
  if (chain.counted.freeLinks > chain.links) faults.push({ place: `${place}.counted.freeLinks`, message: `expected at most the chain's ${chain.links} links` })
  for (const id of chain.path) {
    const cam = id !== chain.driver && sheet.sprockets.some((s) => s.id === id)
    if (!cam) continue
    const tight = chain.counted.tight[id]
    if (tight === undefined) faults.push({ place: `${place}.counted.tight.${id}`, message: 'is missing: the links on the tight side between this cam and the driver' })
    else if (tight > chain.counted.freeLinks) faults.push({ place: `${place}.counted.tight.${id}`, message: `expected at most the ${chain.counted.freeLinks} links that are free all round` })
  }
  sheet.tensioners.forEach((tensioner, i) => {
    if (tensioner.chain !== chain.id) return
    if (tensioner.newExtension === undefined) faults.push({ place: `tensioners[${i}].newExtension`, message: 'is missing: the extension of the new drive in mm' })
    if (tensioner.gain === undefined && !tensioner.gainFrom) faults.push({ place: `tensioners[${i}].gain`, message: 'is missing: give gain, or gainFrom with a second known point' })
  })
  return faults
}

function countedFaults(sheet: DriveSheet, chain: Chain): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    if (tensioner.chain !== chain.id || slackGain(chain, tensioner) > 0) return []
    return [{ place: `tensioners[${i}].gainFrom`, message: 'the second point must stand further out than newExtension' }]
  })
}

function chartedFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const elements = elementsOf(sheet, chain)
  const wear = touchingRails(sheet, chain).map(() => 0)
  const contour = contourAt(elements, 0, wear)
  if (!contour) return [{ place: `${place}.path`, message: 'two neighbours on the path overlap, so no chain runs from one to the other' }]
  const faults = closingFaults(sheet, chain, elements, contour, place)
  if (faults.length > 0) return faults
  const plungers = plungerFaults(sheet, chain)
  if (plungers.length > 0) return plungers
  return [...markFaults(sheet, chain, elements, contour, place), ...reachFaults(sheet, chain, place)]
}

function closingFaults(sheet: DriveSheet, chain: Chain, elements: readonly Element[], contour: Contour, place: string): Fault[] {
  const turning = contour.touched.reduce((sum, element, i) => sum + elements[element]!.orientation * contour.sweep[i]!, 0)
  const expected = 360 * travelOf(sheet, chain)
  if (Math.abs(turning - expected) > 1e-6) {
    return [{ place: `${place}.path`, message: `turns ${Math.round(turning)}° round the loop instead of ${expected}°: check the order of the path and the direction of turning` }]
  }
  const loose = elements.filter((e, i) => e.rail >= 0 && !contour.touched.includes(i))
  if (loose.length > 0) return loose.map((e) => ({ place: `${place}.path`, message: `rail "${e.id}" stands clear of the new chain: move its shoe, or say touches: false` }))
  const off = linksRound(elements, contour, chain.pitch) - chain.links
  if (Math.abs(off) < CLOSING_TOLERANCE) return []
  return [{ place, message: `the geometry takes ${(off + chain.links).toFixed(2)} links with the arm as new, but the chain has ${chain.links}: it must close within ${CLOSING_TOLERANCE}` }]
}

function plungerFaults(sheet: DriveSheet, chain: Chain): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    if (tensioner.chain !== chain.id) return []
    const place = `tensioners[${i}]`
    const [from, to] = tensioner.armRange!
    if (Math.abs(dotOf(unit(tensioner.axis!), unit(tensioner.pad!.face - 90))) < 0.05) return [{ place: `${place}.axis`, message: 'the plunger moves along the arm\'s face, so it cannot push it: check axis and pad.face' }]
    if (!(from <= 0 && to >= 0 && to > from)) return [{ place: `${place}.armRange`, message: 'expected [least, greatest] arm angle with 0, the new drive, in between' }]
    return []
  })
}

function markFaults(sheet: DriveSheet, chain: Chain, elements: readonly Element[], contour: Contour, place: string): Fault[] {
  return chain.counts.flatMap(({ from, to, links }, i) => {
    const drawn = linksBetweenMarks(sheet, chain, elements, contour, from, to)
    if (drawn === null || Math.abs(drawn - links) <= COUNT_TOLERANCE) return []
    return [{ place: `${place}.counts[${i}]`, message: `says ${links} links, but the marks' clock positions and the geometry give ${drawn.toFixed(1)}` }]
  })
}

/** The model must describe a drive 1.5 times as worn as its elongation limit allows; else the fault says how far it goes. */
function reachFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const limit = sheet.limits.find((l) => l.kind === 'elongation' && l.chain === chain.id)
  if (!limit) return []
  const model = chartedModel(sheet, chain)
  const reaches = (percent: number) => {
    try {
      const { lag, extension } = model.readout({ ...asNew(model), elongation: percent / 100 })
      return lag.every(Number.isFinite) && (extension === null || Number.isFinite(extension))
    } catch {
      return false
    }
  }
  const wanted = REACH * limit.value
  if (reaches(wanted)) return []
  let [good, bad] = [0, wanted]
  for (let i = 0; i < 20; i++) {
    const middle = (good + bad) / 2
    if (reaches(middle)) good = middle
    else bad = middle
  }
  return [{ place, message: `the geometry reaches ${good.toFixed(2)} % elongation; expected ${wanted.toFixed(2)} %, ${REACH} times the limit` }]
}
