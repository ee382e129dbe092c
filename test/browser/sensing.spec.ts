import { writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { randomness } from '../../core/math'
import type { Act } from '../../core/record'
import { writeWav } from '../../core/trace'
import { simulatedScope } from '../../demo/scopeSource'
import { makeSound } from '../support/sounds'
import { changed, sheet } from '../support/sheets'
import { jobOf } from '../support/jobs'
import { expect, newJob, test } from './bench'

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
async function actsOf(page: Page, id: string): Promise<Act[]> {
  const { acts } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { acts: { act: Act }[] }
  return acts.map(({ act }) => act)
}
/** Keeps what a trace shows, once its file's hash is made. */
async function keepTrace(page: Page): Promise<void> {
  await page.getByTestId('keep-trace').click()
  await expect(page.getByText('Kept as readings, with the trace')).toBeVisible({ timeout: 20_000 })
}
const VAN = '5a17a000-0000-4000-8000-000000000001'
const ardmere = sheet('ardmere-a18')
const late = simulatedScope(ardmere, { shift: { 'cam-in': 6 }, elongation: { main: 0.003 } }, 5)!

test('the practice scope is drawn live, read, looked at closely, and kept as readings that know their trace', async ({
  page
}) => {
  await page.goto(`/jobs/${VAN}?station=2`)
  await page.getByTestId('to-trace').click()
  await page.getByTestId('practice-scope').click()
  await expect(page.getByTestId('lag-cam-in')).toContainText('late')
  await expect(page.getByTestId('lag-cam-in')).toContainText('Wavers by')
  await expect(page.getByTestId('fold')).toBeVisible()
  const plot = page.getByTestId('channels')
  const whole = Number(await plot.getAttribute('data-to'))
  expect(whole).toBe(80_000)
  await page.getByTestId('trace-closer').click()
  await expect(plot).toHaveAttribute('data-from', '20000')
  await plot.focus()
  await page.keyboard.press('ArrowRight')
  await expect(plot).toHaveAttribute('data-from', '28000')
  await page.getByTestId('trace-whole').click()
  await expect(plot).toHaveAttribute('data-to', String(whole))
})

test('a file of any column order is put to its channels once, and remembered for files like it', async ({
  page,
  request
}, info) => {
  const id = await newJob(request)
  const strange = late.replace('time_s,crank,cam-in,cam-ex', 'time_s,D,A,B')
  writeFileSync(info.outputPath('first.csv'), strange)
  writeFileSync(info.outputPath('second.csv'), strange)
  await page.goto(`/jobs/${id}/trace`)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('first.csv'))
  await expect(page.getByText('no channel is called crank')).toBeVisible()
  for (const [channel, column] of [
    ['crank', 'D'],
    ['cam-in', 'A'],
    ['cam-ex', 'B']
  ] as const)
    await page.getByTestId(`map-${channel}`).selectOption(column)
  await expect(page.getByTestId('lag-cam-in')).toContainText(/8\.\d° late/)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('second.csv'))
  await expect(page.getByTestId('trace-held')).toContainText('second.csv')
  await expect(page.getByTestId('lag-cam-in')).toContainText(/8\.\d° late/)
  await page.getByTestId('keep-trace').click()
  await expect(page.getByText('Kept as readings, with the trace')).toBeVisible({ timeout: 20_000 })
  await saved(page)
  const kept = (await actsOf(page, id)).filter((act) => act.type === 'read')
  expect(kept).toHaveLength(2)
  expect(kept[0]).toMatchObject({
    reading: { kind: 'camLag', sprocket: 'cam-in', method: 'trace' },
    trace: { file: 'second.csv', edges: expect.any(Number), waver: { turns: 7 } }
  })
  for (const act of kept) expect(act.type === 'read' && act.reading.sigma).toBeGreaterThanOrEqual(0.3)
  // The figure opens what it was read from.
  await page.goto(`/jobs/${id}?read=camLag:cam-in`)
  await page.getByTestId('on-trace').click()
  await expect(page.getByTestId('trace-again')).toContainText('Read from second.csv')
  await expect(page.getByTestId('trace-as-kept').getByTestId('fold')).toContainText('Intake cam')
  await expect(page.getByTestId('trace-as-kept').locator('[data-strip=speed]')).toContainText('rpm')
  // What it said of the chain stands round its loop on the map.
  await page.goto(`/jobs/${id}?read=camLag:cam-in`)
  await expect(page.getByTestId('map-waver')).toBeVisible()
  await expect(page.getByTestId('waver-note')).toContainText(/later where the ribbon .*once in 7(\.0)? crank turns/)
})

test('without wheels on the sheet a good trace of the engine shows them; damaged files are refused, nothing is kept', async ({
  page,
  request
}, info) => {
  const drive = changed(ardmere, (d) => void delete d.triggers)
  const answer = await request.post('/api/jobs/import?by=Maren', { data: jobOf([], { drive }) })
  const { id } = (await answer.json()) as { id: string }
  const put = (name: string, text: string) => {
    writeFileSync(info.outputPath(name), text)
    return info.outputPath(name)
  }
  await page.goto(`/jobs/${id}/trace`)
  const offer = (path: string) => page.getByTestId('trace-file').setInputFiles(path)
  await offer(put('cut.csv', `${late.slice(0, 40_000)}0.5,oops`))
  await expect(page.getByText(/is no row of figures like the others/)).toBeVisible()
  await offer(put('words.wav', 'no trace at all, only words'))
  await expect(page.getByText('only 0 samples: record for longer')).toBeVisible()
  await offer(put('late.csv', late))
  await expect(page.getByText('the sheet has no trigger wheels: add them')).toBeVisible()
  await page.getByTestId('good-choice').selectOption('file')
  await page.getByTestId('trace-good').setInputFiles(put('good.csv', simulatedScope(ardmere, {}, 6)!))
  await expect(page.getByTestId('lag-cam-in')).toContainText(/8\.\d° late/)
  expect((await actsOf(page, id)).filter((act) => act.type === 'read')).toEqual([])
})

test('before beside after: the proof is traced, kept as good, offered to the type, and told in the report', async ({
  page,
  request
}, info) => {
  const id = await newJob(request)
  await page.goto(`/jobs/${id}/trace`)
  writeFileSync(info.outputPath('before.csv'), late)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('before.csv'))
  await expect(page.getByTestId('lag-cam-in')).toContainText(/8\.\d° late/)
  await expect(page.getByTestId('strips').locator('[data-strip=speed]')).toContainText('rpm')
  await expect(page.getByTestId('waver-loop').first()).toBeVisible()
  await keepTrace(page)
  await saved(page)
  // And stays kept: it is not decoded anew for what was entered.
  expect((await actsOf(page, id)).length).toBeGreaterThan(0)
  await expect(page.getByText('Kept as readings, with the trace')).toBeVisible()
  await expect(page.getByTestId('keep-trace')).toBeDisabled()

  await page.goto(`/jobs/${id}/proof`)
  await page.getByTestId('trace-of-proof').click()
  await expect(page.getByTestId('trace-round')).toHaveCount(0)
  await page.getByTestId('practice-scope').click()
  await expect(page.getByTestId('lag-before').first()).toContainText(/Before the repair: 8\.\d° late/)
  await expect(page.getByTestId('fold-before').first()).toBeVisible()
  await expect(page.getByTestId('trace-round')).toHaveValue('true')
  await keepTrace(page)
  await page.getByTestId('good-open').click()
  await page.getByTestId('good-of').selectOption('type')
  await page.getByTestId('keep-good').click()
  await expect(page.getByText('Kept as a good trace.')).toBeVisible()
  await saved(page)
  const acts = await actsOf(page, id)
  expect(acts.filter((act) => act.type === 'rebuilt' && act.round === 'proof' && act.trace)).toHaveLength(2)
  await page.goto(`/jobs/${id}/proof`)
  await page.getByTestId('proof-on-trace').first().click()
  await expect(page.getByTestId('trace-as-kept').getByTestId('fold')).toBeVisible()
  await page.goto(`/jobs/${id}/report`)
  await expect(page.getByTestId('report-traced')).toContainText(
    /Intake cam sprocket: 8\.\d° late \(give or take .*\) as it came in; 0\.\d° \w+ \(give or take .*\) after the repair/
  )

  // Another engine of the type is held against it; one of another type is not offered it.
  const next = await newJob(request)
  await page.goto(`/jobs/${next}/trace`)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('before.csv'))
  await expect(page.getByTestId('good-choice').locator('option')).toHaveCount(3)
  await page.getByTestId('good-choice').selectOption({ index: 1 })
  await expect(page.getByTestId('lag-cam-in')).toContainText(/8\.\d° late/)
  await keepTrace(page)
  await saved(page)
  const [kept] = (await actsOf(page, next)).filter((act) => act.type === 'read')
  expect(kept).toMatchObject({ trace: { good: 'practice-scope.csv' } })
  const other = '5a17a000-0000-4000-8000-000000000005'
  expect(await (await request.get(`/api/jobs/${other}/good-traces`)).json()).toEqual([])
})

test('reading a long trace can be given up', async ({ page, request }, info) => {
  const id = await newJob(request)
  const [head = '', ...rows] = late.trimEnd().split('\n')
  const block = rows.map((row) => row.slice(row.indexOf(',') + 1))
  const long = Array.from({ length: 25 }, () => block).flat()
  writeFileSync(
    info.outputPath('long.csv'),
    `${head}\n${long.map((row, i) => `${(i / 20_000).toFixed(5)},${row}`).join('\n')}\n`
  )
  await page.goto(`/jobs/${id}/trace`)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('long.csv'))
  await page.getByTestId('trace-cancel').click()
  await expect(page.getByText('Given up. Nothing was kept.')).toBeVisible()
  await expect(page.getByTestId('channels')).toBeHidden()
  // The page is as ready as before.
  writeFileSync(info.outputPath('short.csv'), late)
  await page.getByTestId('trace-file').setInputFiles(info.outputPath('short.csv'))
  await expect(page.getByTestId('lag-cam-in')).toContainText('late')
})

test('a recording says speed, seconds to quiet and rhythm, and is said of the complaint', async ({
  page,
  request
}, info) => {
  const id = await newJob(request)
  const file = (name: string, seed: number, quiet: number) => {
    const made = makeSound(randomness(seed), {
      cylinders: 4,
      rpm: [800, 800],
      quiet,
      rhythm: 'cam',
      clatter: 0.3,
      seconds: 8,
      rate: 22_050,
      signalToNoise: 15
    })
    writeFileSync(info.outputPath(name), writeWav(made.signal, made.rate))
    return info.outputPath(name)
  }
  await page.goto(`/jobs/${id}?station=1`)
  await page.getByTestId('to-sound').click()
  await page.getByTestId('sound-file').setInputFiles(file('before.wav', 3, 3))
  await expect(page.getByTestId('heard')).toContainText(/Clatter for (2\.[89]|3\.[0-3]) s, then quiet/)
  await expect(page.getByTestId('heard')).toContainText(/(79\d|80\d) rpm/)
  await expect(page.getByTestId('rhythm').first()).toContainText('the cams')
  await expect(page.getByTestId('sound-picture')).toBeVisible()
  await page.getByTestId('say-it').click()
  await saved(page)
  expect((await actsOf(page, id)).find((act) => act.type === 'read')).toMatchObject({
    reading: { kind: 'condition', target: 'engine', finding: 'noise-seconds', note: 'from a recording (before.wav)' }
  })
  await page.getByTestId('sound-other').setInputFiles(file('after.wav', 4, 1.2))
  await expect(page.getByTestId('heard-other')).toContainText('after.wav: Clatter for 1.')
})

test('the practice microphone is heard; what is no recording of an engine is refused', async ({ page }, info) => {
  await page.goto(`/jobs/${VAN}/sound`)
  await page.getByTestId('practice-microphone').click()
  await expect(page.getByTestId('heard')).toContainText('then quiet')
  await expect(page.getByTestId('rhythm').first()).toContainText('the chain coming round')
  writeFileSync(info.outputPath('silence.wav'), writeWav(new Float32Array(90_000), 22_050))
  await page.getByTestId('sound-file').setInputFiles(info.outputPath('silence.wav'))
  await expect(page.getByText('is silence: check the microphone')).toBeVisible()
  writeFileSync(info.outputPath('words.mp3'), 'not a recording')
  await page.getByTestId('sound-file').setInputFiles(info.outputPath('words.mp3'))
  await expect(page.getByText('This browser cannot read the recording')).toBeVisible()
})
