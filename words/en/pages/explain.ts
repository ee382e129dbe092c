import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

/** What could explain the readings. */
export const EXPLANATIONS_PAGE = texts({
  explanations: 'explanations side by side',
  title: 'What could explain the readings',
  lead: 'Each column is one story of what happened to this drive; below it stands what every reading should show if it were true. Touch a column to see the drive stand so.',
  nothingRead: 'Nothing has been read yet that an explanation could be held against.',
  working: 'Weighing the explanations …',
  notWorking: 'The explanations could not be weighed here.',
  whatIf: 'And if it were only …',
  choose: 'pick a story',
  trains: 'Chains',
  read: 'Read',
  picked: 'your pick',
  wouldStand: 'The drive would stand',
  stretch: (part: Shown) => t`${part}, stretch`,
  wear: (part: Shown) => t`${part}, wear`,
  pad: (part: Shown) => t`${part}, pad`,
  notRead: 'Not read yet: what would part them',
  partsMost: 'parts them most',
  minutes: (minutes: Shown) => t`${minutes} min`,
  odds: 'Odds',
  ofWhich: (more: Shown) => t`of it ${more} with more beside it`,
  rest: (odds: Shown) => t`Everything that is not shown: ${odds}.`,
  priorHeavy:
    'Odds weigh what the readings say with what is usual of such drives; a story that nothing was read of keeps what is usual.',
  misread: 'the one read wrongly',
  open: 'What else could explain it'
})
