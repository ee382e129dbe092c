import { chownSync, existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { connect, createServer, type Server, type Socket } from 'node:net'
import { dirname, join } from 'node:path'
import pg from 'pg'
import { installDebian, postgresPrograms } from '../scripts/packages.mjs'
import { asOwner, clusterOf, startPostgres } from '../scripts/postgres.mjs'
import { freePort } from '../scripts/run.mjs'

/** A database with a replica that has all that is acknowledged, and a pooler before both. */
export interface Pair {
  /** The first, as its owner reaches it. */
  first: string
  /** Through the pooler: by transaction, and by session for the connection that listens. */
  pooled: string
  listening: string
  /** Makes the replica the first, and sends the pooler there. */
  takeOver(): Promise<void>
  stop(): Promise<void>
}

const POOLER = '/usr/sbin/pgbouncer'

/** @param folder where the first keeps what it knows; the replica and the pooler stand beside its cluster */
export async function startPair(folder: string): Promise<Pair> {
  if (!existsSync(POOLER)) await installDebian(['pgbouncer'], 'the pooler')
  const first = new URL(await startPostgres(folder))
  const cluster = clusterOf(folder)
  const owner = statSync(cluster.data)
  const beside = (name: string) => join(dirname(cluster.data), name)
  const programs = postgresPrograms()!
  const asPostgres = async (command: string, args: string[]) => {
    const { code } = await asOwner(command, args, { owner: null }, 'ignore')
    if (code !== 0) throw new Error(`${command} ended with ${code}`)
  }

  const replica = beside('replica')
  const port = await freePort(54600)
  await asPostgres(join(programs, 'pg_basebackup'), [
    '-D',
    replica,
    '-R',
    '-X',
    'stream',
    '-c',
    'fast',
    '-d',
    first.href
  ])
  const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c synchronous_standby_names=''`
  const control = (...args: string[]) => asPostgres(join(programs, 'pg_ctl'), ['-D', replica, '-w', ...args])
  await control('-l', beside('replica.log'), '-o', options, 'start')
  const db = new pg.Client({ connectionString: first.href })
  await db.connect()
  // Acknowledged is only what the replica has too. What takes too long is ended by the role, as no pooler passes it on.
  await db.query(`alter system set synchronous_standby_names = '*'`)
  await db.query('select pg_reload_conf()')
  await db.query(`alter role umbrette set statement_timeout = '15s'`)
  await db.end()

  const pooler = beside('pooler')
  mkdirSync(pooler)
  chownSync(pooler, owner.uid, owner.gid)
  const poolPort = await freePort(54700)
  const ini = join(pooler, 'pgbouncer.ini')
  const write = (name: string, text: string) => {
    writeFileSync(join(pooler, name), text, { mode: 0o600 })
    chownSync(join(pooler, name), owner.uid, owner.gid)
  }
  const pointAt = (at: string | number) => write('pgbouncer.ini', poolerSettings(pooler, poolPort, at))
  write('users.txt', `"umbrette" "${cluster.password}"\n`)
  pointAt(first.port)
  await asPostgres(POOLER, ['-q', '-d', ini])
  const pid = () => Number(readFileSync(join(pooler, 'pid'), 'utf8'))
  const through = (name: string) =>
    Object.assign(new URL(first.href), { port: String(poolPort), pathname: `/${name}` }).href

  return {
    first: first.href,
    pooled: through('workshop'),
    listening: through('listening'),
    async takeOver() {
      await control('promote')
      pointAt(port)
      process.kill(pid(), 'SIGHUP')
    },
    async stop() {
      process.kill(pid(), 'SIGTERM')
      await control('-m', 'fast', 'stop')
    }
  }
}

const poolerSettings = (folder: string, port: number, at: string | number) => `[databases]
workshop = host=127.0.0.1 port=${at} dbname=postgres pool_mode=transaction
listening = host=127.0.0.1 port=${at} dbname=postgres pool_mode=session
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = scram-sha-256
auth_file = ${join(folder, 'users.txt')}
pidfile = ${join(folder, 'pid')}
logfile = ${join(folder, 'log')}
ignore_startup_parameters = extra_float_digits,statement_timeout
default_pool_size = 20
server_login_retry = 1
server_connect_timeout = 2
`

/** One address before several servers: each connection goes to the next one that takes it. */
export async function oneAddress(
  servers: readonly number[],
  first: number
): Promise<{ address: string; door: Server }> {
  let turn = 0
  const pass = (from: Socket, tries: number): void => {
    if (tries === servers.length) return void from.destroy()
    const to = connect(servers[turn++ % servers.length]!, '127.0.0.1')
    to.once('error', () => pass(from, tries + 1))
    to.once('connect', () => {
      to.removeAllListeners('error')
      to.on('error', () => from.destroy())
      from.pipe(to).pipe(from)
      from.on('close', () => to.destroy())
    })
  }
  const door = createServer((from) => {
    from.on('error', () => undefined)
    pass(from, 0)
  })
  const port = await freePort(first)
  await new Promise<void>((done) => door.listen(port, '127.0.0.1', done))
  return { address: `http://127.0.0.1:${port}/`, door }
}

/** Waits until a database no longer answers: so many times in a row, so many ms apart. */
export async function untilGone(url: string, times = 3, apart = 300): Promise<void> {
  for (let missed = 0; missed < times;) {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 1000 })
    const answers = await client.connect().then(
      () => client.query('select 1').then(Boolean),
      () => false
    )
    missed = answers ? 0 : missed + 1
    await client.end().catch(() => undefined)
    await new Promise((done) => setTimeout(done, apart))
  }
}
