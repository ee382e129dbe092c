import { CRANK, drivesFurther, onShaft, speedOf } from './train'
import { type Chain, type DriveSheet, type Limit, STANDING_TARGETS, workshopFaults } from '../sheet'
import type { Fault } from '../check'

/** Faults in how the parts of a sheet name each other: ids, paths, counts, teeth, targets. */
export function referenceFaults(sheet: DriveSheet): Fault[] {
  return [...idFaults(sheet), ...sheet.chains.flatMap((chain, i) => chainFaults(sheet, chain, `chains[${i}]`)), ...tensionerFaults(sheet), ...gearFaults(sheet), ...targetFaults(sheet), ...workshopFaults(sheet)]
}

function idFaults(sheet: DriveSheet): Fault[] {
  const seen = new Map<string, string>()
  const faults: Fault[] = []
  for (const list of ['sprockets', 'rails', 'tensioners', 'chains', 'phasers'] as const) {
    sheet[list].forEach(({ id }, i) => {
      const place = `${list}[${i}].id`
      if ((STANDING_TARGETS as readonly string[]).includes(id)) faults.push({ place, message: `"${id}" is a word that findings use: give the part another id` })
      else if (seen.has(id)) faults.push({ place, message: `"${id}" is used already at ${seen.get(id)}: give every part its own id` })
      else seen.set(id, place)
    })
  }
  return faults
}

function chainFaults(sheet: DriveSheet, chain: Chain, place: string): Fault[] {
  const sprocket = (id: string) => sheet.sprockets.find((s) => s.id === id)
  const faults: Fault[] = []
  const fault = (where: string, message: string) => faults.push({ place: `${place}.${where}`, message })
  chain.path.forEach((id, i) => {
    if (!sprocket(id) && !sheet.rails.some((r) => r.id === id)) fault(`path[${i}]`, `"${id}" is neither a sprocket nor a rail of this sheet`)
    if (chain.path.indexOf(id) !== i) fault(`path[${i}]`, `"${id}" is met twice`)
  })
  if (chain.path[0] !== chain.driver) fault('path', `expected to start at the driver "${chain.driver}"`)
  const driver = sprocket(chain.driver)
  if (!driver) fault('driver', `"${chain.driver}" is no sprocket of this sheet`)
  const driven = chain.path.filter((id) => sprocket(id) && id !== chain.driver)
  if (driven.length === 0) fault('path', 'expected at least one driven sprocket')
  if (faults.length > 0) return faults
  return [...speedFaults(sheet, chain, driven, place), ...countFaults(chain, [chain.driver, ...driven], place)]
}

/** A marked sprocket that drives nothing further is a cam: it turns at half crank speed, through all stages before it. */
function speedFaults(sheet: DriveSheet, chain: Chain, driven: readonly string[], place: string): Fault[] {
  try {
    return driven.flatMap((id) => {
      const cam = sheet.marks.some((mark) => mark.sprocket === id) && !drivesFurther(sheet, id)
      const speed = Math.abs(speedOf(sheet, chain, id))
      if (!cam || Math.abs(speed - CAM_SPEED) < 1e-9) return []
      const { teeth } = sheet.sprockets.find((s) => s.id === id)!
      return [{ place: `${place}.path`, message: `"${id}" has ${teeth} teeth; a cam turns at half crank speed, so expected ${trimmed((teeth * speed) / CAM_SPEED)}` }]
    })
  } catch {
    return [{ place: `${place}.driver`, message: `"${chain.driver}" is driven in a circle: stages must start at the crank` }]
  }
}

/** Cam turns per crank turn in a four-stroke engine. */
const CAM_SPEED = 0.5

function trimmed(teeth: number): string {
  return Number.isInteger(teeth) ? String(teeth) : teeth.toFixed(2)
}


/** Counts run from each sprocket to the next in the direction of travel and sum to the chain's links. */
function countFaults(chain: Chain, sprockets: string[], place: string): Fault[] {
  const faults: Fault[] = []
  chain.counts.forEach(({ from, to }, i) => {
    for (const id of [from, to]) {
      if (!sprockets.includes(id)) faults.push({ place: `${place}.counts[${i}]`, message: `"${id}" is no sprocket on this chain` })
    }
  })
  if (faults.length || chain.counts.length === 0) return faults
  const inOrder = chain.counts.every(({ to }, i) => to === chain.counts[(i + 1) % chain.counts.length]!.from)
  if (!inOrder) return [{ place: `${place}.counts`, message: 'expected each run to start where the one before it ends, once round the loop' }]
  const sum = chain.counts.reduce((links, count) => links + count.links, 0)
  return sum === chain.links ? [] : [{ place: `${place}.counts`, message: `sum to ${sum}, but the chain has ${chain.links} links` }]
}

function tensionerFaults(sheet: DriveSheet): Fault[] {
  return sheet.tensioners.flatMap((tensioner, i) => {
    const place = `tensioners[${i}]`
    const chain = sheet.chains.find((c) => c.id === tensioner.chain)
    const arm = sheet.rails.find((r) => r.id === tensioner.arm)
    const first = sheet.tensioners.findIndex((t) => t.chain === tensioner.chain)
    const faults: Fault[] = []
    if (!chain) faults.push({ place: `${place}.chain`, message: `"${tensioner.chain}" is no chain of this sheet` })
    if (!arm || arm.kind !== 'arm') faults.push({ place: `${place}.arm`, message: `"${tensioner.arm}" is no arm of this sheet` })
    else if (chain && !chain.path.includes(arm.id)) faults.push({ place: `${place}.arm`, message: `"${arm.id}" does not lie on chain "${chain.id}"` })
    if (first !== i) faults.push({ place: `${place}.chain`, message: `chain "${tensioner.chain}" has a tensioner already; at most one works on a chain` })
    return faults
  })
}

function gearFaults(sheet: DriveSheet): Fault[] {
  return (sheet.gears ?? []).flatMap(({ driver, driven }, i) => {
    const known = (id: string) => sheet.sprockets.some((s) => s.id === id)
    const faults: Fault[] = []
    if (driver !== CRANK && !known(driver)) faults.push({ place: `gears[${i}].driver`, message: `"${driver}" is no sprocket of this sheet, nor the word ${CRANK}` })
    if (!known(driven)) faults.push({ place: `gears[${i}].driven`, message: `"${driven}" is no sprocket of this sheet` })
    else if (!sheet.chains.some((chain) => onShaft(sheet, driven).includes(chain.driver))) faults.push({ place: `gears[${i}].driven`, message: `"${driven}" drives no chain` })
    return faults
  })
}

const limitTargets = { elongation: ['chain'], camLag: ['sprocket'], groove: ['rail'], padWear: ['tensioner'] } as const

const limitUnits = { elongation: '%', camLag: 'crank degrees', groove: 'mm', padWear: 'mm' } as const

function targetFaults(sheet: DriveSheet): Fault[] {
  const known = (list: 'sprockets' | 'rails' | 'tensioners' | 'chains', id: string | undefined) => sheet[list].some((part) => part.id === id)
  const faults: Fault[] = []
  sheet.phasers.forEach((phaser, i) => {
    if (!known('sprockets', phaser.sprocket)) faults.push({ place: `phasers[${i}].sprocket`, message: `"${phaser.sprocket}" is no sprocket of this sheet` })
  })
  sheet.marks.forEach((mark, i) => {
    if (!known('sprockets', mark.sprocket)) faults.push({ place: `marks[${i}].sprocket`, message: `"${mark.sprocket}" is no sprocket of this sheet` })
  })
  sheet.limits.forEach((limit: Limit, i) => {
    const [field] = limitTargets[limit.kind]
    const target = limit[field]
    if (limit.unit !== limitUnits[limit.kind]) faults.push({ place: `limits[${i}].unit`, message: `expected "${limitUnits[limit.kind]}" for ${limit.kind}` })
    const everyCam = limit.kind === 'camLag' && target === undefined
    if (!everyCam && !known(`${field}s`, target)) faults.push({ place: `limits[${i}].${field}`, message: `${target === undefined ? needs(field) : `"${target}" is no ${field} of this sheet`}` })
  })
  return faults
}

function needs(field: string): string {
  return `is missing: say which ${field} the limit belongs to`
}
