import type { JobRecord } from '../core/record'

/** A step of the guided job: where it is done, and whether it is. */
export interface GuideStep {
  id: 'complaint' | 'extension' | 'groove' | 'lag' | 'length' | 'verdict' | 'paths' | 'report'
  /** Below the job's address. */
  at: string
  isDone: (record: JobRecord, path: string) => boolean
}

const read = (kind: string) => (record: JobRecord) => record.readings.some((reading) => reading.kind === kind)

/** The steps, in the order in which a job goes. */
export const GUIDE: readonly GuideStep[] = [
  {
    id: 'complaint',
    at: '?station=1',
    isDone: ({ readings }) => readings.some((one) => one.kind === 'condition' && one.target === 'engine')
  },
  { id: 'lag', at: '?read=camLag:cam-in', isDone: read('camLag') },
  { id: 'extension', at: '?read=extension:tensioner', isDone: read('extension') },
  { id: 'groove', at: '?read=groove:guide', isDone: read('groove') },
  { id: 'length', at: '?read=chainLength:main', isDone: read('chainLength') },
  { id: 'verdict', at: '/verdict', isDone: ({ signoffs }) => signoffs.length > 0 },
  { id: 'paths', at: '/paths', isDone: ({ path }) => path !== null },
  { id: 'report', at: '/report', isDone: (_, path) => path.endsWith('/report') }
]

/** The job that a guided one begins with: the Pilot van of the demo. */
export const GUIDED_JOB = {
  sheet: 'ardmere-a18',
  usage: { value: 148_200, unit: 'km' },
  school: 'on-evidence'
} as const
