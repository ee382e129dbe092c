// Every check: lint, types, unit, component and server tests, the build, and the browser tests on it.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromiumProgram, hasProgram, installDebian } from './packages.mjs'
import { ensurePostgres } from './postgres.mjs'
import { run, say } from './run.mjs'

/** Runs all checks and ends with `N passed, N failed`. @returns {Promise<number>} exit code */
export async function test(dataFolder) {
  await ensurePostgres()
  if (!hasProgram('pdftotext')) await installDebian(['poppler-utils'], 'the PDF tools that read reports back')
  if (!hasProgram('certutil')) await installDebian(['libnss3-tools'], 'what tells a browser whom to trust')
  if (!chromiumProgram()) await installDebian(['chromium'], 'Chromium')
  const results = join(dataFolder, 'results')
  rmSync(results, { recursive: true, force: true })
  mkdirSync(results, { recursive: true })
  const unit = join(results, 'unit.json')
  const browser = join(results, 'browser.json')
  const env = {
    ...process.env,
    CHROMIUM: chromiumProgram(),
    PLAYWRIGHT_JSON_OUTPUT_NAME: browser,
    NUXT_TELEMETRY_DISABLED: '1',
    FORCE_COLOR: '0'
  }
  delete env.DATABASE_URL

  // Each of the two keeps one core busy, mostly.
  const checks = await Promise.all([
    check('lint', 'npm', ['run', '--silent', 'lint'], env),
    check('types', 'npm', ['run', '--silent', 'typecheck'], env)
  ])
  const counts = [
    ...checks,
    await suite(
      'unit, component and server tests',
      ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
      env,
      () => vitestCounts(unit)
    ),
    await suite('browser tests', ['playwright', 'test', '--reporter=list,json'], env, () => playwrightCounts(browser))
  ]
  const passed = counts.reduce((sum, count) => sum + count.passed, 0)
  const failed = counts.reduce((sum, count) => sum + count.failed, 0)
  say(`${passed} passed, ${failed} failed`)
  return failed === 0 ? 0 : 1
}

/** A check that counts as one; what it says is said when it is done, as others run beside it. */
async function check(name, command, args, env) {
  const { code, output } = await run(command, args, { env, quiet: true })
  say(`\n== ${name}\n${output.trim() || 'as it should be'}`)
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 }
}

/** A test runner; one that fails without a failing test (it could not start, say) counts as a failure too. */
async function suite(name, args, env, read) {
  say(`\n== ${name}`)
  const { code } = await run('npx', ['--no-install', ...args], { env })
  const { passed, failed } = read()
  return { passed, failed: code !== 0 || passed === 0 ? Math.max(failed, 1) : failed }
}

function vitestCounts(file) {
  if (!existsSync(file)) return { passed: 0, failed: 0 }
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(file, 'utf8'))
  return { passed: numPassedTests, failed: Math.max(numFailedTests, numFailedTestSuites > 0 ? 1 : 0) }
}

function playwrightCounts(file) {
  if (!existsSync(file)) return { passed: 0, failed: 0 }
  const { stats } = JSON.parse(readFileSync(file, 'utf8'))
  return { passed: stats.expected, failed: stats.unexpected + stats.flaky }
}
