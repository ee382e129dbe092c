import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** Every page, by who mostly looks at it; ID is that of a job. */
export const SCREENS = {
  workshop: [
    '/',
    '/customers',
    '/intake',
    '/customers/5a17c000-0000-4000-8000-000000000003',
    '/vehicles',
    '/engines',
    '/engines/vellora-v28',
    '/engines/new',
    '/engines/ardmere-a18/edit',
    '/engines/ardmere-a18/photo',
    '/learnt',
    '/suspects',
    '/settings',
    '/people',
    '/account',
    '/practice',
    '/practice/A3-7KQ2MD',
    '/practice/runs/5a17a000-0000-4000-8000-0000000e0001'
  ],
  bench: [
    ...[1, 2, 3, 5].map((station) => `/jobs/ID?station=${station}`),
    '/jobs/ID/how',
    '/jobs/ID/verdict',
    '/jobs/ID/explain',
    '/jobs/ID/paths',
    '/jobs/ID/estimate',
    '/jobs/ID/report',
    '/jobs/ID/build',
    '/jobs/ID/proof',
    '/jobs/ID/camera',
    '/jobs/ID/measure',
    '/jobs/ID/trace',
    '/jobs/ID/sound'
  ]
}

/**
 * What is serious on a page for who listens to it, or sees little: rule, and the first place of it.
 * @param rules only these
 */
export async function seriousOn(page: Page, rules?: string[]): Promise<(string | undefined)[][]> {
  // Nothing of ours stands in a frame: then it needs no page of its own to sum up in.
  const builder = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  const { violations } = await (rules ? builder.withRules(rules) : builder).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => [id, nodes[0]?.html])
}
