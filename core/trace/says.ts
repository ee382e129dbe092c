import { messagesOf } from '../check'

/** What stands in the way of reading a trace, and what was found odd about one, by code. */
export interface TraceSays {
  'no-crank': {}
  'no-channel': { channel: string }
  'no-teeth': { found: number }
  'no-pattern': { teeth: number; missing: number }
  'too-short': { turns: number }
  'no-cam': { cam: string }
  'flat-signal': { channel: string }
  'no-triggers': {}
  'no-wheel': {}
  'no-columns': {}
  'few-samples': { count: number }
  'no-time': {}
  'time-stands': {}
  'uneven-time': {}
  'bad-row': { row: number }
  'too-long': { most: number }
  'no-wav': {}
  'wav-kind': { kind: number; bits: number }
  /** Faults that it was read in spite of. */
  'crank-inverted': {}
  'cam-inverted': { cam: string }
  'cams-swapped': { cams: readonly string[] }
  'other-half': { cam: string }
  'turns-left': { turns: number }
  'edge-damaged': { cam: string; edge: number; shift: number }
  'far-off': { cam: string; lag: number }
}

export const say = messagesOf<TraceSays>()
