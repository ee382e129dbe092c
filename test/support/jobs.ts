import type { JobFile } from '../../core/job/types'
import type { Reading } from '../../core/readings/types'
import type { DriveSheet } from '../../core/sheet/types'
import { sheet } from './sheets'

/** A job on a sheet (ardmere unless another is given) with these readings. */
export function jobOf(readings: Reading[], more: Partial<JobFile> & { drive?: DriveSheet } = {}): JobFile {
  return { format: 'umbrette-job', version: 1, drive: sheet('ardmere-a18'), usage: { value: 148_200, unit: 'km' }, school: 'on-evidence', readings, ...more }
}

/** The usual readings of ardmere, as short as they can be written. */
export const read = {
  extension: (value: number): Reading => ({ kind: 'extension', tensioner: 'tensioner', value, turnedForward: true }),
  lag: (sprocket: string, value: number): Reading => ({ kind: 'camLag', sprocket, value, turnedForward: true }),
  groove: (rail: string, value: number): Reading => ({ kind: 'groove', rail, value }),
  length: (value: number, links = 20): Reading => ({ kind: 'chainLength', chain: 'main', links, value }),
  count: (from: string, to: string, value: number): Reading => ({ kind: 'linkCount', chain: 'main', from, to, value }),
  pad: (value: number): Reading => ({ kind: 'padWear', tensioner: 'tensioner', value }),
  play: (phaser: string, value: number): Reading => ({ kind: 'phaserPlay', phaser, value }),
  found: (target: string, finding: string, more: Partial<Reading> = {}): Reading => ({ kind: 'condition', target, finding, ...more })
}
