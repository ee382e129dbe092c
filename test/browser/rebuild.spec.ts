import type { APIRequestContext, Page } from '@playwright/test'
import { rebuildOf } from '../../core/views/buildup'
import { type Act, assessRecord, type KeptJob } from '../../core/record'
import type { Reading } from '../../core/readings'
import { read } from '../support/jobs'
import { enter, expect, newJob, test } from './bench'

const WORN = [read.length(160.95), read.extension(17), read.groove('guide', 0.4)]
const saved = (page: Page) =>
  expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved', { timeout: 20_000 })
let n = 0
const put = async (request: APIRequestContext, id: string, what: object) =>
  expect(
    (
      await request.post(`/api/jobs/${id}/acts`, {
        data: { id: `b${n++}`, by: 'Tove', at: new Date().toISOString(), ...what }
      })
    ).ok()
  ).toBe(true)

/** Does every step of a build-up but those left out, and reads every line of the check as it should be. */
async function buildUp(
  request: APIRequestContext,
  id: string,
  { but = [] as string[], reads = true } = {}
): Promise<void> {
  const { job, acts } = (await (await request.get(`/api/jobs/${id}`)).json()) as { job: KeptJob; acts: { act: Act }[] }
  const list = acts.map(({ act }) => act)
  const { plan, expected } = rebuildOf(job, list, assessRecord(job, list))
  for (const { id: task, asks } of plan.groups.flatMap((group) => group.tasks)) {
    if (!but.includes(task))
      await put(request, id, {
        type: 'task',
        task,
        state: 'done',
        ...(asks === 'count' ? { value: 2 } : asks === 'length' ? { value: 160 } : {})
      })
  }
  if (!reads) return
  for (const round of ['set', 'turned']) {
    for (const { kind, target, from, to, value } of expected) {
      const reading = {
        kind,
        ...(kind === 'linkCount'
          ? { chain: target, from, to }
          : kind === 'extension'
            ? { tensioner: target }
            : { sprocket: target }),
        value,
        turnedForward: true
      } as Reading
      await put(request, id, { type: 'rebuilt', round, reading })
    }
  }
}

test('a whole job from complaint to closed proof', async ({ page, request }) => {
  test.setTimeout(120_000)
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByLabel('Vehicle or boat').fill('Whole job van')
  await page.getByLabel('Engine').selectOption({ label: 'Ardmere A18, 1.8 l four' })
  await page.getByLabel('Usage', { exact: true }).fill('150000')
  await page.getByLabel('Complaint').fill('Noise at warm idle')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/jobs\//)
  const id = page.url().split('/').at(-1)!
  await page.getByTestId('finding-noise-warm-idle').click()
  await saved(page)
  await page.goto(`/jobs/${id}?read=chainLength:main`)
  await enter(page, '161.25')
  await saved(page)
  await page.goto(`/jobs/${id}/verdict`)
  await expect(page.getByTestId('call-main')).toHaveAttribute('data-call', 'renew')
  await page.getByTestId('sign').click()
  await saved(page)
  await page.getByRole('link', { name: 'Paths' }).click()
  await page.getByTestId('advise').click()
  await saved(page)
  await page.getByRole('link', { name: 'Build-up' }).click()
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'false')
  const received = page.getByTestId('task-part:main:received')
  await received.getByRole('checkbox').click()
  await expect(received.getByRole('alert')).toContainText('Write its number or make')
  await received.getByRole('textbox').fill('SW 126-8')
  await received.getByRole('checkbox').click()
  await expect(received).toHaveAttribute('data-done', 'true')
  await expect(page.getByTestId('task-torque:pulley:1')).toContainText('100 N·m')
  await page.getByTestId('units').click()
  await page.getByRole('radio', { name: 'lb·ft' }).click()
  await expect(page.getByTestId('task-torque:pulley:1')).toContainText('73.8 lb·ft')
  await page.keyboard.press('Escape')
  await saved(page)
  await buildUp(request, id, { but: ['fluid:level'] })
  await page.reload()
  await expect(page.getByTestId('hold-tasks')).toContainText('oil at its level')
  await page.getByTestId('task-fluid:level').getByRole('checkbox').click()
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
  await saved(page)
  await page.getByRole('link', { name: 'Proof' }).click()
  await expect(page.getByTestId('before-after')).toContainText('53 links')
  await page.getByTestId('plug-in').click()
  await page.getByTestId('keep-scan').click()
  await expect(page.getByTestId('closing')).toContainText('Past limit: under 1 %')
  for (const task of ['first-start', 'noise', 'codes', 'relearn', 'leaks', 'oil-level'])
    await page.getByTestId(`task-proof:${task}`).getByRole('checkbox').click()
  const check = page.getByTestId('next-check')
  await check.getByRole('button', { name: 'Keep' }).click()
  await expect(check.getByRole('alert')).toContainText('Name a date')
  const soon = new Date(Date.now() + 10 * 86_400_000).toISOString().slice(0, 10)
  await check.getByLabel('On').fill(soon)
  await check.getByLabel(/stop-gap/).check()
  await check.getByRole('button', { name: 'Keep' }).click()
  await saved(page)
  const ics = await (await request.get(`/api/jobs/${id}/check.ics`)).text()
  expect(ics).toContain(`DTSTART;VALUE=DATE:${soon.replaceAll('-', '')}`)
  await page.getByTestId('close-job').click()
  await expect(page.getByTestId('close-job')).toHaveText('Closed')
  await saved(page)
  await page.goto('/')
  await expect(page.getByTestId('checks')).toContainText('Whole job van')
  await expect(page.getByTestId('checks')).toContainText('Stop-gap, no repair')
})

test('a wrong check after two turns stops the job there, and says what it can mean', async ({ page, request }) => {
  const id = await newJob(request, WORN)
  await buildUp(request, id)
  await page.goto(`/jobs/${id}/build`)
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
  const turned = page.getByRole('textbox', { name: 'Intake cam sprocket, after two turns', exact: true })
  await turned.fill('-20')
  await turned.press('Tab')
  await expect(page.getByTestId('turn-check')).toContainText('Stop here. It moved while being turned')
  await expect(page.getByTestId('turn-check')).toContainText('1 tooth early at intake cam sprocket')
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'false')
  await saved(page)
  await page.goto(`/jobs/${id}/proof`)
  await expect(page.getByTestId('not-ready')).toContainText('Do not start it')
  await expect(page.getByTestId('close-job')).toBeDisabled()
  await page.goto(`/jobs/${id}/build`)
  await turned.fill('0')
  await turned.press('Tab')
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
})

test('each hold blocks and is released by what it waits for, or by name with a reason', async ({ page, request }) => {
  const id = await newJob(request, [...WORN, read.found('guide', 'piece-missing', { count: 1 })])
  await buildUp(request, id)
  await page.goto(`/jobs/${id}/build`)
  await expect(page.getByTestId('hold-fragments:engine')).toContainText('not accounted for')
  await put(request, id, { type: 'read', reading: read.found('engine', 'pieces-found', { count: 1 }) })
  await expect(page.getByTestId('hold-fragments:engine')).toHaveCount(0)
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
  await put(request, id, { type: 'task', task: 'out:rags', state: 'done', value: 1 })
  const rags = page.getByTestId('hold-inside:rags')
  await expect(rags).toContainText('2 went in, 1 came out')
  await rags.getByRole('button', { name: 'Release by name' }).click()
  await rags.getByRole('button', { name: 'Release', exact: true }).click()
  await expect(rags.getByRole('alert')).toContainText('Say why')
  await rags.getByLabel(/Why it may/).fill('Counted twice at the start.')
  await rags.getByRole('button', { name: 'Release', exact: true }).click()
  await expect(rags).toContainText('Released by Maren: Counted twice at the start.')
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
})

test('a jump on an interference engine is held until compression is entered', async ({ page, request }) => {
  const id = await newJob(request, [
    ...WORN,
    read.lag('cam-ex', 26),
    read.count('crank', 'cam-ex', 52),
    read.count('cam-ex', 'cam-in', 21),
    read.count('cam-in', 'crank', 53)
  ])
  await buildUp(request, id)
  await page.goto(`/jobs/${id}/build`)
  await expect(page.getByTestId('holds')).toContainText(/compression|leak-down/i)
  await put(request, id, { type: 'read', reading: read.found('engine', 'compression-sound') })
  await expect(page.getByTestId('holds')).toHaveAttribute('data-ready', 'true')
})

test('bolts are put on the picture at teardown and read back at assembly', async ({ page, request }) => {
  const id = await newJob(request, WORN)
  await page.goto(`/jobs/${id}/build`)
  const map = page.getByTestId('fasteners')
  await map.getByTestId('cover').click({ position: { x: 60, y: 60 } })
  await expect(map.getByRole('alert')).toContainText("Write the bolt's length first")
  await map.getByLabel(/Bolt length/).fill('35')
  await map.getByTestId('cover').click({ position: { x: 60, y: 60 } })
  await map.getByLabel(/Bolt length/).fill('45')
  await map.getByRole('button', { name: 'Add a hole' }).click()
  await expect(map).toContainText('2 of 2 still out')
  await saved(page)
  await page.reload()
  await map.getByRole('button', { name: /^Hole 1, bolt of 35 mm, still out/ }).click()
  await expect(map).toContainText('1 of 2 still out')
  await expect(map.getByRole('button', { name: /^Hole 1, bolt of 35 mm, back in/ })).toBeVisible()
})

test('what the jobs have taught: rates with their intervals, calibration, what came back', async ({ page }) => {
  await page.goto('/learnt')
  await expect(page.getByTestId('type-rate').filter({ hasText: 'Ardmere' })).toContainText('Pilot van 3')
  await expect(page.getByTestId('calibration')).toContainText(/held the bench length/)
  await expect(page.getByTestId('came-back')).toContainText(/\d+ of \d+/)
})
