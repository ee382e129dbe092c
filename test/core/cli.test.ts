import { writeAssessment } from '../../words/en'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import { assess, type Assessment, pathsOf } from '../../core/paths'
import { chainRates, estimate } from '../../core/estimate'
import { readJob } from '../../core/record'
import { FINDINGS, NUMERIC_KINDS, type Reading } from '../../core/readings'
import { partKindOf } from '../../core/sheet'
import { openingOf, suspectsOf } from '../../core/views/suspects'
import { jobOf, read } from '../support/jobs'
import { changed, SHEETS, sheet } from '../support/sheets'

const folder = mkdtempSync(join(tmpdir(), 'umbrette-assess-'))
afterAll(() => rmSync(folder, { recursive: true }))

function file(name: string, content: unknown): string {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}

/** Runs the command as its users do. */
function command(...paths: string[]): Promise<{ code: number | null; out: string; err: string }> {
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', 'assess', '--', ...paths])
    let [out, err] = ['', '']
    child.stdout.on('data', (data: Buffer) => (out += data.toString()))
    child.stderr.on('data', (data: Buffer) => (err += data.toString()))
    child.on('close', (code) =>
      resolve({
        code,
        out,
        err: err
          .split('\n')
          .filter((line) => !line.startsWith('npm '))
          .join('\n')
          .trim()
      })
    )
  })
}

describe('the assess command', () => {
  const good = jobOf([read.extension(12), read.lag('cam-in', 3)])
  const drive = (change: (draft: any) => void) => ({ ...good, drive: changed(good.drive, change) })

  it('prints what the core says, a line a file, and exits 0', async () => {
    const { code, out, err } = await command(file('a.json', good), file('b.json', jobOf([])))
    expect([code, err]).toEqual([0, ''])
    const [first, second] = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Assessment)
    expect(first).toEqual(JSON.parse(JSON.stringify(writeAssessment(good, assess(good)))))
    expect(second!.format).toBe('umbrette-assessment')
  })

  it('names file and place of each fault on a line of its own, prints the others, and exits 2', async () => {
    const broken = [
      file('text.json', 'no json'),
      file('empty.json', ''),
      file('list.json', []),
      file('sheet.json', sheet('ardmere-a18')),
      file('later.json', { ...good, version: 9 }),
      file('kind.json', jobOf([{ kind: 'smell', value: 1 } as never])),
      file('sigma.json', jobOf([{ ...read.extension(9), sigma: -1 }])),
      file('value.json', jobOf([{ ...read.extension(9), value: '9' } as never])),
      file('ghost.json', jobOf([read.groove('ghost', 1)])),
      file('teeth.json', { ...good, drive: { ...good.drive, sprockets: [] } }),
      join(folder, 'not-there.json'),
      file('half.json', JSON.stringify(good).slice(0, 900)),
      file('nan.json', JSON.stringify(jobOf([read.extension(9)])).replace('"value":9', '"value":NaN')),
      file('huge.json', jobOf([{ ...read.extension(9), value: 1e300 }])),
      file('null.json', 'null'),
      file('school.json', { ...good, school: 'guesswork' }),
      file(
        'zero.json',
        drive((d) => (d.sprockets[0].teeth = 0))
      ),
      file(
        'overlap.json',
        drive((d) => (d.sprockets[1].centre = d.sprockets[2].centre))
      ),
      file(
        'twice.json',
        drive((d) => (d.rails[1].id = 'guide'))
      ),
      file(
        'driver.json',
        drive((d) => (d.chains[0].path = ['arm', 'cam-ex', 'cam-in', 'guide']))
      ),
      file(
        'sum.json',
        drive((d) => (d.chains[0].counts[0].links = 50))
      ),
      file(
        'circle.json',
        drive((d) => (d.operations[0].requires = ['front-cover']))
      ),
      file('finding.json', jobOf([read.found('guide', 'haunted')])),
      file('format.json', { ...good, format: 'another' })
    ]
    expect(broken.length).toBeGreaterThan(20)
    const { code, out, err } = await command(...broken, file('good.json', good))
    expect(code).toBe(2)
    expect(out.trim().split('\n')).toHaveLength(1)
    for (const path of broken) expect(err.split('\n').filter((line) => line.startsWith(path)).length).toBeGreaterThan(0)
    for (const line of err.split('\n')) expect(line.length).toBeLessThan(420)
    expect(err).not.toMatch(/\bat .*\.(ts|js):\d+/)
    expect(err).toMatch(/kind\.json: readings\[0\]\.kind: expected extension or /)
    expect(err).toMatch(/ghost\.json: readings\[0\]\.rail: "ghost" is no rail/)
  })

  it('a reading that cannot be true is no fault of the file: it is named in faults', async () => {
    const { code, out } = await command(file('odd.json', jobOf([read.groove('guide', -1), read.extension(12)])))
    expect(code).toBe(0)
    expect((JSON.parse(out) as Assessment).faults).toEqual([
      {
        index: 0,
        id: expect.stringMatching(/^r-/),
        code: 'below-0',
        figures: expect.anything(),
        message: expect.stringMatching(/below 0/)
      }
    ])
  })

  it('without a file says how it is called', async () =>
    expect(await command()).toMatchObject({ code: 2, err: expect.stringMatching(/usage/) }))
})

describe('any readings at all', () => {
  const figure = fc.oneof(
    fc.double({ min: -50, max: 50, noNaN: true }),
    fc.constantFrom(0, 53, 20, 73, 160, 160.5, 161, 1e6, -1e6),
    fc.integer({ min: -5, max: 60 })
  )
  const reading = (id: (typeof SHEETS)[number]) => {
    const { sprockets, rails, tensioners, chains, phasers } = sheet(id)
    const one = (parts: readonly { id: string }[]) =>
      fc.constantFrom(...(parts.length ? parts.map((p) => p.id) : ['none']))
    return fc
      .record({
        kind: fc.constantFrom(...NUMERIC_KINDS),
        value: figure,
        turnedForward: fc.boolean(),
        sprocket: one(sprockets),
        rail: one(rails),
        tensioner: one(tensioners),
        chain: one(chains),
        phaser: one(phasers),
        from: one(sprockets),
        to: one(sprockets),
        links: fc.integer({ min: 1, max: 150 })
      })
      .map(({ kind, value, turnedForward, sprocket, rail, tensioner, chain, phaser, from, to, links }): Reading => {
        const targets = {
          extension: { tensioner },
          groove: { rail },
          padWear: { tensioner },
          camLag: { sprocket },
          linkCount: { chain, from, to },
          chainLength: { chain, links },
          chainCompare: { chain, links },
          phaserPlay: { phaser }
        }
        return { kind, value, turnedForward, ...targets[kind] } as Reading
      })
  }

  const finding = (id: (typeof SHEETS)[number]) => {
    const drive = sheet(id)
    const targets = [...drive.chains, ...drive.rails, ...drive.tensioners, ...drive.phasers, ...drive.sprockets].map(
      (p) => p.id
    )
    return fc
      .constantFrom(...targets, 'oil', 'fasteners', 'engine')
      .chain((target) =>
        fc
          .constantFrom(...Object.keys(FINDINGS[partKindOf(drive, target)!]))
          .map((words): Reading => ({ kind: 'condition', target, finding: words, count: 2 }))
      )
  }
  const allFinite = (value: unknown) => {
    const numbers: number[] = []
    JSON.stringify(value, (_key, entry: unknown) => (typeof entry === 'number' && numbers.push(entry), entry))
    expect(numbers.every(Number.isFinite)).toBe(true)
  }

  it.each(SHEETS)('on %s end in assessment, suspects, paths and rates without a throw and without NaN', (id) => {
    const usage = fc.constantFrom(0, 1, 90_000, 1e7)
    fc.assert(
      fc.property(
        fc.array(fc.oneof(reading(id), finding(id)), { maxLength: 9 }),
        usage,
        fc.constantFrom('whole-set', 'on-evidence', 'weighed'),
        (readings, value, school) => {
          const { job } = readJob(jobOf(readings, { drive: sheet(id), usage: { value, unit: 'km' }, school }))
          if (!job) return
          const estimates = estimate(job)
          allFinite([assess(job), suspectsOf(job, estimates), openingOf(job, estimates), chainRates(job, estimates)])
          if (id !== 'vellora-v28') allFinite(pathsOf(job, estimates))
        }
      ),
      { numRuns: 30 }
    )
  })

  it('a sheet with anything changed in it is refused with its place or computed, never thrown at', () => {
    const base = sheet('ardmere-a18')
    const places: string[][] = []
    const walk = (value: unknown, path: string[]) => {
      places.push(path)
      if (value !== null && typeof value === 'object')
        for (const [key, entry] of Object.entries(value)) walk(entry, [...path, key])
    }
    walk(base, [])
    const odd = fc.constantFrom<unknown>(null, undefined, 0, -1, 1e9, 0.5, '', 'cam-in', [], {}, true, NaN)
    fc.assert(
      fc.property(fc.constantFrom(...places.slice(1)), odd, (path, value) => {
        const drive = changed(base, (d) =>
          path.reduce((at, key, i) => (i === path.length - 1 ? (at[key] = value) : at[key]), d)
        )
        const { job, faults } = readJob(jobOf([read.extension(12), read.lag('cam-in', 3)], { drive }))
        if (job) allFinite(assess(job))
        else for (const fault of faults) expect(fault.place).toMatch(/^drive/)
      }),
      { numRuns: 400 }
    )
  })
})
