import { rebuildOf, readingExpected } from '../core/views/buildup'
import { type Act, assessRecord, type KeptJob, type WaitsFor, type Workshop } from '../core/record'
import type { Unread } from '../core/readings'
import type { DriveSheet } from '../core/sheet'
import ardmere from './drives/ardmere-a18.json' with { type: 'json' }
import gannet from './drives/gannet-g90.json' with { type: 'json' }
import hexley from './drives/hexley-h46.json' with { type: 'json' }
import petrel from './drives/petrel-p16.json' with { type: 'json' }
import quillonCounted from './drives/quillon-q40-counted.json' with { type: 'json' }
import quillon from './drives/quillon-q40.json' with { type: 'json' }
import torvane from './drives/torvane-d26.json' with { type: 'json' }
import vellora from './drives/vellora-v28.json' with { type: 'json' }
import { readOff, type Truth } from '../core/views/practice'

/** Saltmarsh Works, a made-up harbour workshop: its people, its drive sheets, and jobs that each teach something. */

export const DEMO_WORKSHOP: Workshop = {
  name: 'Saltmarsh Works',
  address: 'Slipway 4\nSaltmarsh Harbour',
  taxNumber: '',
  foot: 'A made-up workshop: nothing here fits a real engine.',
  units: { length: 'mm', distance: 'km', torque: 'N·m' },
  timeZone: 'UTC',
  currency: 'EUR',
  tax: {
    rates: [
      { id: 'full', name: 'Tax', percent: 21 },
      { id: 'low', name: 'Tax, low', percent: 9 }
    ],
    included: false,
    rounded: 'sum',
    labour: 'full',
    parts: 'full',
    items: 'full'
  },
  language: 'en'
}

export const DEMO_PEOPLE = ['Bela', 'Idris', 'Maren', 'Tove']

export const DEMO_SHEETS = [
  ardmere,
  gannet,
  hexley,
  petrel,
  quillonCounted,
  quillon,
  torvane,
  vellora
] as unknown as DriveSheet[]

/**
 * Engines that practice cases are drawn on: the same on every machine, as a case's code says no more of them than a
 * letter.
 */
export const PRACTICE_SHEETS = [ardmere, hexley, quillon, torvane, vellora, gannet, petrel] as unknown as DriveSheet[]

export interface DemoJob {
  id: string
  job: KeptJob
  acts: Act[]
  /** What is really wrong with it: the simulated scan source reads from this. */
  truth: Truth
}

interface Story {
  vehicle: string
  stand: string
  engine: string
  usage: KeptJob['usage']
  school: KeptJob['school']
  by: string
  at: string
  complaint: string
  truth: Truth
  asked: readonly Unread[]
  /** What it waits for. */
  waits?: { for: WaitsFor; note: string }
  closed?: true
  /** How far its rebuild is. */
  rebuilt?: 'building' | 'proving'
  /** Looked at again. */
  check?: { date: string; stopGap: boolean; note: string }
}

const forward = { turnedForward: true }
const extension = (tensioner = 'tensioner', more: Partial<Unread> = {}): Unread =>
  ({ kind: 'extension', tensioner, ...forward, ...more }) as Unread
const lag = (sprocket: string, method = 'marks'): Unread => ({ kind: 'camLag', sprocket, method, ...forward })
const groove = (rail: string): Unread => ({ kind: 'groove', rail, method: 'gauge' })
const count = (chain: string, from: string, to: string, value?: number): Unread => ({
  kind: 'linkCount',
  chain,
  from,
  to,
  ...(value === undefined ? {} : { value })
})
const length = (chain: string): Unread => ({ kind: 'chainLength', chain, links: 20, method: 'calliper' })
const play = (phaser: string): Unread => ({ kind: 'phaserPlay', phaser, method: 'dial' })
const found = (target: string, finding: string, more: Partial<Unread> = {}): Unread =>
  ({ kind: 'condition', target, finding, ...more }) as Unread

const STORIES: readonly Story[] = [
  {
    vehicle: 'Pilot van 3',
    stand: 'Bay 2',
    engine: 'ardmere-a18',
    usage: { value: 148_200, unit: 'km' },
    school: 'on-evidence',
    by: 'Maren',
    at: '2026-11-24T08:05:00.000Z',
    complaint: 'Chain noise at warm idle, gone when revved. Crank and exhaust cam correlation code came back twice.',
    truth: { elongation: { main: 0.0044 }, wear: { guide: 0.3, arm: 0.4 }, pad: { tensioner: 0.1 } },
    asked: [found('engine', 'noise-idle-only'), found('engine', 'code-correlation'), extension(), lag('cam-in')]
  },
  {
    vehicle: 'Patrol motorcycle 12',
    stand: 'Lift 1',
    engine: 'quillon-q40',
    usage: { value: 31_400, unit: 'km' },
    school: 'on-evidence',
    by: 'Idris',
    at: '2026-11-22T14:20:00.000Z',
    complaint: 'Rattles for some seconds after a cold start.',
    truth: { elongation: { 'cam-chain': 0.0008 }, wear: { guide: 1.35, arm: 0.35 } },
    asked: [
      found('engine', 'noise-seconds'),
      extension('lifter', { notches: 0, note: 'Seen through the inspection plug.' }),
      count('cam-chain', 'crank', 'cam'),
      count('cam-chain', 'cam', 'crank'),
      groove('guide'),
      length('cam-chain')
    ]
  },
  {
    vehicle: 'Water taxi Eider',
    stand: 'Slip',
    engine: 'hexley-h46',
    usage: { value: 2140, unit: 'h' },
    school: 'weighed',
    by: 'Tove',
    at: '2026-11-21T07:55:00.000Z',
    complaint: 'Owner wants the front cover resealed and asks whether the chain should be done with it.',
    truth: { elongation: { main: 0.0035 }, wear: { guide: 0.5, arm: 0.7 } },
    asked: [],
    waits: { for: 'customer', note: 'Cover only, or the chain with it?' }
  },
  {
    vehicle: 'Pilot van 1',
    stand: 'Bay 1',
    engine: 'ardmere-a18',
    usage: { value: 201_700, unit: 'km' },
    school: 'on-evidence',
    by: 'Bela',
    at: '2026-11-20T13:10:00.000Z',
    complaint: 'Cranked over, then would not start. Low on power for weeks before.',
    truth: { elongation: { main: 0.0038 }, wear: { guide: 0.4, arm: 0.5 }, teeth: { 'cam-in': -1 } },
    asked: [
      found('engine', 'code-over-advanced'),
      extension(),
      lag('cam-in'),
      lag('cam-ex'),
      count('main', 'crank', 'cam-ex'),
      count('main', 'cam-ex', 'cam-in'),
      count('main', 'cam-in', 'crank'),
      found('tensioner', 'witness-mark')
    ]
  },
  {
    vehicle: 'Harbour launch Tern',
    stand: 'Berth 3',
    engine: 'vellora-v28',
    usage: { value: 1860, unit: 'h' },
    school: 'on-evidence',
    by: 'Idris',
    at: '2026-11-20T10:30:00.000Z',
    complaint: 'Hard knock from the left bank at all speeds, worse warm.',
    truth: {
      elongation: { 'bank-1': 0.0009, 'bank-2': 0.0008 },
      wear: { 'guide-1': 0.2, 'arm-1': 0.2 },
      play: { 'phaser-in-1': 4.2 },
      shift: { 'in-1': 2.5 }
    },
    asked: [
      found('engine', 'noise-always'),
      found('engine', 'loudest-bank', { bank: 1 }),
      extension('tensioner-1'),
      extension('tensioner-2'),
      lag('in-1'),
      lag('ex-1'),
      lag('in-2'),
      lag('ex-2'),
      play('phaser-in-1'),
      play('phaser-ex-1'),
      found('phaser-in-1', 'snaps-back'),
      groove('guide-1'),
      groove('arm-1')
    ]
  },
  {
    vehicle: 'Workboat Knot',
    stand: 'Shed',
    engine: 'torvane-d26',
    usage: { value: 3320, unit: 'h' },
    school: 'on-evidence',
    by: 'Tove',
    at: '2026-11-19T08:40:00.000Z',
    complaint: 'Sudden rattle, then quiet. Bits of plastic in the oil filter.',
    truth: { elongation: { main: 0.0001 }, wear: { guide: 0.2, arm: 0.2 } },
    asked: [
      found('engine', 'oil-plastic'),
      found('guide', 'broken'),
      found('guide', 'piece-missing', { count: 3, note: 'Lower third gone.' }),
      found('engine', 'pieces-found', { count: 2, note: 'One in the pickup, one under the crank sprocket.' }),
      extension(),
      length('main'),
      lag('left'),
      lag('right')
    ],
    waits: { for: 'part', note: 'Rail set ordered, due Friday.' }
  },
  {
    vehicle: 'Patrol motorcycle 7',
    stand: 'Lift 2',
    engine: 'quillon-q40',
    usage: { value: 58_900, unit: 'km' },
    school: 'whole-set',
    by: 'Idris',
    at: '2026-11-18T15:05:00.000Z',
    complaint: 'Chain slap at idle that a new lifter did not cure.',
    truth: { elongation: { 'cam-chain': 0.0082 }, wear: { guide: 0.5, arm: 0.8 } },
    asked: [
      found('engine', 'noise-idle-only'),
      found('engine', 'renewed-tensioner'),
      found('lifter', 'lifter-flush'),
      extension('lifter'),
      lag('cam'),
      groove('guide'),
      groove('arm')
    ]
  },
  {
    vehicle: 'Pilot van 5',
    stand: 'Bay 3',
    engine: 'ardmere-a18',
    usage: { value: 96_300, unit: 'km' },
    school: 'on-evidence',
    by: 'Bela',
    at: '2026-11-17T11:25:00.000Z',
    complaint: 'Bought used; the last workshop said the chain had jumped.',
    truth: { elongation: { main: 0.0016 }, wear: { guide: 0.2, arm: 0.3 } },
    asked: [
      extension(),
      lag('cam-in', 'wheel'),
      lag('cam-ex', 'wheel'),
      count('main', 'crank', 'cam-ex', 52),
      count('main', 'cam-ex', 'cam-in'),
      count('main', 'cam-in', 'crank')
    ]
  },
  {
    vehicle: 'Water taxi Dunlin',
    stand: 'Berth 1',
    engine: 'vellora-v28',
    usage: { value: 2480, unit: 'h' },
    school: 'on-evidence',
    by: 'Maren',
    at: '2026-11-16T09:15:00.000Z',
    complaint: 'Noisy since rails were renewed elsewhere. Tensioner of bank 1 stands far out.',
    truth: {
      elongation: { 'bank-1': 0.0012, 'bank-2': 0.0012 },
      wear: { 'guide-1': 0.1, 'arm-1': 0.1, 'guide-2': 0.1, 'arm-2': 0.1 },
      shift: { 'in-1': 1.5, 'ex-1': 1.5 }
    },
    asked: [
      found('engine', 'renewed-rails'),
      extension('tensioner-1', { value: 11.6 }),
      extension('tensioner-2'),
      lag('in-1'),
      lag('ex-1'),
      length('bank-1'),
      groove('guide-1'),
      found('guide-1', 'swapped', { note: 'Carries the number of the bank 2 guide.' })
    ]
  },
  ...(
    [
      [121_300, 'Tove', '2025-12-03T09:30:00.000Z', 0.0031, 0.22],
      [91_500, 'Idris', '2025-01-14T10:10:00.000Z', 0.0021, 0.15],
      [62_000, 'Bela', '2024-02-20T08:45:00.000Z', 0.0012, 0.1]
    ] as const
  ).map(([km, by, at, elongation, groove_]): Story => ({
    vehicle: 'Pilot van 3',
    stand: 'Bay 2',
    engine: 'ardmere-a18',
    usage: { value: km, unit: 'km' },
    school: 'on-evidence',
    by,
    at,
    closed: true,
    complaint: 'Timing drive looked at during the yearly inspection.',
    truth: { elongation: { main: elongation }, wear: { guide: groove_, arm: groove_ * 1.3 }, pad: { tensioner: 0.05 } },
    asked: [extension(), lag('cam-in', 'lift'), lag('cam-ex', 'lift'), groove('guide')]
  })),
  {
    vehicle: 'Pilot van 2',
    stand: 'Bay 4',
    engine: 'ardmere-a18',
    usage: { value: 187_600, unit: 'km' },
    school: 'on-evidence',
    by: 'Tove',
    at: '2026-11-13T08:20:00.000Z',
    complaint: 'Rattle at idle; chain found past its limit on the bench. Being built up.',
    rebuilt: 'building',
    truth: { elongation: { main: 0.0056 }, wear: { guide: 0.6, arm: 0.8 } },
    asked: [extension(), lag('cam-in', 'wheel'), lag('cam-ex', 'wheel'), groove('guide'), length('main')]
  },
  {
    vehicle: 'Pilot van 4',
    stand: 'Yard',
    engine: 'ardmere-a18',
    usage: { value: 164_900, unit: 'km' },
    school: 'on-evidence',
    by: 'Idris',
    at: '2026-11-11T10:45:00.000Z',
    complaint: 'Chain and rails renewed; to be proven on the road.',
    rebuilt: 'proving',
    check: { date: '2026-12-11', stopGap: false, note: 'Extension through the plug after 2 000 km' },
    truth: { elongation: { main: 0.0053 }, wear: { guide: 0.5, arm: 0.7 } },
    asked: [extension(), lag('cam-in', 'wheel'), lag('cam-ex', 'wheel'), groove('guide'), length('main')]
  },
  {
    vehicle: 'Quay runabout Teal',
    stand: 'Lift 3',
    engine: 'gannet-g90',
    usage: { value: 38_200, unit: 'km' },
    school: 'on-evidence',
    by: 'Idris',
    at: '2026-11-10T09:20:00.000Z',
    complaint: 'Late exhaust cam code since the cams were out for the valve clearance. No noise.',
    truth: { elongation: { main: 0.0011 }, wear: { guide: 0.2, arm: 0.2 }, teeth: { 'cam-ex': 1 } },
    asked: [
      found('engine', 'noise-none'),
      found('engine', 'code-over-retarded', { sensor: 'exhaust', speed: 780, temperature: 88 }),
      found('engine', 'compression-figure', { cylinder: 1, value: 11.8 }),
      found('engine', 'compression-figure', { cylinder: 2, value: 11.9 }),
      found('oil', 'solenoid-ohms', { value: 7.3 }),
      extension(),
      lag('cam-in', 'wheel'),
      lag('cam-ex', 'wheel'),
      count('main', 'crank', 'cam-in'),
      count('main', 'cam-in', 'crank')
    ]
  },
  {
    vehicle: 'Pilot van 6',
    stand: 'Quay',
    engine: 'petrel-p16',
    usage: { value: 141_800, unit: 'km' },
    school: 'on-evidence',
    by: 'Bela',
    at: '2026-11-09T13:40:00.000Z',
    complaint: 'Ticks at the top when warm; the short chain between the cams is slack by hand.',
    truth: {
      elongation: { main: 0.0012, 'cam-chain': 0.0026, 'pump-chain': 0.0094 },
      wear: { 'upper-pad': 1.7, 'lower-pad': 0.3, guide: 0.2, arm: 0.2 }
    },
    asked: [
      found('engine', 'noise-warm-idle'),
      found('engine', 'loudest-top'),
      found('upper-pad', 'superseded', { note: 'No arrow on it.' }),
      extension('shifter'),
      groove('upper-pad'),
      groove('lower-pad'),
      length('cam-chain'),
      extension(),
      lag('cam-ex', 'wheel'),
      lag('cam-in', 'wheel'),
      extension('pump-tensioner'),
      length('pump-chain'),
      found('front-cover', 'oil-leak')
    ]
  }
]

/** Holes of the front cover: place on its picture, and the bolt's length in mm. */
const HOLES: readonly (readonly [x: number, y: number, length: number])[] = [
  [0.16, 0.16, 25],
  [0.5, 0.14, 25],
  [0.84, 0.16, 25],
  [0.13, 0.5, 40],
  [0.87, 0.5, 40],
  [0.2, 0.84, 25],
  [0.5, 0.88, 55],
  [0.8, 0.84, 25]
]

/**
 * The acts of a rebuild as far as a story has come: half its parts in, or all of it done, turned and read as it should
 * be.
 */
function rebuildActs({ rebuilt, by, at, check }: Story, job: KeptJob, readings: readonly Act[], stem: string): Act[] {
  if (!rebuilt) return []
  const more = (k: number) => ({
    id: `${stem}-b${k}`,
    by,
    at: new Date(Date.parse(at) + (90 + 4 * k) * 60_000).toISOString()
  })
  const { plan, expected } = rebuildOf(job, readings, assessRecord(job, readings))
  const tasks = plan.groups.flatMap((group) => group.tasks.map((task) => ({ ...task, group: group.key })))
  const started =
    rebuilt === 'proving' ? tasks : tasks.filter(({ group, id }) => group === 'parts' && !id.endsWith('fitted'))
  const done = started.map(
    ({ id, asks }): Partial<Act> =>
      ({
        type: 'task',
        task: id,
        state: 'done',
        ...(asks === 'note'
          ? { note: `SW ${id.split(':')[1]}` }
          : asks === 'length'
            ? { value: 160.03 }
            : asks === 'count'
              ? { value: 2 }
              : {})
      }) as Partial<Act>
  )
  const rounds = rebuilt === 'proving' ? (['set', 'turned'] as const) : []
  const read = rounds.flatMap((round) =>
    expected.map(
      (one): Partial<Act> =>
        ({
          type: 'rebuilt',
          round,
          reading: readingExpected(one, Number(one.value.toFixed(1)))
        }) as Partial<Act>
    )
  )
  // Bolts of the front cover by hole, as they came out; back in once it is all together.
  const holes = HOLES.map(
    ([x, y, length]): Partial<Act> => ({ type: 'hole', cover: 'front-cover', x, y, length }) as Partial<Act>
  )
  const ends = check ? [{ type: 'check', ...check } as Partial<Act>] : []
  const acts = [...done, ...read, ...ends, ...holes].map((act, k) => ({ ...more(k), ...act }) as Act)
  const back =
    rebuilt === 'proving'
      ? acts
          .filter(({ type }) => type === 'hole')
          .map(({ id }): Partial<Act> => ({ type: 'task', task: `hole:${id}`, state: 'done' }) as Partial<Act>)
      : []
  return [...acts, ...back.map((act, k) => ({ ...more(acts.length + k), ...act }) as Act)]
}

export const DEMO_JOBS: DemoJob[] = STORIES.map((story, i) => {
  const sheet = DEMO_SHEETS.find((s) => s.id === story.engine)!
  const id = `5a17a000-0000-4000-8000-${String(i + 1).padStart(12, '0')}`
  const { vehicle, stand, usage, school, complaint, by, at, truth, asked } = story
  const after = (k: number) => new Date(Date.parse(at) + k * 7 * 60_000).toISOString()
  const readings = readOff(sheet, truth, asked, i + 1).map((reading, k): Act => ({
    id: `demo-${i + 1}-${k + 1}`,
    type: 'read',
    by,
    at: after(k),
    reading
  }))
  const waiting: Act[] = story.waits
    ? [{ id: `demo-${i + 1}-waits`, type: 'waits', by, at: after(asked.length), ...story.waits }]
    : []
  const closing: Act[] = story.closed
    ? [{ id: `demo-${i + 1}-closed`, type: 'state', state: 'closed', by, at: after(asked.length + 1) }]
    : []
  const job: KeptJob = {
    vehicle,
    stand,
    school,
    usage,
    corrections: null,
    complaint,
    openedBy: by,
    openedAt: new Date(Date.parse(at) - 55 * 60_000).toISOString(),
    sheet,
    sheetRevision: 1
  }
  const acts = [...readings, ...waiting, ...closing, ...rebuildActs(story, job, readings, `demo-${i + 1}`)]
  return { id, truth, acts, job }
})
