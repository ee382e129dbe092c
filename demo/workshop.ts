import type { Act } from '../core/job/acts'
import type { KeptJob } from '../core/job/exchange'
import type { Reading } from '../core/readings/types'
import type { DriveSheet } from '../core/sheet/types'
import ardmere from './drives/ardmere-a18.json' with { type: 'json' }
import hexley from './drives/hexley-h46.json' with { type: 'json' }
import quillonCounted from './drives/quillon-q40-counted.json' with { type: 'json' }
import quillon from './drives/quillon-q40.json' with { type: 'json' }
import torvane from './drives/torvane-d26.json' with { type: 'json' }
import vellora from './drives/vellora-v28.json' with { type: 'json' }

/** Saltmarsh Works, a made-up harbour workshop: its people, its drive sheets and a few jobs worth opening. */

export const DEMO_PEOPLE = ['Bela', 'Idris', 'Maren', 'Tove']

export const DEMO_SHEETS = [ardmere, hexley, quillonCounted, quillon, torvane, vellora] as unknown as DriveSheet[]

export interface DemoJob {
  id: string
  job: KeptJob
  acts: Act[]
}

const sheet = (id: string) => DEMO_SHEETS.find((s) => s.id === id)!

function readings(jobId: string, by: string, from: string, list: readonly Reading[]): Act[] {
  return list.map((reading, i) => ({
    id: `${jobId.slice(0, 8)}-${i + 1}`, type: 'read', by,
    at: new Date(Date.parse(from) + i * 7 * 60_000).toISOString(), reading
  }))
}

const VAN = '5a17a000-0000-4000-8000-000000000001'
const PATROL = '5a17a000-0000-4000-8000-000000000002'
const TAXI = '5a17a000-0000-4000-8000-000000000003'

export const DEMO_JOBS: DemoJob[] = [
  {
    id: VAN,
    job: {
      vehicle: 'Pilot van 3', stand: 'Bay 2', school: 'on-evidence', usage: { value: 148_200, unit: 'km' }, corrections: null,
      complaint: 'Chain noise at warm idle, gone when revved. Crank and exhaust cam correlation code came back twice.',
      openedBy: 'Maren', openedAt: '2026-11-23T08:10:00.000Z', sheet: sheet('ardmere-a18')
    },
    acts: readings(VAN, 'Maren', '2026-11-23T09:05:00.000Z', [
      { kind: 'extension', tensioner: 'tensioner', value: 13.1, method: 'calliper', turnedForward: true },
      { kind: 'camLag', sprocket: 'cam-in', value: 3.5, method: 'marks', turnedForward: true }
    ])
  },
  {
    id: PATROL,
    job: {
      vehicle: 'Patrol motorcycle 12', stand: 'Lift 1', school: 'whole-set', usage: { value: 31_400, unit: 'km' }, corrections: null,
      complaint: 'Rattles for some seconds after a cold start.',
      openedBy: 'Idris', openedAt: '2026-11-22T13:40:00.000Z', sheet: sheet('quillon-q40')
    },
    acts: readings(PATROL, 'Idris', '2026-11-22T14:20:00.000Z', [
      { kind: 'extension', tensioner: 'lifter', notches: 4, turnedForward: true, note: 'Seen through the inspection plug.' },
      { kind: 'linkCount', chain: 'cam-chain', from: 'crank', to: 'cam', value: 44 },
      { kind: 'linkCount', chain: 'cam-chain', from: 'cam', to: 'crank', value: 44 },
      { kind: 'groove', rail: 'guide', value: 0.3, method: 'gauge' }
    ])
  },
  {
    id: TAXI,
    job: {
      vehicle: 'Water taxi Eider', stand: 'Slip', school: 'weighed', usage: { value: 2_140, unit: 'h' }, corrections: null,
      complaint: 'Owner wants the front cover resealed and asks whether the chain should be done with it.',
      openedBy: 'Tove', openedAt: '2026-11-21T07:55:00.000Z', sheet: sheet('hexley-h46')
    },
    acts: []
  }
]
