import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { getPriority, tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { transformSync } from 'esbuild'
import { afterAll, describe, expect, it } from 'vitest'
import { Lane } from '../../server/heavy/lane'

process.env.UMBRETTE_LOG = 'silent'
const folder = mkdtempSync(join(tmpdir(), 'umbrette-lane-'))
const file = join(folder, 'worker.mjs')
writeFileSync(
  file,
  `
  import { parentPort, workerData } from 'node:worker_threads'
  parentPort.on('message', ({ id, task, args: [value] }) => {
    if (value === 'die') process.exit(1)
    if (value === 'exhaust') { const all = []; for (;;) all.push(new Array(1e6).fill(1)) }
    if (value === 'refuse') parentPort.postMessage({ id, failed: { problem: { code: 'bad-input', said: { code: 'choose-way', figures: {} }, faults: [{ place: 'a', code: 'list', figures: {} }] }, message: 'no', code: null } })
    else if (value === 'break') parentPort.postMessage({ id, failed: { problem: null, message: 'inside', code: '53100' } })
    else if (value !== 'wait') parentPort.postMessage({ id, result: { task, value, lane: workerData.umbrette } })
  })
`
)
afterAll(() => rmSync(folder, { recursive: true }))

describe('a thread that works behind the server', () => {
  const lane = new Lane('asked', file)
  const ask = (value: string) => lane.run('judgeJob', [value]) as unknown as Promise<{ value: string; lane: string }>

  it('does what it is asked, and knows which one it is', async () =>
    expect(await ask('a')).toEqual({ task: 'judgeJob', value: 'a', lane: 'asked' }))
  it('tells a refusal as it is, and a failure with its code', async () => {
    await expect(ask('refuse')).rejects.toMatchObject({
      code: 'bad-input',
      status: 422,
      faults: [{ place: 'a', code: 'list', figures: {} }]
    })
    await expect(ask('break')).rejects.toMatchObject({ message: 'inside', code: '53100' })
  })
  it('that ends in the middle fails who waits for it, and is there again for the next', async () => {
    const waiting = ask('wait')
    const dying = ask('die')
    await expect(Promise.allSettled([waiting, dying])).resolves.toMatchObject([
      { status: 'rejected' },
      { status: 'rejected' }
    ])
    expect((await ask('b')).value).toBe('b')
  })
  it('takes no more than can wait', async () => {
    const crowd = new Lane('long', file)
    const waiting = Array.from({ length: 200 }, () =>
      (crowd.run('judgeJob', ['wait']) as unknown as Promise<unknown>).catch(() => undefined)
    )
    expect(() => crowd.run('judgeJob', ['one more'])).toThrow(/busy with long work/)
    const last = Array.from(waiting).at(-1)
    expect(last).toBeInstanceOf(Promise)
  })
  it('that nobody waits for lets everything else go first, and slows nothing but itself', async () => {
    const program = join(folder, 'behind.mjs')
    const { code } = transformSync(readFileSync('server/heavy/thread.ts', 'utf8'), { loader: 'ts' })
    writeFileSync(
      program,
      `${code}
      import { getPriority } from 'node:os'
      import { parentPort } from 'node:worker_threads'
      standBehind()
      parentPort.postMessage({ lane: laneHere, priority: getPriority() })`
    )
    const before = getPriority()
    const thread = new Worker(program, { workerData: { umbrette: 'behind' } })
    expect(await once(thread, 'message')).toEqual([{ lane: 'behind', priority: 19 }])
    expect(getPriority()).toBe(before)
  })
})
