import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import { assess, type Assessment } from '../../core/assess'
import { readJob } from '../../core/job/readJob'
import { NUMERIC_KINDS } from '../../core/readings/kinds'
import type { Reading } from '../../core/readings/types'
import { jobOf, read } from '../support/jobs'
import { SHEETS, sheet } from '../support/sheets'

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
    child.on('close', (code) => resolve({ code, out, err: err.split('\n').filter((line) => !line.startsWith('npm ')).join('\n').trim() }))
  })
}

describe('the assess command', () => {
  const good = jobOf([read.extension(12), read.lag('cam-in', 3)])

  it('prints what the core says, a line a file, and exits 0', async () => {
    const { code, out, err } = await command(file('a.json', good), file('b.json', jobOf([])))
    expect([code, err]).toEqual([0, ''])
    const [first, second] = out.trim().split('\n').map((line) => JSON.parse(line) as Assessment)
    expect(first).toEqual(assess(good))
    expect(second!.format).toBe('umbrette-assessment')
  })

  it('names file and place of each fault on a line of its own, prints the others, and exits 2', async () => {
    const broken = [
      file('text.json', 'no json'), file('empty.json', ''), file('list.json', []), file('sheet.json', sheet('ardmere-a18')),
      file('later.json', { ...good, version: 9 }), file('kind.json', jobOf([{ kind: 'smell', value: 1 } as never])),
      file('sigma.json', jobOf([{ ...read.extension(9), sigma: -1 }])), file('value.json', jobOf([{ ...read.extension(9), value: '9' } as never])),
      file('ghost.json', jobOf([read.groove('ghost', 1)])), file('teeth.json', { ...good, drive: { ...good.drive, sprockets: [] } }), join(folder, 'not-there.json')
    ]
    const { code, out, err } = await command(...broken, file('good.json', good))
    expect(code).toBe(2)
    expect(out.trim().split('\n')).toHaveLength(1)
    for (const path of broken) expect(err).toContain(path)
    expect(err).not.toMatch(/\bat .*\.(ts|js):\d+/)
    expect(err).toMatch(/kind\.json: readings\[0\]\.kind: expected extension or /)
    expect(err).toMatch(/ghost\.json: readings\[0\]\.rail: "ghost" is no rail/)
  })

  it('a reading that cannot be true is no fault of the file: it is named in faults', async () => {
    const { code, out } = await command(file('odd.json', jobOf([read.groove('guide', -1), read.extension(12)])))
    expect(code).toBe(0)
    expect((JSON.parse(out) as Assessment).faults).toEqual([{ index: 0, message: expect.stringMatching(/below 0/) }])
  })

  it('without a file says how it is called', async () => expect(await command()).toMatchObject({ code: 2, err: expect.stringMatching(/usage/) }))
})

describe('any readings at all', () => {
  const figure = fc.oneof(fc.double({ min: -50, max: 50, noNaN: true }), fc.constantFrom(0, 53, 20, 73, 160, 160.5, 161, 1e6, -1e6), fc.integer({ min: -5, max: 60 }))
  const reading = (id: (typeof SHEETS)[number]) => {
    const { sprockets, rails, tensioners, chains, phasers } = sheet(id)
    const one = (parts: readonly { id: string }[]) => fc.constantFrom(...(parts.length ? parts.map((p) => p.id) : ['none']))
    return fc.record({
      kind: fc.constantFrom(...NUMERIC_KINDS), value: figure, turnedForward: fc.boolean(), sprocket: one(sprockets), rail: one(rails), tensioner: one(tensioners),
      chain: one(chains), phaser: one(phasers), from: one(sprockets), to: one(sprockets), links: fc.integer({ min: 1, max: 150 })
    }).map(({ kind, value, turnedForward, sprocket, rail, tensioner, chain, phaser, from, to, links }): Reading => {
      const targets = { extension: { tensioner }, groove: { rail }, padWear: { tensioner }, camLag: { sprocket }, linkCount: { chain, from, to }, chainLength: { chain, links }, chainCompare: { chain, links }, phaserPlay: { phaser } }
      return { kind, value, turnedForward, ...targets[kind] }
    })
  }

  it.each(SHEETS)('on %s end in an assessment without a throw and without NaN', (id) => {
    fc.assert(fc.property(fc.array(reading(id), { maxLength: 9 }), (readings) => {
      const { job } = readJob(jobOf(readings, { drive: sheet(id) }))
      if (!job) return
      const numbers: number[] = []
      JSON.stringify(assess(job), (_key, value: unknown) => (typeof value === 'number' && numbers.push(value), value))
      expect(numbers.every(Number.isFinite)).toBe(true)
    }), { numRuns: 40 })
  })
})
