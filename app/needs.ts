import type { Role } from '../core/record'

/** What each page needs: a role, or nothing. A page that is not here is refused. */
export const PAGE_NEEDS: Readonly<Record<string, Role | 'anyone'>> = {
  '/sign-in': 'anyone',
  '/pair/:code?': 'anyone',
  '/share/:token': 'anyone',
  '/shell': 'anyone',
  '/practice': 'learner',
  '/practice/:key': 'learner',
  '/practice/runs/:id': 'learner',
  '/account': 'learner',
  '/': 'mechanic',
  '/jobs/:id': 'mechanic',
  '/jobs/:id/build': 'mechanic',
  '/jobs/:id/camera': 'mechanic',
  '/jobs/:id/estimate': 'mechanic',
  '/jobs/:id/measure': 'mechanic',
  '/jobs/:id/trace': 'mechanic',
  '/jobs/:id/sound': 'mechanic',
  '/jobs/:id/explain': 'mechanic',
  '/jobs/:id/paths': 'mechanic',
  '/jobs/:id/proof': 'mechanic',
  '/jobs/:id/report': 'mechanic',
  '/jobs/:id/verdict': 'mechanic',
  '/customers': 'mechanic',
  '/customers/:id': 'mechanic',
  '/vehicles': 'mechanic',
  '/vehicles/:id': 'mechanic',
  '/engines': 'mechanic',
  '/engines/:id': 'mechanic',
  '/learnt': 'mechanic',
  '/suspects': 'mechanic',
  '/engines/new': 'foreman',
  '/engines/:id/edit': 'foreman',
  '/engines/:id/photo': 'foreman',
  '/intake': 'foreman',
  '/people': 'foreman',
  '/settings': 'owner'
}

/** What a page needs, by the path that it stands under; null for one that says nothing. */
export function pageNeed(path: string): Role | 'anyone' | null {
  const plain = path.replaceAll('()', '').replace(/(.)\/$/, '$1')
  return Object.hasOwn(PAGE_NEEDS, plain) ? PAGE_NEEDS[plain]! : null
}
