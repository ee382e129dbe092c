import { CRANK, drivesChain, drivesFurther, shaftSpeed, speedOf } from './train'
import {
  compileSheet,
  type Chain,
  type DriveSheet,
  type Limit,
  LIMIT_KINDS,
  type LimitKindSpec,
  RESERVED_TARGETS,
  workshopFaults
} from '../sheet'
import type { Fault, Message } from '../check'
import { faultAt, say } from './says'

/** Faults in how the parts of a sheet name each other: ids, paths, counts, teeth, targets. */
export function referenceFaults(sheet: DriveSheet): Fault[] {
  return [
    ...idFaults(sheet),
    ...sheet.chains.flatMap((chain, i) => chainFaults(sheet, chain, `chains[${i}]`)),
    ...tensionerFaults(sheet),
    ...gearFaults(sheet),
    ...targetFaults(sheet),
    ...workshopFaults(sheet)
  ]
}

function idFaults(sheet: DriveSheet): Fault[] {
  const seen = new Map<string, string>()
  const faults: Fault[] = []
  for (const list of ['sprockets', 'rails', 'tensioners', 'chains', 'phasers', 'beside'] as const) {
    sheet[list]?.forEach(({ id }, i) => {
      const place = `${list}[${i}].id`
      if (RESERVED_TARGETS.includes(id)) faults.push(faultAt(place, 'word-of-findings', { id }))
      else if (seen.has(id)) faults.push(faultAt(place, 'id-used', { id, at: seen.get(id) ?? '' }))
      else seen.set(id, place)
    })
  }
  return faults
}

function chainFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const { sprockets, rails } = compileSheet(sheet)
  const faults: Fault[] = []
  const fault = (where: string, message: Message) => faults.push({ place: `${place}.${where}`, ...message })
  chain.path.forEach((id, i) => {
    if (!sprockets.has(id) && !rails.has(id)) fault(`path[${i}]`, say('neither-sprocket-nor-rail', { id }))
    if (chain.path.indexOf(id) !== i) fault(`path[${i}]`, say('met-twice', { id }))
  })
  if (chain.path[0] !== chain.driver) fault('path', say('starts-at-driver', { driver: chain.driver }))
  if (!sprockets.has(chain.driver)) fault('driver', say('no-sprocket', { id: chain.driver }))
  const driven = chain.path.filter((id) => sprockets.has(id) && id !== chain.driver)
  if (driven.length === 0) fault('path', say('no-driven-sprocket'))
  if (faults.length > 0) return faults
  return [...speedFaults(sheet, chain, driven, place), ...countFaults(chain, [chain.driver, ...driven], place)]
}

/**
 * A marked sprocket that drives nothing further is a cam: it turns at half crank speed, through all stages before it.
 */
function speedFaults(sheet: DriveSheet, chain: Chain, driven: readonly string[], place: string): Fault[] {
  try {
    return driven.flatMap((id) => {
      const parts = compileSheet(sheet)
      const cam = parts.markOf(id) !== null && !drivesFurther(sheet, id) && parts.sprocket(id).turns === undefined
      const speed = Math.abs(speedOf(sheet, chain, id))
      if (!cam || Math.abs(speed - CAM_SPEED) < 1e-9) return []
      const { teeth } = parts.sprocket(id)
      return [faultAt(`${place}.path`, 'cam-teeth', { id, teeth, expected: (teeth * speed) / CAM_SPEED })]
    })
  } catch {
    return [faultAt(`${place}.driver`, 'driven-in-circle', { id: chain.driver })]
  }
}

/** Cam turns per crank turn in a four-stroke engine. */
const CAM_SPEED = 0.5

/** Counts run from each sprocket to the next in the direction of travel and sum to the chain's links. */
function countFaults(chain: Chain, sprockets: string[], place: string): Fault[] {
  const faults: Fault[] = []
  chain.counts.forEach(({ from, to }, i) => {
    for (const id of [from, to]) {
      if (!sprockets.includes(id)) faults.push(faultAt(`${place}.counts[${i}]`, 'no-sprocket-on-chain', { id }))
    }
  })
  if (faults.length || chain.counts.length === 0) return faults
  const inOrder = chain.counts.every(({ to }, i) => to === chain.counts[(i + 1) % chain.counts.length]!.from)
  if (!inOrder) return [faultAt(`${place}.counts`, 'runs-in-order')]
  const sum = chain.counts.reduce((links, count) => links + count.links, 0)
  return sum === chain.links ? [] : [faultAt(`${place}.counts`, 'counts-sum', { sum, links: chain.links })]
}

function tensionerFaults(sheet: DriveSheet): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    const place = `tensioners[${i}]`
    const { chains, rails, tensionerOf } = compileSheet(sheet)
    const [chain, arm] = [chains.get(tensioner.chain), rails.get(tensioner.arm)]
    const faults: Fault[] = []
    if (!chain) faults.push(faultAt(`${place}.chain`, 'no-chain', { id: tensioner.chain }))
    if (!arm || arm.kind !== 'arm') faults.push(faultAt(`${place}.arm`, 'no-arm', { id: tensioner.arm }))
    else if (chain && !chain.path.includes(arm.id))
      faults.push(faultAt(`${place}.arm`, 'arm-off-chain', { arm: arm.id, chain: chain.id }))
    if (tensionerOf(tensioner.chain) !== tensioner)
      faults.push(faultAt(`${place}.chain`, 'second-tensioner', { chain: tensioner.chain }))
    return faults
  })
}

function gearFaults(sheet: DriveSheet): Fault[] {
  return (sheet.gears ?? []).flatMap(({ driver, driven }, i) => {
    const known = (id: string) => compileSheet(sheet).sprockets.has(id)
    const faults: Fault[] = []
    if (driver !== CRANK && !known(driver))
      faults.push(faultAt(`gears[${i}].driver`, 'no-sprocket-nor-crank', { id: driver, crank: CRANK }))
    if (!known(driven)) faults.push(faultAt(`gears[${i}].driven`, 'no-sprocket', { id: driven }))
    else if (!drivesChain(sheet, driven)) faults.push(...gearedCamFaults(sheet, driven, `gears[${i}]`))
    return faults
  })
}

/** A gear that drives no chain drives a cam, at half crank speed; it needs its mark, or it drives nothing. */
function gearedCamFaults(sheet: DriveSheet, id: string, place: string): Fault[] {
  const onChain = sheet.chains.some(({ path }) => path.includes(id))
  if (onChain || compileSheet(sheet).markOf(id) === null) return [faultAt(`${place}.driven`, 'drives-no-chain', { id })]
  try {
    const speed = Math.abs(shaftSpeed(sheet, id))
    const { teeth } = sheet.gears!.find(({ driven }) => driven === id)!
    if (Math.abs(speed - CAM_SPEED) < 1e-9) return []
    return [faultAt(`${place}.teeth`, 'cam-teeth', { id, teeth: teeth[1], expected: (teeth[1] * speed) / CAM_SPEED })]
  } catch {
    return [faultAt(`${place}.driver`, 'driven-in-circle', { id })]
  }
}

function targetFaults(sheet: DriveSheet): Fault[] {
  const parts = compileSheet(sheet)
  const known = (list: 'sprockets' | 'rails' | 'tensioners' | 'chains' | 'phasers', id: string | undefined) =>
    id !== undefined && parts[list].has(id)
  const faults: Fault[] = []
  sheet.phasers.forEach((phaser, i) => {
    if (!known('sprockets', phaser.sprocket))
      faults.push(faultAt(`phasers[${i}].sprocket`, 'no-sprocket', { id: phaser.sprocket }))
    if (phaser.tensioner !== undefined && !known('tensioners', phaser.tensioner))
      faults.push(faultAt(`phasers[${i}].tensioner`, 'no-tensioner', { id: phaser.tensioner }))
  })
  sheet.marks.forEach((mark, i) => {
    if (!known('sprockets', mark.sprocket))
      faults.push(faultAt(`marks[${i}].sprocket`, 'no-sprocket', { id: mark.sprocket }))
  })
  for (const id of Object.keys(sheet.triggers?.cams ?? {}))
    if (!known('sprockets', id)) faults.push(faultAt(`triggers.cams.${id}`, 'no-sprocket', { id }))
  sheet.beside?.forEach(({ sprocket }, i) => {
    if (sprocket !== undefined && !known('sprockets', sprocket))
      faults.push(faultAt(`beside[${i}].sprocket`, 'no-sprocket', { id: sprocket }))
  })
  sheet.limits.forEach((limit: Limit, i) => {
    const { unit, target: field, everywhere }: LimitKindSpec = LIMIT_KINDS[limit.kind]
    if (limit.unit !== unit) faults.push(faultAt(`limits[${i}].unit`, 'limit-unit', { unit, kind: limit.kind }))
    if (field === null) return
    const target = limit[field]
    if (!(everywhere && target === undefined) && !known(`${field}s`, target))
      faults.push(
        target === undefined
          ? faultAt(`limits[${i}].${field}`, 'limit-target-missing', { field })
          : faultAt(`limits[${i}].${field}`, 'limit-target', { id: target, field })
      )
  })
  return faults
}
