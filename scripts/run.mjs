// Small helpers of the start script: running programs and telling the user. Node's own modules only, as nothing may be
// installed yet.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'

/** Ends the script with a message for the user and no stack trace. */
export class Stop extends Error {
  constructor(message, code = 1) {
    super(message)
    this.code = code
  }
}

export function say(message) {
  console.log(message)
}

/**
 * Runs a program to its end. Output goes to the terminal, or is collected with `quiet`; `input` is what it reads, which
 * no list of processes shows.
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, { quiet = false, input, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: [input === undefined ? 'ignore' : 'pipe', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
      ...options
    })
    child.stdin?.on('error', () => undefined).end(input)
    let output = ''
    child.stdout?.on('data', (data) => (output += data))
    child.stderr?.on('data', (data) => (output += data))
    child.on('error', reject)
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}

/** Runs a program and stops with its output when it fails. */
export async function must(what, command, args, options) {
  const { code, output } = await run(command, args, options)
  if (code !== 0)
    throw new Stop(`${what} failed.${output ? `\n${output.trim().split('\n').slice(-15).join('\n')}` : ''}`)
  return output
}

/**
 * Runs one of our programs on a database, with what it reads; what it says went wrong ends this one too.
 * @param {string} url
 * @param {string} file of the program
 * @param {unknown} input given to it as JSON, which no list of processes shows
 * @param {string} otherwise what is said where it fails
 */
export async function runWithDatabase(url, file, input, otherwise) {
  const { code, output } = await run('npx', ['--no-install', 'tsx', file], {
    quiet: true,
    input: JSON.stringify(input),
    env: { ...process.env, DATABASE_URL: url, UMBRETTE_LOG: 'silent' }
  })
  if (code === 0) return output
  const said = output.split('\n').filter((line) => line.trim() && !line.startsWith('npm '))
  throw new Stop(`${otherwise}\n${said.slice(-5).join('\n')}`)
}

/** A port that nothing listens on at 127.0.0.1: the one wished for, else the first from `first` on. */
export async function freePort(first, wished) {
  if (wished && (await isFree(wished))) return wished
  for (let port = first; port < first + 100; port++) if (await isFree(port)) return port
  throw new Stop(`No free port between ${first} and ${first + 99}.`)
}

function isFree(port) {
  return new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen({ port, host: '127.0.0.1', exclusive: true }, () => server.close(() => resolve(true)))
  })
}

/**
 * Is a process of this number alive, and does its command line hold these words? Numbers are given out again after a
 * while.
 */
export async function isRunning(pid, words) {
  if (!pid) return false
  const { code, output } = await run('ps', ['-ww', '-o', 'args=', '-p', String(pid)], { quiet: true }).catch(() => ({
    code: 1,
    output: ''
  }))
  return code === 0 && output.includes(words)
}

/** Calls `check` until it is true; false after `seconds`. */
export async function until(check, seconds, every = 100) {
  const end = Date.now() + seconds * 1000
  while (Date.now() < end) {
    if (await check()) return true
    await new Promise((resolve) => setTimeout(resolve, every))
  }
  return false
}
