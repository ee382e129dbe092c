import { chainModel } from '../core/drive/chainModel'
import type { Reading } from '../core/readings/types'
import { READING_KINDS, methodOf } from '../core/readings/kinds'
import { extensionToNotches } from '../core/readings/sigma'
import type { DriveSheet } from '../core/sheet/types'
import { randomness } from './random'

/** What is really true of a made-up engine; anything not named is as new. */
export interface Truth {
  /** Fraction, by chain. */
  elongation?: Record<string, number>
  /** mm, by rail. */
  wear?: Record<string, number>
  /** mm, by tensioner. */
  pad?: Record<string, number>
  /** Whole teeth, by sprocket; + = late. */
  teeth?: Record<string, number>
  /** crank degrees, by phaser. */
  play?: Record<string, number>
  /** crank degrees that something else (a moved phaser, a wrong key) adds, by sprocket. */
  shift?: Record<string, number>
}

/** What a drive in this state shows: extension by tensioner, lag by sprocket (teeth and shifts in it). */
export function shown(sheet: DriveSheet, truth: Truth): { extension: Record<string, number>; lag: Record<string, number> } {
  const extension: Record<string, number> = {}
  const lag: Record<string, number> = {}
  for (const chain of sheet.chains) {
    const model = chainModel(sheet, chain)
    const tensioner = model.tensioner ?? ''
    const readout = model.readout({ elongation: truth.elongation?.[chain.id] ?? 0, wear: model.rails.map((id) => truth.wear?.[id] ?? 0), padWear: truth.pad?.[tensioner] ?? 0 })
    if (readout.extension !== null) extension[tensioner] = readout.extension
    model.cams.forEach((id, i) => (lag[id] = readout.lag[i]! + (truth.teeth?.[id] ?? 0) * model.degreesPerTooth + (truth.shift?.[id] ?? 0)))
  }
  return { extension, lag }
}

/**
 * What a mechanic would read: the drive's true figure with the noise of the method, to the digits it is read with.
 * @param asked readings without their figures
 */
export function readOff(sheet: DriveSheet, truth: Truth, asked: readonly Reading[], seed: number): Reading[] {
  const { normal } = randomness(1000 + 7919 * seed)
  const { extension, lag } = shown(sheet, truth)
  const rounded = (value: number, digits: number) => Number(value.toFixed(digits))
  return asked.map((reading): Reading => {
    if (reading.kind === 'condition' || reading.value !== undefined) return reading
    const noise = normal(READING_KINDS[reading.kind].methods[methodOf(reading.kind, reading.method)] ?? 0)
    const chain = sheet.chains.find((c) => c.id === reading.chain)
    switch (reading.kind) {
      case 'extension': {
        const { ratchet, stroke } = sheet.tensioners.find((t) => t.id === reading.tensioner)!
        if (reading.notches !== undefined) return { ...reading, notches: extensionToNotches(ratchet!, extension[reading.tensioner!]!) }
        return { ...reading, value: rounded(Math.min(extension[reading.tensioner!]! + noise, stroke), 1) }
      }
      case 'camLag': return { ...reading, value: rounded(lag[reading.sprocket!]! + 0.5 * noise, 1) }
      case 'groove': return { ...reading, value: rounded(Math.max(0, (truth.wear?.[reading.rail!] ?? 0) + noise), 2) }
      case 'padWear': return { ...reading, value: rounded(Math.max(0, (truth.pad?.[reading.tensioner!] ?? 0) + noise), 2) }
      case 'phaserPlay': return { ...reading, value: rounded(Math.max(0, (truth.play?.[reading.phaser!] ?? 0.3) + 0.5 * noise), 1) }
      case 'chainLength': return { ...reading, value: rounded(reading.links! * chain!.pitch * (1 + (truth.elongation?.[chain!.id] ?? 0)) + noise, 2) }
      case 'chainCompare': return { ...reading, value: rounded(reading.links! * chain!.pitch * (truth.elongation?.[chain!.id] ?? 0) + noise, 2) }
      case 'linkCount': {
        const teeth = (id: string) => truth.teeth?.[id] ?? 0
        return { ...reading, value: chain!.counts.find((c) => c.from === reading.from && c.to === reading.to)!.links + teeth(reading.from!) - teeth(reading.to!) }
      }
    }
  })
}
