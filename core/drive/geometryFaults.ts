import { CLOSING_TOLERANCE, COUNT_TOLERANCE, dotOf, REACH, unit } from '../math'
import { centredRun, countedOf, hasCentres, isCharted, lacksOf } from './centred'
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
    if (isCharted(sheet, chain)) return chartedFaults(sheet, chain, place)
    const missing = missingCounts(sheet, chain, place)
    if (missing.length > 0) return missing
    return [...countedFaults(sheet, chain), ...(hasCentres(sheet, chain) ? centredFaults(sheet, chain, place) : [])]
  })
}

function missingCounts(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const counted = countedOf(sheet, chain)
  if (!counted)
    return hasCentres(sheet, chain)
      ? [faultAt(`${place}.path`, 'neighbours-overlap')]
      : [faultAt(`${place}.counted`, 'counted-missing')]
  const faults: Fault[] = []
  if (counted.freeLinks > chain.links)
    faults.push(faultAt(`${place}.counted.freeLinks`, 'free-links', { links: chain.links }))
  for (const id of chain.path) {
    const cam = id !== chain.driver && compileSheet(sheet).sprockets.has(id)
    if (!cam) continue
    const tight = counted.tight[id]
    if (tight === undefined) faults.push(faultAt(`${place}.counted.tight.${id}`, 'tight-missing'))
    else if (tight > counted.freeLinks)
      faults.push(faultAt(`${place}.counted.tight.${id}`, 'tight-links', { links: counted.freeLinks }))
  }
  const lacks = hasCentres(sheet, chain) ? [...new Set(lacksOf(sheet, chain).map(({ part }) => part))] : []
  sheet.tensioners.forEach((tensioner, i) => {
    if (tensioner.chain !== chain.id) return
    if (tensioner.newExtension === undefined)
      faults.push(
        lacks.length > 0
          ? faultAt(`tensioners[${i}].newExtension`, 'extension-or-drawing', { parts: lacks })
          : faultAt(`tensioners[${i}].newExtension`, 'new-extension-missing')
      )
    if (tensioner.gain === undefined && !tensioner.gainFrom)
      faults.push(faultAt(`tensioners[${i}].gain`, 'gain-missing'))
  })
  return faults
}

function countedFaults(sheet: DriveSheet, chain: Chain): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    if (tensioner.chain !== chain.id || slackGain(sheet, chain, tensioner) > 0) return []
    return [faultAt(`tensioners[${i}].gainFrom`, 'gain-second-point')]
  })
}

/** Links that a chain may be longer than the way round its sprockets alone: rails push it aside by no more. */
const MOST_ASIDE = 0.25

/** Centres that a chain cannot go round, or that its counts contradict. */
function centredFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const run = centredRun(sheet, chain)
  if (!run) return [faultAt(`${place}.path`, 'neighbours-overlap')]
  const { elements, contour } = run
  const turned = turningFaults(sheet, chain, elements, contour, place)
  if (turned.length > 0) return turned
  const least = linksRound(elements, contour, chain.pitch)
  const aside = chain.links - least
  if (aside < -COUNT_TOLERANCE || aside > MOST_ASIDE * chain.links)
    return [faultAt(place, aside < 0 ? 'centres-far' : 'centres-near', { taken: least, links: chain.links })]
  return chain.counts.flatMap(({ from, to, links }, i) => {
    const drawn = linksBetweenMarks(sheet, chain, elements, contour, from, to)
    const most = (drawn ?? 0) + Math.max(0, aside) + COUNT_TOLERANCE
    if (drawn === null || (links >= drawn - COUNT_TOLERANCE && links <= most)) return []
    return [faultAt(`${place}.counts[${i}]`, 'count-centres', { links, least: drawn, most })]
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

/** Once round, the way it travels: a reversed path or swapped cams give twice that. */
function turningFaults(
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
  if (Math.abs(turning - expected) <= 1e-6) return []
  return [faultAt(`${place}.path`, 'loop-turning', { turning: Math.round(turning), expected })]
}

function closingFaults(
  sheet: DriveSheet,
  chain: Chain,
  elements: readonly Element[],
  contour: Contour,
  place: string
): Fault[] {
  const turned = turningFaults(sheet, chain, elements, contour, place)
  if (turned.length > 0) return turned
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
