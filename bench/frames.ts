import { chromium, request as requests } from '@playwright/test'
import { caseCode } from '../core/views/practice'
import setup from '../test/browser/setup'
import { jobOf, read } from '../test/support/jobs'

/**
 * Traces the job page in Chromium while figures are typed and saved: the longest task of each busy thread and how many
 * took over 50 ms, by the clock and by the time the thread itself ran (on a shared machine a task also waits for the
 * others).
 */
const ENTRIES = 12

const teardown = await setup()
const url = process.env.UMBRETTE_URL!
const api = await requests.newContext({ baseURL: url })
const { id } = (await (await api.post('/api/jobs/import?by=Maren', { data: jobOf([read.extension(12)]) })).json()) as {
  id: string
}
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking']
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.addInitScript(() => localStorage.setItem('umbrette.by', 'Maren'))
await page.goto(`${url}jobs/${id}?read=groove:guide`)
await page.getByTestId('drive-map').waitFor()
const guide = page.getByRole('button', { name: /^Fixed guide:/ })
const enter = async (figure: string, nth: number) => {
  await guide.click()
  await page.getByTestId('figure').pressSequentially(figure, { delay: 30 })
  await page.keyboard.press('Enter')
  await guide.click()
  await page.getByTestId('reading').nth(nth).waitFor()
}
await enter('0.29', 0)

interface TraceEvent {
  name: string
  dur?: number
  tdur?: number
  tid: number
  pid: number
}
const events: TraceEvent[] = []
const session = await page.context().newCDPSession(page)
session.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])))
await session.send('Tracing.start', {
  traceConfig: { includedCategories: ['toplevel', 'disabled-by-default-devtools.timeline'] },
  transferMode: 'ReportEvents'
})
for (let i = 0; i < ENTRIES; i++) await enter(`0.${30 + i}`, i + 1)
const complete = new Promise<void>((resolve) => session.once('Tracing.tracingComplete', () => resolve()))
await session.send('Tracing.end')
await complete

const threads = new Map<string, { clock: number; ran: number }[]>()
for (const { name, dur, tdur = 0, tid, pid } of events) {
  if (name === 'RunTask' && dur !== undefined)
    threads.set(`${pid}/${tid}`, [...(threads.get(`${pid}/${tid}`) ?? []), { clock: dur / 1000, ran: tdur / 1000 }])
}
const told = (ms: number[]) =>
  `the longest ${Math.max(...ms).toFixed(1)} ms, ${ms.filter((t) => t > 50).length} over 50 ms`
console.log(`${ENTRIES} figures typed and saved on the job page`)
for (const [thread, tasks] of threads) {
  if (tasks.length > 1000)
    console.log(
      `thread ${thread}: ${tasks.length} tasks; by the clock ${told(tasks.map((t) => t.clock))}; running ${told(tasks.map((t) => t.ran))}`
    )
}
await turning()
await browser.close()
await api.dispose()
await teardown()

/** Frames while the practice engine of most links, with its covers off, is turned for four seconds. */
async function turning(): Promise<void> {
  const stand = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await stand.goto(`${url}practice/${caseCode({ sheet: 'vellora-v28', level: 4, seed: 0 })}`)
  await stand.getByTestId('inspection-count:bank-2').click()
  await stand.getByTestId('look').click()
  await stand.getByRole('button', { name: 'Engine', exact: true }).click()
  await stand.getByTestId('turned-ex-2').waitFor()
  const turn = (await stand.getByTestId('turn').boundingBox())!
  await stand.mouse.move(turn.x + turn.width / 2, turn.y + turn.height / 2)
  await stand.mouse.down()
  // As text: the runner names functions for its own ends, which a page knows nothing of.
  const frames = await stand.evaluate<number[]>(`new Promise((resolve) => {
    const stamps = []
    requestAnimationFrame(function tick(now) {
      stamps.push(now)
      if (now - stamps[0] < 4000) requestAnimationFrame(tick)
      else resolve(stamps.slice(1).map((stamp, i) => stamp - stamps[i]))
    })
  })`)
  await stand.mouse.up()
  const sorted = frames.toSorted((a, b) => a - b)
  const at = (part: number) => sorted[Math.floor(part * (sorted.length - 1))]!.toFixed(1)
  console.log(
    `turning a V6 by hand: ${((1000 * frames.length) / frames.reduce((a, b) => a + b, 0)).toFixed(1)} frames a second; a frame takes ${at(0.5)} ms in the middle, ${at(0.95)} ms at 95 %, ${at(1)} ms at the most`
  )
}
