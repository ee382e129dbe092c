import type { School } from '../readings'

/** How a school turns odds into calls. */
export interface SchoolRules {
  id: School
  name: string
  /** What it holds, in one sentence. */
  creed: string
  /** Odds of being past a limit from which a part is renewed. */
  renewFrom: number
  /** Odds up to which it goes back in; in between the evidence does not decide. */
  backInUpTo: number
  /** Renews everything behind the cover together. */
  together: boolean
}

export const SCHOOLS: Readonly<Record<School, SchoolRules>> = {
  'whole-set': {
    id: 'whole-set', name: 'Whole set', renewFrom: 0.9, backInUpTo: 0.1, together: true,
    creed: 'With the cover off, chain, rails, arms and tensioners are renewed together: access costs more than parts, and worn parts spoil new ones.'
  },
  'on-evidence': {
    id: 'on-evidence', name: 'On evidence', renewFrom: 0.9, backInUpTo: 0.1, together: false,
    creed: 'A sound part goes back whatever its age; what the readings condemn is renewed with what it is coupled to.'
  },
  weighed: {
    id: 'weighed', name: 'Weighed', renewFrom: 0.5, backInUpTo: 0.25, together: false,
    creed: 'The cheapest path over the customer\'s horizon, counting access, parts, the odds of coming back and what a failure would break.'
  }
}

/** The rules of a school on a sheet: where prices do the weighing, evidence condemns as it does under on-evidence. */
export function schoolRules(school: School, priced: boolean): SchoolRules {
  const { renewFrom, backInUpTo } = SCHOOLS['on-evidence']
  return school === 'weighed' && priced ? { ...SCHOOLS.weighed, renewFrom, backInUpTo } : SCHOOLS[school]
}
