import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { until } from '../../scripts/run.mjs'
import { runningServer, stopServer } from '../../scripts/server.mjs'
import { read } from '../support/jobs'
import { ask, type OwnWorkshop, signIn, takeInJob, told } from '../browser/ownWorkshop'

/** What ending `./umbrette run` hard, and its server under it, came to. */
export interface ForegroundOutcome {
  kills: { run: number; server: number }
  acknowledged: number
  missing: string[]
  /** Servers that answered on the workshop's address at the end, beside the one that runs. */
  leftBehind: number
  /** Did it end with its children when it was told to? */
  ended: boolean
}

/**
 * Hard-kills the program that runs a workshop, and in turn the server under it, while entries come in; as a service
 * does, it is begun again. Then it is told to end.
 * @param own a workshop whose server is not running
 */
export async function killForeground(own: OwnWorkshop, kills: number, port: number): Promise<ForegroundOutcome> {
  const outcome: ForegroundOutcome = {
    kills: { run: 0, server: 0 },
    acknowledged: 0,
    missing: [],
    leftBehind: 0,
    ended: false
  }
  const begin = () =>
    spawn(process.execPath, [join('test', 'support', 'runner.mjs'), own.folder, own.database, String(port)], {
      stdio: ['ignore', 'pipe', 'ignore']
    })
  let running: ChildProcess = begin()
  const server = async () => {
    let found: Awaited<ReturnType<typeof runningServer>> = null
    await until(async () => {
      found = await runningServer(own.folder, 'own')
      return found !== null && (await answers(found.address))
    }, 60)
    if (!found) throw new Error('no server came back')
    return found as { pid: number; address: string }
  }
  const { address } = await server()
  const cookies = await signIn(address, 'Ada')
  const job = await takeInJob(address, cookies)
  const kept: string[] = []
  for (let i = 0; i < kills; i++) {
    const id = randomUUID()
    const now = await server()
    await told(
      ask(now.address, `api/jobs/${job}/acts`, cookies, {
        id,
        type: 'read',
        by: 'Ada',
        at: '2026-11-26T08:00:00.000Z',
        reading: read.groove('guide', 0.4)
      })
    )
    kept.push(id)
    if (i % 2 === 0) {
      outcome.kills.server++
      process.kill(now.pid, 'SIGKILL')
      await until(async () => (await runningServer(own.folder, 'own'))?.pid !== now.pid, 60)
    } else {
      outcome.kills.run++
      running.kill('SIGKILL')
      running = begin()
    }
  }
  const last = await server()
  const { acts } = await told<{ acts: { act: { id: string } }[] }>(ask(last.address, `api/jobs/${job}`, cookies))
  const standing = new Set(acts.map(({ act }) => act.id))
  outcome.acknowledged = kept.length
  outcome.missing = kept.filter((id) => !standing.has(id))
  for (let other = port; other < port + 10; other++)
    if (`http://127.0.0.1:${other}/` !== last.address && (await answers(`http://127.0.0.1:${other}/`)))
      outcome.leftBehind++
  // Told before it says that it runs, it would end as any program does.
  if (running.stdout!.readableLength === 0) await new Promise((said) => running.stdout!.once('readable', said))
  const over = new Promise((done) => running.once('exit', done))
  running.kill('SIGTERM')
  await over
  outcome.ended = (await runningServer(own.folder, 'own')) === null && !(await answers(last.address))
  await stopServer(own.folder, 'own')
  return outcome
}

async function answers(address: string): Promise<boolean> {
  return fetch(`${address}api/health`, { signal: AbortSignal.timeout(1500) }).then(
    ({ ok }) => ok,
    () => false
  )
}
