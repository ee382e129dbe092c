import { readFileSync } from 'node:fs'
import type { Reading } from '../../core/readings'
import type { LearntFile } from '../../core/views/learn'
import { read } from '../support/jobs'
import { expect, newJob, openBench, part, test } from './bench'

/** Explanations side by side, and what workshops have learnt from each other. */

/** The exhaust cam's mark stands a tooth late, but the counts close as they should. */
const MISREAD: Reading[] = [
  { ...read.lag('cam-ex', 20.4), method: 'marks' } as Reading,
  read.lag('cam-in', 0.8),
  read.count('crank', 'cam-ex', 53),
  read.count('cam-ex', 'cam-in', 20),
  read.count('cam-in', 'crank', 53)
]

test('from the verdict: a wrong mark beside a jump, what each should show, the odds, and the drive drawn so', async ({
  page,
  request
}) => {
  await page.goto(`/jobs/${await newJob(request, MISREAD)}/verdict`)
  await page.getByTestId('explain').click()
  const stories = page.getByTestId('story')
  await expect(stories.first()).toContainText('Cam lag of exhaust cam sprocket was read wrongly')
  await expect(stories.first()).toContainText("fits the next tooth's mark")
  await expect(page.getByTestId('story-odds').first()).toHaveText('over 99 %')
  const jumped = stories.filter({ hasText: 'Exhaust cam sprocket has jumped 1 tooth late' })
  const column = await stories.evaluateAll((all) => all.findIndex((one) => one.textContent.includes('has jumped')))
  await expect(page.getByTestId('story-odds').nth(column)).toHaveText('under 1 %')
  const count = page.getByTestId('explained-reading').filter({ hasText: 'Link count, crank sprocket to exhaust' })
  await expect(count.getByRole('cell').nth(column + 1)).toContainText('52 links')
  await expect(count.getByRole('cell').nth(column + 1)).toContainText('does not fit')

  await expect(part(page, 'Exhaust cam sprocket')).toHaveAccessibleName(/: 1\.\d° late/)
  await jumped.click()
  await expect(part(page, 'Exhaust cam sprocket')).toHaveAccessibleName(/: 21\.\d° late, 1 tooth late/)
})

test('any story that is picked stands beside the likeliest, and what parts them is one touch away', async ({
  page,
  request
}) => {
  await openBench(page, await newJob(request, [read.extension(15.9), read.lag('cam-in', 3.9)]))
  await page.getByTestId('explain').click()
  await expect(page.getByTestId('story').first()).toContainText('Timing chain has stretched far')
  await page.getByTestId('what-if').selectOption({ label: 'Fixed guide is worn far' })
  const picked = page.getByTestId('story').filter({ hasText: 'your pick' })
  await expect(picked).toContainText('Fixed guide is worn far')
  await expect(picked).toHaveAttribute('aria-pressed', 'true')
  await expect(part(page, 'Fixed guide')).toHaveAccessibleName(/: [1-9]\.\d of/)

  const most = page.getByTestId('parts-most')
  await expect(most).toContainText('parts them most')
  await most.getByRole('link').click()
  await expect(page.getByTestId('figure')).toBeVisible()
})

test('of a job that nothing was read on nothing is explained', async ({ page, request }) => {
  await page.goto(`/jobs/${await newJob(request)}/explain`)
  await expect(page.getByText('Nothing has been read yet')).toBeVisible()
})

test('figures are given to other workshops and taken in, taken out and put back', async ({ page }) => {
  await page.goto('/learnt')
  const shared = page.getByTestId('shared-figures')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByTestId('give-away').click()])
  const own = JSON.parse(readFileSync(await download.path(), 'utf8')) as LearntFile
  expect(own.types.length).toBeGreaterThan(0)

  const take = (file: unknown) =>
    shared.getByLabel('File of learnt figures to take in').setInputFiles({
      name: 'learnt.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof file === 'string' ? file : JSON.stringify(file))
    })
  await take(own)
  await expect(page.getByTestId('shared-problem')).toContainText('learnt in this workshop')
  await take('no file at all')
  await expect(page.getByTestId('shared-problem')).not.toContainText('learnt in this workshop')
  await take({ ...own, from: 'elsewhere', customer: 'Ada' })
  await expect(page.getByTestId('shared-problem')).toContainText('customer')

  const types = [{ sheet: { id: 'marram-m12', name: 'Marram M12' }, priors: { engines: 31, wear: 0.4 } }]
  await take({ ...own, from: 'elsewhere', types })
  const taken = page.getByTestId('taken-in').filter({ hasText: 'Marram M12' })
  await expect(taken).toContainText('From 31 engines elsewhere')
  await taken.getByRole('button', { name: 'Take out' }).click()
  await expect(taken).toContainText('nothing is judged by them')
  await taken.getByRole('button', { name: 'Put back' }).click()
  await expect(taken).not.toContainText('nothing is judged by them')
})
