import type { formats } from '../../core/views/formats'

/** What each open format is, at the head of its schema. */
export const FORMAT_TITLES: Readonly<Record<keyof ReturnType<typeof formats>, string>> = {
  'umbrette-drive': "Drive sheet: the description of one engine's timing drive",
  'umbrette-job': 'Job: a drive sheet, what was read on it, and under which school it is judged',
  'umbrette-practice': 'Practice case: an engine, what is told of it, and the truth',
  'umbrette-learnt': 'Learnt figures: what a workshop has learnt of types of engine, without a job, customer or person',
  'umbrette-workshop': 'Workshop: the head of an archive of everything, and what a row of each of its lists is',
  'umbrette-assessment': "Assessment: what a job's readings mean, and a call for every part"
}
