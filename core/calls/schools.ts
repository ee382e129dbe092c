import type { School } from '../readings'

/** How a school turns odds into calls. */
export interface SchoolRules {
  id: School
  /** Odds of being past a limit from which a part is renewed. */
  renewFrom: number
  /** Odds up to which it goes back in; in between the evidence does not decide. */
  backInUpTo: number
  /** Renews everything behind the cover together. */
  together: boolean
}

export const SCHOOLS: Readonly<Record<School, SchoolRules>> = {
  'whole-set': {
    id: 'whole-set',
    renewFrom: 0.9,
    backInUpTo: 0.1,
    together: true
  },
  'on-evidence': {
    id: 'on-evidence',
    renewFrom: 0.9,
    backInUpTo: 0.1,
    together: false
  },
  weighed: {
    id: 'weighed',
    renewFrom: 0.5,
    backInUpTo: 0.25,
    together: false
  }
}

/** The rules of a school on a sheet: where prices do the weighing, evidence condemns as it does under on-evidence. */
export function schoolRules(school: School, priced: boolean): SchoolRules {
  const { renewFrom, backInUpTo } = SCHOOLS['on-evidence']
  return school === 'weighed' && priced ? { ...SCHOOLS.weighed, renewFrom, backInUpTo } : SCHOOLS[school]
}
