import { CLOSING_TOLERANCE, COUNT_TOLERANCE, dotOf, REACH, unit } from '../math'
import { isCharted } from './chainModel'
import { chartedModel } from './charted'
import { type Contour, contourAt, linksRound } from './contour'
import { slackGain } from './counted'
import { type Element, elementsOf, touchingRails } from './elements'
import { linksBetweenMarks } from './marks'
import { asNew } from './model'
import { travelOf } from './train'
import { compileSheet, limitFor, type Chain, type DriveSheet } from '../sheet'
import type { Fault } from '../check'
import { faultAt } from './says'

/**
 * Faults in what a sheet's figures give: a drive that does not close, counts that its geometry contradicts, a reach too
 * short.
 */
export function geometryFaults(sheet: DriveSheet): Fault[] {
  return sheet.chains.flatMap((chain, i) => {
    const place = `chains[${i}]`
    const missing = isCharted(sheet, chain) ? missingCoordinates(sheet, chain) : missingCounts(sheet, chain, place)
    if (missing.length > 0) return missing
    return isCharted(sheet, chain) ? chartedFaults(sheet, chain, place) : countedFaults(sheet, chain)
  })
}

function missingCoordinates(sheet: DriveSheet, chain: Chain): Fault[] {
  const faults: Fault[] = []
  const need = (place: string, fields: Record<string, unknown>) => {
    for (const [field, value] of Object.entries(fields)) {
      if (value === undefined) faults.push(faultAt(`${place}.${field}`, 'coordinates-missing'))
    }
  }
  const touching = touchingRails(sheet, chain)
  sheet.rails.forEach((rail, i) => {
    if (!touching.includes(rail.id)) return
    need(
      `rails[${i}]`,
      rail.kind === 'arm'
        ? { side: rail.side, shoe: rail.shoe, pivot: rail.pivot }
        : { side: rail.side, shoe: rail.shoe }
    )
  })
  sheet.tensioners.forEach(({ chain: id, armRange, axis, seat, pad }, i) => {
    if (id === chain.id) need(`tensioners[${i}]`, { armRange, axis, seat, pad })
  })
  return faults
}

function missingCounts(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  if (!chain.counted) return [faultAt(`${place}.counted`, 'counted-missing')]
  const faults: Fault[] = []
  if (chain.counted.freeLinks > chain.links)
    faults.push(faultAt(`${place}.counted.freeLinks`, 'free-links', { links: chain.links }))
  for (const id of chain.path) {
    const cam = id !== chain.driver && compileSheet(sheet).sprockets.has(id)
    if (!cam) continue
    const tight = chain.counted.tight[id]
    if (tight === undefined) faults.push(faultAt(`${place}.counted.tight.${id}`, 'tight-missing'))
    else if (tight > chain.counted.freeLinks)
      faults.push(faultAt(`${place}.counted.tight.${id}`, 'tight-links', { links: chain.counted.freeLinks }))
  }
  sheet.tensioners.forEach((tensioner, i) => {
    if (tensioner.chain !== chain.id) return
    if (tensioner.newExtension === undefined)
      faults.push(faultAt(`tensioners[${i}].newExtension`, 'new-extension-missing'))
    if (tensioner.gain === undefined && !tensioner.gainFrom)
      faults.push(faultAt(`tensioners[${i}].gain`, 'gain-missing'))
  })
  return faults
}

function countedFaults(sheet: DriveSheet, chain: Chain): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    if (tensioner.chain !== chain.id || slackGain(chain, tensioner) > 0) return []
    return [faultAt(`tensioners[${i}].gainFrom`, 'gain-second-point')]
  })
}

function chartedFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const elements = elementsOf(sheet, chain)
  const wear = touchingRails(sheet, chain).map(() => 0)
  const contour = contourAt(elements, 0, wear)
  if (!contour) return [faultAt(`${place}.path`, 'neighbours-overlap')]
  const faults = closingFaults(sheet, chain, elements, contour, place)
  if (faults.length > 0) return faults
  const plungers = plungerFaults(sheet, chain)
  if (plungers.length > 0) return plungers
  return [...markFaults(sheet, chain, elements, contour, place), ...reachFaults(sheet, chain, place)]
}

function closingFaults(
  sheet: DriveSheet,
  chain: Chain,
  elements: readonly Element[],
  contour: Contour,
  place: string
): Fault[] {
  const turning = contour.touched.reduce(
    (sum, element, i) => sum + elements[element]!.orientation * contour.sweep[i]!,
    0
  )
  const expected = 360 * travelOf(sheet, chain)
  if (Math.abs(turning - expected) > 1e-6) {
    return [faultAt(`${place}.path`, 'loop-turning', { turning: Math.round(turning), expected })]
  }
  const loose = elements.filter((e, i) => e.rail >= 0 && !contour.touched.includes(i))
  if (loose.length > 0) return loose.map((e) => faultAt(`${place}.path`, 'rail-clear', { rail: e.id }))
  const off = linksRound(elements, contour, chain.pitch) - chain.links
  if (Math.abs(off) < CLOSING_TOLERANCE) return []
  return [faultAt(place, 'not-closing', { taken: off + chain.links, links: chain.links, within: CLOSING_TOLERANCE })]
}

function plungerFaults(sheet: DriveSheet, chain: Chain): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    if (tensioner.chain !== chain.id) return []
    const place = `tensioners[${i}]`
    const { armRange, axis, pad } = tensioner
    if (!armRange || axis === undefined || !pad) return []
    const [from, to] = armRange
    if (Math.abs(dotOf(unit(axis), unit(pad.face - 90))) < 0.05) return [faultAt(`${place}.axis`, 'plunger-along-face')]
    if (!(from <= 0 && to >= 0 && to > from)) return [faultAt(`${place}.armRange`, 'arm-range')]
    return []
  })
}

function markFaults(
  sheet: DriveSheet,
  chain: Chain,
  elements: readonly Element[],
  contour: Contour,
  place: string
): Fault[] {
  return chain.counts.flatMap(({ from, to, links }, i) => {
    const drawn = linksBetweenMarks(sheet, chain, elements, contour, from, to)
    if (drawn === null || Math.abs(drawn - links) <= COUNT_TOLERANCE) return []
    return [faultAt(`${place}.counts[${i}]`, 'count-drawn', { links, drawn })]
  })
}

/**
 * The model must describe a drive 1.5 times as worn as its elongation limit allows; else the fault says how far it
 * goes.
 */
function reachFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const limit = limitFor(sheet, 'elongation', chain.id)
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
  return [faultAt(place, 'reach', { reached: good, wanted, times: REACH })]
}
