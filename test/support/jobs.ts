import { type Act, Folding, type JobBefore } from '../../core/record'
import { type JobFile, type Of, type Reading, withIds } from '../../core/readings'
import type { DriveSheet } from '../../core/sheet'
import { sheet } from './sheets'

/** A job on a sheet (ardmere unless another is given) with these readings, everything asked of the engine answered. */
export function jobOf(readings: readonly Reading[], more: Partial<JobFile> & { drive?: DriveSheet } = {}): JobFile {
  return {
    format: 'umbrette-job',
    version: 1,
    drive: sheet('ardmere-a18'),
    usage: { value: 148_200, unit: 'km' },
    school: 'on-evidence',
    corrections: { skim: {}, temperature: {}, offsetKeys: {} },
    readings: withIds(readings),
    ...more
  }
}

/** The usual readings of ardmere, as short as they can be written. */
export const read = {
  extension: (value: number): Of<'extension'> => ({
    kind: 'extension',
    tensioner: 'tensioner',
    value,
    turnedForward: true
  }),
  lag: (sprocket: string, value: number): Of<'camLag'> => ({ kind: 'camLag', sprocket, value, turnedForward: true }),
  groove: (rail: string, value: number): Of<'groove'> => ({ kind: 'groove', rail, value }),
  length: (value: number, links = 20): Of<'chainLength'> => ({ kind: 'chainLength', chain: 'main', links, value }),
  count: (from: string, to: string, value: number): Of<'linkCount'> => ({
    kind: 'linkCount',
    chain: 'main',
    from,
    to,
    value
  }),
  pad: (value: number): Of<'padWear'> => ({ kind: 'padWear', tensioner: 'tensioner', value }),
  play: (phaser: string, value: number): Of<'phaserPlay'> => ({ kind: 'phaserPlay', phaser, value }),
  found: (target: string, finding: string, more: Partial<Of<'condition'>> = {}): Of<'condition'> => ({
    kind: 'condition',
    target,
    finding,
    ...more
  })
}

/** A job on a sheet as an act is held against it, with the acts before it. */
export function before(sheet: DriveSheet, acts: readonly Act[] = [], opened = sheet): JobBefore {
  const { byId, movesSheet } = new Folding('on-evidence', acts)
  return { sheet, opened, acts: byId, movesSheet }
}
