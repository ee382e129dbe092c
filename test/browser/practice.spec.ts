import { tellCase } from '../../words/en'
import { readFileSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { Call } from '../../core/calls'
import { caseCode, lagOf, type Level, makeCase, seedWith } from '../../core/views/practice'
import { PRACTICE_SHEETS } from '../../demo/workshop'
import { named, readAlong, readCounts, readDial, readMarks } from '../support/readPictures'
import { read } from '../support/jobs'
import { expect, newJob, test, wakeful } from './bench'

const ardmere = PRACTICE_SHEETS.find(({ id }) => id === 'ardmere-a18')!
const withFault = (level: Level, fault: string, from = 0) => {
  const seed = seedWith(ardmere, level, fault, from)!
  return { code: caseCode({ sheet: ardmere.id, level, seed }), engine: tellCase(makeCase(ardmere, level, seed)) }
}

/** A cam that jumped one tooth and bent nothing. */
function oneTooth(): ReturnType<typeof withFault> {
  for (let from = 0; ;) {
    const found = withFault(1, 'jumped-late', from)
    if (Object.values(found.engine.truth.teeth!).includes(1)) return found
    from = found.engine.seed + 1
  }
}
/** The lobby, once it takes input. */
async function openLobby(page: Page): Promise<void> {
  await page.goto('/practice')
  await expect(page.getByTestId('save-state')).toBeVisible()
}
async function look(page: Page, inspection: string): Promise<string> {
  await page.getByTestId(`inspection-${inspection}`).click()
  await page.getByTestId('look').click()
  await expect(page.getByTestId('look')).toHaveCount(0)
  return inspection.startsWith('ask') ? '' : page.getByTestId('sight').evaluate((svg) => svg.outerHTML)
}
const svg = (page: Page) => page.getByTestId('sight').evaluate((element) => element.outerHTML)
async function write(page: Page, ...figures: number[]): Promise<void> {
  for (const [i, figure] of figures.entries()) await page.getByTestId(`figure-${i}`).fill(figure.toFixed(2))
  await page.getByTestId('keep').click()
}
async function judge(page: Page, calls: Record<string, Call>): Promise<void> {
  await page.getByTestId('make-calls').click()
  for (const [part, call] of Object.entries(calls)) await page.getByTestId(`call-${part}-${call}`).click()
  await page.getByTestId('finish').click()
  await expect(page.getByTestId('score')).toBeVisible()
}
const score = async (page: Page) => Number(await page.getByTestId('score').textContent())

test('a case played well: figures read off the pictures, a jump found, the engine held', async ({ page }) => {
  test.slow()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const { code, engine } = oneTooth()
  const cam = Object.keys(engine.truth.teeth!)[0]!
  await page.goto(`/practice/${code}`)
  await look(page, 'ask:engine')
  await expect(page.getByRole('complementary')).toContainText('cam over-retarded')
  await page.getByRole('button', { name: 'Engine', exact: true }).click()
  // Covers are on: the chain cannot be seen yet.
  await expect(page.getByTestId('turned-cam-in')).toHaveCount(0)

  const sprockets = ardmere.chains[0]!.counts.map(({ from }) => from)
  const counts = await look(page, 'count:main')
  await write(page, ...readCounts(counts, sprockets))
  const off = await look(page, 'marks:cam-in')
  expect(readMarks(off).pointer).toBeCloseTo(0, 1)
  for (const sprocket of ['cam-in', 'cam-ex']) {
    await page.getByTestId(`inspection-marks:${sprocket}`).click()
    if (await page.getByTestId('look').isVisible()) await page.getByTestId('look').click()
    // On by five degrees, then by halves, until the mark meets its line.
    for (let k = 0; k < 12 && Math.abs(readMarks(await svg(page)).off || 99) > 12; k++)
      await page.getByTestId('turn-small').click()
    await write(page, lagOf(engine, sprocket))
  }
  for (const rail of ['guide', 'arm', 'bridge']) {
    const face = await look(page, `rail:${rail}`)
    if (rail !== 'bridge') await write(page, readAlong(face, 'groove bottom', 1))
    await page.getByTestId('finding-sound').click()
  }
  await write(page, readAlong(await look(page, 'extension:tensioner'), 'tip', 0))
  if (named(await svg(page), 'witness').length > 0) await page.getByTestId('finding-witness-mark').click()
  await look(page, 'push:tensioner')
  await page.getByTestId('finding-sound').click()
  const calliper = await look(page, 'length:main')
  const whole = Math.floor(readAlong(calliper.replaceAll(/data-name="tick 0[^"]*"/g, ''), 'edge', 0) + 0.001)
  const parts = readDial(calliper.replaceAll(/data-name="tick 1\d\d"/g, ''), 'needle', 320, 250)
  await write(page, whole + parts)
  for (const phaser of ['phaser-in', 'phaser-ex']) {
    const dial = await look(page, `phaser:${phaser}`)
    await write(page, readDial(dial, 'rocked on', 180, 300) - readDial(dial, 'rocked back', 180, 300))
  }
  await judge(page, {
    main: 'back-in',
    guide: 'back-in',
    arm: 'back-in',
    bridge: 'back-in',
    tensioner: 'back-in',
    'phaser-in': 'back-in',
    'phaser-ex': 'back-in',
    'cam-in': cam === 'cam-in' ? 'stop' : 'back-in',
    'cam-ex': cam === 'cam-ex' ? 'stop' : 'back-in'
  })
  expect(await score(page)).toBeGreaterThan(75)
  await expect(page.getByTestId('truth')).toContainText(/Cam jumped late.*found/)
  await expect(page.getByTestId('weighed').filter({ hasText: 'links from mark to mark' })).toHaveCount(3)
  await expect(page.getByTestId('case-code')).toHaveText(code)
})

test('a case played badly: guesses score next to nothing, and what was missed is told and comes up again', async ({
  page,
  request
}) => {
  const name = `Learner ${Date.now() % 100000}`
  await request.post('/api/people', { data: { name } })
  await page.addInitScript((by) => localStorage.setItem('umbrette.by', by), name)
  const { code } = withFault(2, 'rail-broken')
  await page.goto(`/practice/${code}`)
  await judge(page, { main: 'renew', guide: 'back-in', arm: 'back-in', tensioner: 'back-in', engine: 'back-in' })
  expect(await score(page)).toBeLessThan(20)
  await expect(page.getByTestId('truth')).toContainText(/Rail broken.*missed/)
  expect(await page.getByTestId('take-along').count()).toBeGreaterThan(1)
  await page.getByRole('link', { name: 'All cases' }).click()
  await expect(page.getByTestId('run')).toHaveCount(1)
  await expect(page.getByTestId('weak')).toContainText('Rail broken')
  await page.getByTestId('training').click()
  await expect(page.getByTestId('turning-map')).toBeVisible()
})

test('the same code is the same engine for two people, typed as it was heard; a slip is told', async ({
  page,
  browser
}) => {
  const { code } = withFault(3, 'stretched')
  await openLobby(page)
  await page.getByTestId('code').fill(code.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A')))
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('slip')
  await page.getByTestId('code').fill(code.toLowerCase().replace('-', ' '))
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page).toHaveURL(new RegExp(code))
  const mine = await look(page, 'extension:tensioner')
  const other = wakeful(await (await browser.newContext({ baseURL: process.env.UMBRETTE_URL })).newPage())
  await other.goto(`/practice/${code}`)
  expect(readAlong(await look(other, 'extension:tensioner'), 'tip', 0)).toBe(readAlong(mine, 'tip', 0))
  await other.context().close()
})

test('turning moves everything as it would: pulley, cams at half its speed, half a turn short at the first mark; a reload loses nothing', async ({
  page
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const { code, engine } = withFault(2, 'half-turn')
  await page.goto(`/practice/${code}`)
  const svg0 = await look(page, 'count:main')
  expect(named(svg0, 'link')).toHaveLength(ardmere.chains[0]!.links)
  await page.getByRole('button', { name: 'Engine', exact: true }).click()
  const turnOf = async (id: string) =>
    Number(/rotate\(([-\d.]+)\)/.exec((await page.getByTestId(`turned-${id}`).getAttribute('transform'))!)![1])
  const before = [await turnOf('crank'), await turnOf('cam-in')] as const
  await page.getByTestId('turn-small').click()
  await expect.poll(async () => (await turnOf('crank')) - before[0]).toBeCloseTo(5, 1)
  expect((await turnOf('cam-in')) - before[1]).toBeCloseTo(2.5, 1)
  // On to the crank's mark: from where it came in, the cams are still half a turn away.
  await page.getByTestId('turn-to-mark').click()
  await look(page, 'marks:cam-in')
  expect(engine.start).toBeLessThan(360)
  expect(named(await svg(page), 'cam mark')).toHaveLength(0)
  await page.getByTestId('turn-to-mark').click()
  await expect.poll(async () => named(await svg(page), 'cam mark').length).toBe(1)
  const clock = await page.getByTestId('clock').textContent()
  await page.reload()
  await expect(page.getByTestId('clock')).toHaveText(clock!)
  await page.getByTestId('inspection-marks:cam-in').click()
  expect(named(await svg(page), 'cam mark')).toHaveLength(1)
  await openLobby(page)
  await expect(page.getByRole('region', { name: 'Begun' })).toContainText(code)
})

test('held down, the engine turns on until the hand lets go; back only after a warning', async ({ page }) => {
  const { code } = withFault(2, 'kick-back')
  await page.goto(`/practice/${code}`)
  const turn = page.getByTestId('turn')
  await turn.focus()
  const mark = () => page.getByTestId('crank-mark').getAttribute('transform')
  const still = await mark()
  await page.keyboard.down('Enter')
  await expect.poll(mark).not.toBe(still)
  await page.keyboard.up('Enter')
  const stopped = await mark()
  expect(await mark()).toBe(stopped)
  // By hand round the crank itself: a quarter turn on; drawn back it slips.
  const crank = (await page.getByTestId('crank').boundingBox())!
  const [x, y, r] = [crank.x + crank.width / 2, crank.y + crank.height / 2, crank.width / 3]
  await page.mouse.move(x, y - r)
  await page.mouse.down()
  for (let a = 0; a <= 90; a += 15)
    await page.mouse.move(x + r * Math.sin((a * Math.PI) / 180), y - r * Math.cos((a * Math.PI) / 180))
  const on = await mark()
  expect(on).not.toBe(stopped)
  await page.mouse.move(x, y - r)
  expect(await mark()).toBe(on)
  await page.mouse.up()
  await page.getByRole('button', { name: 'Back …' }).click()
  await expect(page.getByRole('alert')).toContainText('go round again')
  await page.getByTestId('turn-back').click()
  await expect.poll(mark).not.toBe(on)
})

test('a closed job is told as a case, shared as a file, taken off the list and put back', async ({
  page,
  request
}, info) => {
  const id = await newJob(request, [read.extension(14), read.length(161.2)])
  const by = { by: 'Maren', at: '2026-11-24T09:00:00.000Z' }
  for (const { id: hold } of (await (await request.get(`/api/jobs/${id}/holds`)).json()) as { id: string }[])
    await request.post(`/api/jobs/${id}/acts`, {
      data: { ...by, id: `r-${hold}`, type: 'release', hold, reason: 'Sold' }
    })
  expect(
    (await request.post(`/api/jobs/${id}/acts`, { data: { ...by, id: 'closes', type: 'state', state: 'closed' } })).ok()
  ).toBe(true)
  await page.goto(`/jobs/${id}/proof`)
  await expect(page.getByTestId('save-state')).toBeVisible()
  const title = `Told ${Date.now() % 100000}`
  await page.getByTestId('tell-as-case').getByLabel('Title').fill(title)
  await page.getByTestId('tell-as-case').getByRole('button', { name: 'Tell it' }).click()
  await expect(page.getByTestId('tell-as-case')).toContainText(title)
  await openLobby(page)
  const kept = page.getByTestId('kept-case').filter({ hasText: title })
  const file = await request.get((await kept.getByRole('link', { name: 'File' }).getAttribute('href'))!)
  const path = info.outputPath('case.json')
  const told = (await file.json()) as { title: string; truth: { elongation: Record<string, number> } }
  expect(told.truth.elongation.main).toBeGreaterThan(0.003)
  expect(JSON.stringify(told)).not.toContain('openedBy')
  writeFileSync(path, JSON.stringify({ ...told, title: `${title} again` }))
  expect(readFileSync(path, 'utf8')).toContain('umbrette-practice')
  await kept.getByRole('button', { name: 'Remove' }).click()
  await expect(kept).toHaveCount(0)
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(kept).toHaveCount(1)
  await page.getByTestId('case-file').setInputFiles(path)
  await expect(page).toHaveURL(/\/practice\/[0-9a-f-]{36}$/)
  await expect(page.getByRole('heading', { name: `${title} again` })).toBeVisible()
})

test('judged while the server is away: it says so, keeps every move, and is judged once it is back', async ({
  page,
  context
}) => {
  const { code } = withFault(1, 'tensioner-spent')
  await page.goto(`/practice/${code}`)
  await look(page, 'push:tensioner')
  expect(named(await svg(page), 'pushed')[0]!.points.length).toBeGreaterThan(0)
  await page.getByTestId('finding-plunger-slips-back').click()
  await context.route('**/api/practice/runs', (route) => route.abort('connectionreset'))
  await page.getByTestId('make-calls').click()
  await page.getByTestId('call-tensioner-renew').click()
  await page.getByTestId('finish').click()
  await expect(page.getByRole('alert')).toContainText('cannot be reached')
  await page.reload()
  await page.getByTestId('make-calls').click()
  await expect(page.getByTestId('call-tensioner-renew')).toHaveAttribute('aria-checked', 'true')
  await context.unroute('**/api/practice/runs')
  await page.getByTestId('finish').click()
  await expect(page.getByTestId('truth')).toContainText(/Tensioner does not hold.*found/)
  await openLobby(page)
  await expect(page.getByRole('region', { name: 'Begun' }).filter({ hasText: code })).toHaveCount(0)
})

test('a hostile case file is shown as text everywhere, and one that is broken changes nothing', async ({
  page,
  request
}, info) => {
  const { engine } = withFault(1, 'rail-worn')
  const nasty = '<img src=x onerror="document.title=1"> \u202Eabc \u{1F527} =1+1'
  const kept = (await (
    await request.post('/api/practice/cases?by=Maren', {
      data: { ...engine, title: nasty, complaint: `${nasty}${'long '.repeat(300)}` }
    })
  ).json()) as { id: string }
  await page.goto(`/practice/${kept.id}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<img src=x')
  await expect(page.getByRole('complementary')).toContainText('onerror=')
  await expect(page).toHaveTitle(/Umbrette/)
  await judge(page, { main: 'back-in' })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<img src=x')
  await openLobby(page)
  await expect(page.getByTestId('kept-case').filter({ hasText: '<img src=x' }).first()).toBeVisible()
  await expect(page).toHaveTitle(/Umbrette/)
  const broken = info.outputPath('broken.json')
  writeFileSync(broken, JSON.stringify({ ...engine, truth: { ...engine.truth, kickBack: 'some' } }))
  await page.getByTestId('case-file').setInputFiles(broken)
  await expect(page.getByRole('alert')).toContainText('truth.kickBack')
  await expect(page).toHaveURL(/\/practice$/)
})
