import type { Role } from '../core/record'

/** Pages by what they need: a role, or nothing. */
const BY_NEED: { readonly [need in Role | 'anyone']?: string } = {
  anyone: '/sign-in /pair/:code? /share/:token /shell',
  learner: '/practice /practice/:key /practice/runs/:id /account',
  mechanic:
    '/ /jobs/:id /jobs/:id/build /jobs/:id/camera /jobs/:id/estimate /jobs/:id/how /jobs/:id/measure /jobs/:id/trace ' +
    '/jobs/:id/sound /jobs/:id/explain /jobs/:id/paths /jobs/:id/proof /jobs/:id/report /jobs/:id/verdict /customers ' +
    '/customers/:id /vehicles /vehicles/:id /engines /engines/:id /learnt /suspects',
  foreman: '/engines/new /engines/:id/edit /engines/:id/photo /intake /people',
  owner: '/settings'
}

/** What each page needs. A page that is not here is refused. */
export const PAGE_NEEDS: Readonly<Record<string, Role | 'anyone'>> = Object.fromEntries(
  Object.entries(BY_NEED).flatMap(([need, pages]) => pages.split(' ').map((page) => [page, need as Role | 'anyone']))
)

/** What a page needs, by the path that it stands under; null for one that says nothing. */
export function pageNeed(path: string): Role | 'anyone' | null {
  const plain = path.replaceAll('()', '').replace(/(.)\/$/, '$1')
  return Object.hasOwn(PAGE_NEEDS, plain) ? PAGE_NEEDS[plain]! : null
}
