import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

/** Said on many pages. */
export const COMMON = texts({
  save: 'Save',
  to: (from: Shown, to: Shown) => t`${from} to ${to}`,
  cancel: 'Cancel',
  takeBack: 'Take back',
  understood: 'Understood',
  whoIsAtTheBench: 'Who is at the bench?',
  noCall: 'no call',
  releasedBy: 'Released by:',
  newJob: 'New job',
  engine: 'Engine',
  complaint: 'Complaint',
  engines: 'Engines',
  remove: 'Remove',
  elongation: 'Elongation',
  stroke: 'Stroke',
  hours: 'Hours',
  parts: 'Parts',
  part: 'Part',
  name: 'Name',
  practice: 'Practice',
  priceNow: 'Price now'
})
