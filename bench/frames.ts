import { chromium, request as requests } from '@playwright/test'
import setup from '../test/browser/setup'
import { jobOf, read } from '../test/support/jobs'

/**
 * Traces the job page in Chromium while figures are typed and saved: the longest task of each busy thread and how many took
 * over 50 ms, by the clock and by the time the thread itself ran (on a shared machine a task also waits for the others).
 */
const ENTRIES = 12

const teardown = await setup()
const url = process.env.UMBRETTE_URL!
const api = await requests.newContext({ baseURL: url })
const { id } = (await (await api.post('/api/jobs/import?by=Maren', { data: jobOf([read.extension(12)]) })).json()) as { id: string }
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'] })
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

interface TraceEvent { name: string; dur?: number; tdur?: number; tid: number; pid: number }
const events: TraceEvent[] = []
const session = await page.context().newCDPSession(page)
session.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])))
await session.send('Tracing.start', { traceConfig: { includedCategories: ['toplevel', 'disabled-by-default-devtools.timeline'] }, transferMode: 'ReportEvents' })
for (let i = 0; i < ENTRIES; i++) await enter(`0.${30 + i}`, i + 1)
const complete = new Promise<void>((resolve) => session.once('Tracing.tracingComplete', () => resolve()))
await session.send('Tracing.end')
await complete

const threads = new Map<string, { clock: number; ran: number }[]>()
for (const { name, dur, tdur = 0, tid, pid } of events) {
  if (name === 'RunTask' && dur !== undefined) threads.set(`${pid}/${tid}`, [...(threads.get(`${pid}/${tid}`) ?? []), { clock: dur / 1000, ran: tdur / 1000 }])
}
const told = (ms: number[]) => `the longest ${Math.max(...ms).toFixed(1)} ms, ${ms.filter((t) => t > 50).length} over 50 ms`
console.log(`${ENTRIES} figures typed and saved on the job page`)
for (const [thread, tasks] of threads) {
  if (tasks.length > 1000) console.log(`thread ${thread}: ${tasks.length} tasks; by the clock ${told(tasks.map((t) => t.clock))}; running ${told(tasks.map((t) => t.ran))}`)
}
await browser.close()
await api.dispose()
await teardown()
