import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test'
import type { Reading } from '../../core/readings'
import { jobOf } from '../support/jobs'

/** The page as a person at the bench has it: at the tests' server, with a name chosen. */
export const test = base.extend({
  baseURL: async ({}, use) => use(process.env.UMBRETTE_URL!),
  page: async ({ page }, use) => {
    const problems: string[] = []
    page.on('pageerror', (error) => problems.push(error.message))
    await page.addInitScript(() => localStorage.getItem('umbrette.by') ?? localStorage.setItem('umbrette.by', 'Maren'))
    await use(wakeful(page))
    expect(problems).toEqual([])
  }
})

export { expect }

/**
 * A page that, once opened or loaded again, is used when it takes input: before, nothing on it can be touched or typed
 * into.
 */
export function wakeful(page: Page): Page {
  const awake = () => expect(page.locator('#__nuxt [inert]')).toHaveCount(0)
  const { goto, reload } = page
  page.goto = async (...to) => {
    const answer = await goto.apply(page, to)
    expect(answer?.status(), 'the page was made').toBeLessThan(500)
    await awake()
    return answer
  }
  page.reload = async (...how) => {
    const answer = await reload.apply(page, how)
    await awake()
    return answer
  }
  return page
}

/** A job of the test's own on ardmere, with these readings; returns its id. */
export async function newJob(request: APIRequestContext, readings: Reading[] = []): Promise<string> {
  const answer = await request.post('/api/jobs/import?by=Maren', { data: jobOf(readings) })
  expect(answer.ok()).toBe(true)
  return ((await answer.json()) as { id: string }).id
}

/** Opens a job on the bench at the marks. */
export async function openBench(page: Page, id: string): Promise<void> {
  await page.goto(`/jobs/${id}?station=3`)
  await expect(page.getByTestId('drive-map')).toBeVisible()
}

/** Touches a part on the map by the start of its name. */
export function part(page: Page, name: string) {
  return page.getByRole('button', { name: new RegExp(`^${name}:`) })
}

/** Enters a figure in the reading sheet and saves it. */
export async function enter(page: Page, figure: string): Promise<void> {
  await page.getByTestId('figure').fill(figure)
  await page.getByTestId('save').click()
}

export async function elongation(page: Page): Promise<number> {
  return Number(await page.getByTestId('elongation').textContent())
}
