import type { Role } from '../../core/record'

/**
 * What each route needs: a role, nothing (`anyone`), or the link that a customer was given (`link`). A route that is
 * not here is refused.
 */
export type Need = Role | 'anyone' | 'link'

export const NEEDS: Readonly<Record<string, Need>> = {
  // Where people come in.
  'GET /api/health': 'anyone',
  'GET /api/me': 'anyone',
  'GET /api/network/authority': 'anyone',
  'POST /api/session': 'anyone',
  'POST /api/session/out': 'anyone',
  'POST /api/session/passkey': 'anyone',
  'POST /api/session/passkey/ask': 'anyone',
  'POST /api/devices/pair': 'anyone',
  // A customer, by the link of their report.
  'GET /api/share/:token': 'link',
  'GET /api/share/:token/photos/:photo': 'link',
  'GET /api/share/:token/report.pdf': 'link',
  'POST /api/share/:token/choice': 'link',
  // Practice, and what its engines are made of.
  'GET /api/workshop': 'learner',
  'GET /api/workshop/logo': 'learner',
  'GET /api/people': 'learner',
  'POST /api/me/secrets': 'learner',
  'GET /api/me/passkeys': 'learner',
  'POST /api/me/passkeys': 'learner',
  'POST /api/me/passkeys/ask': 'learner',
  'POST /api/me/passkeys/:id/removed': 'learner',
  'GET /api/sessions': 'learner',
  'POST /api/sessions/:id/end': 'learner',
  'GET /api/practice': 'learner',
  'GET /api/practice/cases/:key': 'learner',
  'GET /api/practice/runs/:id': 'learner',
  'POST /api/practice/runs': 'learner',
  'GET /api/sheets': 'learner',
  'GET /api/sheets/:id': 'learner',
  // Jobs; what an act needs beyond that stands with its type.
  'GET /api/board': 'mechanic',
  'GET /api/checks': 'mechanic',
  'GET /api/live': 'mechanic',
  'POST /api/jobs': 'mechanic',
  'GET /api/jobs/:id': 'mechanic',
  'GET /api/jobs/:id/acts': 'mechanic',
  'POST /api/jobs/:id/acts': 'mechanic',
  'GET /api/jobs/:id/assessment': 'mechanic',
  'GET /api/jobs/:id/bench': 'mechanic',
  'GET /api/jobs/:id/build.pdf': 'mechanic',
  'POST /api/jobs/:id/bench': 'mechanic',
  'GET /api/jobs/:id/check.ics': 'mechanic',
  'GET /api/jobs/:id/estimate': 'mechanic',
  'GET /api/jobs/:id/estimate.csv': 'mechanic',
  'GET /api/jobs/:id/estimate.pdf': 'mechanic',
  'GET /api/jobs/:id/export': 'mechanic',
  'GET /api/jobs/:id/holds': 'mechanic',
  'GET /api/jobs/:id/label.pdf': 'mechanic',
  'GET /api/jobs/:id/map.svg': 'mechanic',
  'GET /api/jobs/:id/order.csv': 'mechanic',
  'GET /api/jobs/:id/order.pdf': 'mechanic',
  'POST /api/jobs/:id/photos': 'mechanic',
  'GET /api/jobs/:id/readings.csv': 'mechanic',
  'GET /api/jobs/:id/report': 'mechanic',
  'GET /api/jobs/:id/report.pdf': 'mechanic',
  'GET /api/jobs/:id/scan': 'mechanic',
  'GET /api/jobs/:id/shares': 'mechanic',
  'GET /api/jobs/:id/worksheet.pdf': 'mechanic',
  'GET /api/learnt': 'mechanic',
  'GET /api/photos/:id': 'mechanic',
  'GET /api/pricing': 'mechanic',
  'GET /api/sheets/:id/export': 'mechanic',
  'GET /api/customers': 'mechanic',
  'POST /api/customers': 'mechanic',
  'GET /api/customers/:id': 'mechanic',
  'POST /api/customers/:id': 'mechanic',
  'GET /api/vehicles': 'mechanic',
  'POST /api/vehicles': 'mechanic',
  'GET /api/vehicles/:id': 'mechanic',
  'POST /api/vehicles/:id': 'mechanic',
  'POST /api/vehicles/:id/past': 'mechanic',
  'POST /api/vehicles/:id/past/:past/removed': 'foreman',
  // What stands for the workshop, and what goes out of it.
  'POST /api/jobs/import': 'foreman',
  'POST /api/jobs/:id/practice': 'foreman',
  'POST /api/jobs/:id/shares': 'foreman',
  'POST /api/jobs/:id/shares/:share/revoke': 'foreman',
  'GET /api/learnt/export': 'foreman',
  'POST /api/learnt/import': 'foreman',
  'POST /api/learnt/:from/out': 'foreman',
  'POST /api/practice/cases': 'foreman',
  'GET /api/practice/cases/:key/file': 'foreman',
  'POST /api/practice/cases/:key/removed': 'foreman',
  'POST /api/customers/:id/removed': 'foreman',
  'POST /api/pricing': 'foreman',
  'POST /api/sheets': 'foreman',
  'POST /api/sheets/:id/removed': 'foreman',
  'POST /api/devices/pairings': 'foreman',
  'GET /api/devices': 'foreman',
  'POST /api/people/:id/pin': 'foreman',
  'GET /api/people/:id/seal': 'foreman',
  'GET /api/staff': 'foreman',
  // Everything.
  'POST /api/people': 'owner',
  'POST /api/people/:id': 'owner',
  'POST /api/devices/:id/removed': 'owner',
  'POST /api/workshop': 'owner',
  'POST /api/workshop/logo': 'owner'
}

/** What a route needs; null for one that says nothing. */
export function needOf(method: string, path: string): Need | null {
  const key = `${method === 'HEAD' ? 'GET' : method} ${path}`
  return Object.hasOwn(NEEDS, key) ? NEEDS[key]! : null
}
