import type { Chain } from '../sheet'

/**
 * Links from one sprocket's mark to another's along the travel as the sheet has them, also over several runs; null
 * where it does not say.
 */
export function sheetCount(chain: Chain, from: string, to: string): number | null {
  let links = 0
  let at = from
  for (let i = 0; i < chain.counts.length; i++) {
    const run = chain.counts.find((count) => count.from === at)
    if (!run) return null
    links += run.links
    at = run.to
    if (at === to) return links
  }
  return null
}
