import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sheetFaults } from '../../core/drive'
import { randomness } from '../../core/math'
import {
  chainRounds,
  compareTraces,
  CsvReader,
  decodeOnSheet,
  decodeTrace,
  type GoodTrace,
  goodOf,
  learnTriggers,
  readWav,
  shownOf,
  traceAgain,
  type Samples,
  type Trace,
  triggersOf
} from '../../core/trace'
import type { DriveSheet } from '../../core/sheet'
import { simulatedScope } from '../../demo/scopeSource'
import { DEMO_SHEETS } from '../../demo/workshop'
import { changed, sheet } from '../support/sheets'
import { makeTrace, type MadeTrace, type TraceWish } from '../support/traces'

const ardmere = sheet('ardmere-a18')

function read({ triggers, samples }: MadeTrace, rounds: Record<string, number> = {}): Trace {
  const found = decodeTrace(triggers, samples, { rounds })
  if ('code' in found) throw new Error(found.code)
  return found
}
const codes = ({ faults }: Trace) => faults.map(({ code }) => code)

/** A made trace with its channels changed. */
function with_(made: MadeTrace, change: (channels: Map<string, Float32Array>) => void): MadeTrace {
  const channels = new Map([...made.samples.channels].map(([name, list]) => [name, Float32Array.from(list)]))
  change(channels)
  return { ...made, samples: { ...made.samples, channels } }
}

const QUICK: TraceWish = { rate: 50_000, seconds: 0.8 }

describe('lag from a trace of crank and cams', () => {
  it('is right to a few hundredths of a degree, whatever wheel, sensor, speed and rate', () => {
    for (let seed = 0; seed < 24; seed++) {
      const made = makeTrace(randomness(31 * seed + 5), { rate: seed % 2 ? 20_000 : 50_000 })
      const { cams } = read(made)
      for (const [cam, lag] of Object.entries(made.lag)) {
        expect(Math.abs(cams[cam]!.lag - lag)).toBeLessThan(0.12)
        expect(Math.abs(cams[cam]!.lag - lag)).toBeLessThan(6 * cams[cam]!.error + 0.03)
      }
    }
  })
  it('speed, turns and how much the lag spreads stand with it', () => {
    const made = makeTrace(randomness(3), { ...QUICK, rpm: 800 })
    const { rpm, turns, cams } = read(made)
    expect(Math.abs(rpm.mean - 800)).toBeLessThan(16)
    expect(rpm.low).toBeLessThan(rpm.high)
    expect(turns).toBeGreaterThan(9)
    expect(cams['cam-in']!.spread).toBeLessThan(0.2)
  })
  it('what repeats with the chain is told, and nothing where nothing does', () => {
    const wish = { rate: 50_000, seconds: 2.4, rpm: 900, sensor: 'hall' } as const
    const rounds = { 'cam-in': 7, 'cam-ex': 7 }
    const { waver } = read(makeTrace(randomness(8), { ...wish, waver: [0.8, 7] }), rounds).cams['cam-in']!
    expect(Math.abs(waver!.amplitude - 0.8)).toBeLessThan(0.1)
    expect(waver!.turns).toBe(7)
    expect(read(makeTrace(randomness(8), wish), rounds).cams['cam-in']!.waver).toBeNull()
    // Hardly more than one round of the chain tells nothing.
    const short = makeTrace(randomness(8), { ...wish, seconds: 0.7, waver: [0.8, 7] })
    expect(read(short, rounds).cams['cam-in']!.waver).toBeNull()
  })
})

describe('a trace kept as good', () => {
  const samplesOf = (engine: DriveSheet, shift: Record<string, number>, seed: number) => {
    const reader = new CsvReader()
    reader.push(new TextEncoder().encode(simulatedScope(engine, { shift }, seed)!))
    const found = reader.end()
    if ('code' in found) throw new Error(found.code)
    return found
  }
  const goodTrace = (engine: DriveSheet, samples: Samples): GoodTrace => {
    const found = goodOf(engine, samples)
    if ('code' in found) throw new Error(found.code)
    return found
  }
  const lagsOf = (engine: DriveSheet, samples: Samples) => {
    const found = decodeOnSheet(engine, samples, null)
    if ('code' in found) throw new Error(found.code)
    return found.cams
  }

  it('later ones are late against it: what its own wheels were off drops out', () => {
    const good = goodTrace(ardmere, samplesOf(ardmere, { 'cam-in': 1.4 }, 3))
    const against = { ...ardmere, triggers: good.triggers }
    expect(Math.abs(lagsOf(against, samplesOf(ardmere, { 'cam-in': 1.4 }, 4))['cam-in']!.lag)).toBeLessThan(0.15)
    expect(lagsOf(against, samplesOf(ardmere, { 'cam-in': 7.4 }, 5))['cam-in']!.lag).toBeCloseTo(6, 0)
    expect(sheetFaults(against)).toEqual([])
    expect(good.error).toBeLessThan(0.2)
  })
  it('shows the wheels of an engine whose sheet has none', () => {
    const bare = changed(ardmere, (draft) => void Reflect.deleteProperty(draft, 'triggers'))
    const { triggers } = goodTrace(bare, samplesOf(ardmere, {}, 3))
    const late = lagsOf({ ...bare, triggers }, samplesOf(ardmere, { 'cam-ex': 4 }, 6))
    expect(late['cam-ex']!.lag).toBeCloseTo(4, 0)
    expect(Math.abs(late['cam-in']!.lag)).toBeLessThan(0.3)
  })
  it('cycle by cycle a trace has the lag that it has as a whole, and its speed', () => {
    const { cams, speeds, rpm, turns } = read(makeTrace(randomness(3), { ...QUICK, rpm: 800 }))
    for (const { lag, cycles } of Object.values(cams)) {
      const mean = cycles.reduce((sum, cycle) => sum + cycle.lag, 0) / cycles.length
      expect(Math.abs(mean - lag)).toBeLessThan(0.05)
      expect(cycles.at(-1)!.turn).toBeLessThanOrEqual(turns)
    }
    expect(Math.max(...speeds.map((one) => one.rpm))).toBe(rpm.high)
  })
})

describe('what is odd about a trace is found and said', () => {
  const hall = makeTrace(randomness(14), { ...QUICK, sensor: 'hall', wheel: [60, [58, 59]] })
  const lagOf = (trace: Trace) => trace.cams['cam-in']!.lag

  it('a crank or a cam signal the wrong way up', () => {
    const crank = read(
      with_(hall, (channels) =>
        channels.set(
          'crank',
          channels.get('crank')!.map((v) => 5 - v)
        )
      )
    )
    expect(codes(crank)).toContain('crank-inverted')
    expect(Math.abs(lagOf(crank) - hall.lag['cam-in']!)).toBeLessThan(0.2)
    const cam = read(
      with_(hall, (channels) =>
        channels.set(
          'cam-in',
          channels.get('cam-in')!.map((v) => 5 - v)
        )
      )
    )
    expect(codes(cam)).toEqual(['cam-inverted'])
    expect(Math.abs(lagOf(cam) - hall.lag['cam-in']!)).toBeLessThan(0.2)
  })
  it('swapped channels', () => {
    const swapped = read(
      with_(hall, (channels) => {
        const [a, b] = [channels.get('cam-in')!, channels.get('cam-ex')!]
        channels.set('cam-in', b).set('cam-ex', a)
      })
    )
    expect(codes(swapped)).toContain('cams-swapped')
    expect(Math.abs(lagOf(swapped) - hall.lag['cam-in']!)).toBeLessThan(0.2)
  })
  it('teeth that fail leave their turn out, and the rest stands', () => {
    const gone = read(with_(hall, (channels) => channels.get('crank')!.fill(0, 12_000, 14_000)))
    expect(gone.left.turns).toBe(1)
    expect(codes(gone)).toContain('turns-left')
    expect(Math.abs(lagOf(gone) - hall.lag['cam-in']!)).toBeLessThan(0.15)
  })
  it('spikes, a level that drifts and one that is clipped change nothing', () => {
    const drifting = read(
      with_(hall, (channels) => {
        for (const list of channels.values())
          list.forEach((v, i) => (list[i] = Math.min(4.4, v) + (2 * i) / list.length))
        for (let k = 0; k < 40; k++) channels.get('crank')![997 * k + 13]! += k % 2 ? 9 : -9
      })
    )
    expect(Math.abs(lagOf(drifting) - hall.lag['cam-in']!)).toBeLessThan(0.2)
  })
  it('one edge alone that is off is a damaged wheel, not the chain', () => {
    const { triggers } = hall
    const [first, ...rest] = triggers.cams['cam-in']!
    const bent = { ...triggers, cams: { ...triggers.cams, 'cam-in': [[first![0] + 4, first![1]] as const, ...rest] } }
    const found = read({ ...hall, triggers: bent })
    expect(found.faults).toContainEqual(expect.objectContaining({ code: 'edge-damaged' }))
    expect(Math.abs(lagOf(found) - hall.lag['cam-in']!)).toBeLessThan(0.2)
  })
  it('what cannot be decoded is refused, never guessed', () => {
    const refusal = (made: MadeTrace) => decodeTrace(made.triggers, made.samples)
    const noise = randomness(5)
    expect(refusal(with_(hall, (c) => c.get('crank')!.fill(1)))).toMatchObject({ code: 'flat-signal' })
    expect(refusal(with_(hall, (c) => c.get('cam-in')!.fill(1)))).toMatchObject({ code: 'flat-signal' })
    expect(
      refusal(
        with_(hall, (c) =>
          c.set(
            'crank',
            c.get('crank')!.map(() => noise.normal(1))
          )
        )
      )
    ).toHaveProperty('code')
    expect(refusal(with_(hall, (c) => void c.delete('cam-ex')))).toMatchObject({ code: 'no-channel' })
    expect(refusal(with_(hall, (c) => void c.delete('crank')))).toMatchObject({ code: 'no-crank' })
    const other = { ...hall, triggers: { ...hall.triggers, crank: { ...hall.triggers.crank, teeth: 36, gaps: [35] } } }
    expect(refusal(other)).toMatchObject({ code: 'no-pattern' })
    const strange = {
      ...hall,
      triggers: {
        ...hall.triggers,
        cams: {
          ...hall.triggers.cams,
          'cam-in': [
            [3, 9],
            [50, 55]
          ] as const
        }
      }
    }
    expect(refusal(strange)).toMatchObject({ code: 'no-cam', figures: { cam: 'cam-in' } })
  })
})

const bytes = (text: string) => new TextEncoder().encode(text)
function csv(text: string, piece = 1000, rate?: number) {
  const reader = new CsvReader()
  const all = bytes(text)
  for (let at = 0; at < all.length; at += piece) reader.push(all.subarray(at, at + piece))
  return reader.end(rate)
}
const table = (rows: number, row: (i: number) => string, head = 'time_s,crank,cam-in') =>
  `${head}\n${Array.from({ length: rows }, (_, i) => row(i)).join('\n')}\n`

describe('against a good trace', () => {
  const lag = { 'cam-in': 7.4, 'cam-ex': -1.2 }
  const pair = (seed: number, wish: TraceWish) => ({
    good: makeTrace(randomness(seed), { ...wish, lag: { 'cam-in': 0, 'cam-ex': 0 } }),
    now: makeTrace(randomness(seed), { ...wish, lag })
  })
  const against = (triggers: MadeTrace['triggers'] | null, { good, now }: ReturnType<typeof pair>) => {
    const found = compareTraces(triggers, good.samples, now.samples, Object.keys(lag))
    if ('code' in found) throw new Error(found.code)
    return found
  }
  it('the wheels are learnt from it where the sheet has none: any gaps, either sensor', () => {
    for (const sensor of ['hall', 'inductive'] as const)
      for (const wheel of [
        [60, [58, 59]],
        [36, [35]],
        [60, [28, 29, 58, 59]],
        [36, [16, 17, 35]]
      ] as const) {
        const { cams, faults } = against(null, pair(40 + wheel[0], { ...QUICK, seconds: 1.2, sensor, wheel, rpm: 900 }))
        for (const [cam, told] of Object.entries(lag)) expect(Math.abs(cams[cam]!.lag - told)).toBeLessThan(0.1)
        expect(faults.map(({ code }) => code)).toEqual([])
      }
  })
  it('with wheels on the sheet what the good one was off is taken off', () => {
    const both = pair(5, QUICK)
    const worn = { ...both, good: makeTrace(randomness(5), { ...QUICK, lag: { 'cam-in': 2, 'cam-ex': 1 } }) }
    const { cams } = against(both.now.triggers, worn)
    expect(cams['cam-in']!.lag).toBeCloseTo(5.4, 0)
    expect(cams['cam-ex']!.lag).toBeCloseTo(-2.2, 0)
    expect(cams['cam-in']!.error).toBeGreaterThan(read(both.now).cams['cam-in']!.error)
  })
  it('a good trace without a gap that comes round teaches nothing', () => {
    const even = makeTrace(randomness(2), { ...QUICK, wheel: [40, []] })
    expect(learnTriggers(even.samples, ['cam-in'])).toMatchObject({ code: 'no-wheel' })
    expect(learnTriggers({ rate: 1, channels: new Map() }, [])).toMatchObject({ code: 'no-crank' })
  })
})

describe('files of samples', () => {
  it('CSV in pieces of any size, with points or commas, times in ms, exponents, units in a second line', () => {
    for (const piece of [1, 7, 4096]) {
      const plain = csv(
        table(200, (i) => `${(i / 1000).toFixed(5)},${i % 2 ? -1.25 : 3e-1},${i}`),
        piece
      ) as Samples
      expect(plain.rate).toBeCloseTo(1000, 3)
      expect([...plain.channels.keys()]).toEqual(['crank', 'cam-in'])
      expect([...plain.channels.get('crank')!.subarray(0, 2)].map((v) => Number(v.toFixed(4)))).toEqual([0.3, -1.25])
    }
    const german = csv(
      table(150, (i) => `${String(i / 10).replace('.', ',')};${i},5`, 'Zeit (ms);crank'),
      64
    ) as Samples
    expect(german.rate).toBeCloseTo(10_000, 2)
    expect(german.channels.get('crank')![3]).toBeCloseTo(3.5, 6)
    const units = csv(table(150, (i) => `${i / 100},${i}`, 'Time,crank\n(s),(V)')) as Samples
    expect(units.rate).toBeCloseTo(100, 3)
    expect(units.channels.get('crank')).toHaveLength(150)
  })
  it('what is damaged or tells no rate is refused with what to do', () => {
    const rows = (i: number) => `${i / 1000},1,2`
    expect(csv('')).toMatchObject({ code: 'no-columns' })
    expect(csv('1,2,3\n4,5,6\n')).toMatchObject({ code: 'no-columns' })
    expect(csv(table(10, rows))).toMatchObject({ code: 'few-samples' })
    expect(csv(table(200, (i) => `${i},1`, 'a,crank'))).toMatchObject({ code: 'no-time' })
    expect(
      csv(
        table(200, (i) => `${i},1`, 'a,crank'),
        99,
        5000
      )
    ).toMatchObject({ rate: 5000 })
    expect(csv(table(200, () => '1,1,2'))).toMatchObject({ code: 'time-stands' })
    expect(csv(table(200, (i) => rows(i < 100 ? i : 3 * i)))).toMatchObject({ code: 'uneven-time' })
    expect(csv(table(200, (i) => (i === 150 ? '0.15,oops,2' : rows(i))))).toMatchObject({
      code: 'bad-row',
      figures: { row: 152 }
    })
    expect(csv(table(200, (i) => (i === 150 ? '0.15,1' : rows(i))))).toMatchObject({ code: 'bad-row' })
  })
  it('WAV of each kind, and none that only looks like one', () => {
    const made = (kind: number, bits: number, write: (view: DataView, at: number, value: number) => void) => {
      const count = 200
      const view = new DataView(new ArrayBuffer(44 + (count * 2 * bits) / 8))
      bytes('RIFF').forEach((b, i) => view.setUint8(i, b))
      bytes('WAVEfmt ').forEach((b, i) => view.setUint8(8 + i, b))
      view.setUint32(16, 16, true)
      view.setUint16(20, kind, true)
      view.setUint16(22, 2, true)
      view.setUint32(24, 48_000, true)
      view.setUint16(34, bits, true)
      bytes('data').forEach((b, i) => view.setUint8(36 + i, b))
      view.setUint32(40, (count * 2 * bits) / 8, true)
      for (let i = 0; i < count; i++)
        for (const k of [0, 1]) write(view, 44 + ((2 * i + k) * bits) / 8, k ? -0.5 : 0.25)
      return new Uint8Array(view.buffer)
    }
    const kinds = [
      made(1, 8, (view, at, v) => view.setUint8(at, 128 + 128 * v)),
      made(1, 16, (view, at, v) => view.setInt16(at, 0x8000 * v, true)),
      made(1, 24, (view, at, v) => {
        view.setUint16(at, (0x800000 * v) & 0xffff, true)
        view.setInt8(at + 2, (0x800000 * v) >> 16)
      }),
      made(1, 32, (view, at, v) => view.setInt32(at, 0x80000000 * v, true)),
      made(3, 32, (view, at, v) => view.setFloat32(at, v, true))
    ]
    for (const file of kinds) {
      const { rate, channels } = readWav(file) as Samples
      expect(rate).toBe(48_000)
      expect([channels.get('1')![7], channels.get('2')![7]]).toEqual([0.25, -0.5])
    }
    expect(readWav(bytes('RIFF'))).toMatchObject({ code: 'no-wav' })
    expect(readWav(kinds[1]!.map((b, i) => (i === 36 ? 0 : b)))).toMatchObject({ code: 'no-wav' })
    expect(readWav(made(7, 16, () => undefined))).toMatchObject({ code: 'wav-kind' })
  })
})

describe('a trace kept beside its readings', () => {
  const long = makeTrace(randomness(8), {
    ...{ rate: 20_000, seconds: 20, rpm: 900, wheel: [60, [58, 59]] },
    lag: { 'cam-in': 6.3 },
    waver: [0.6, 7]
  })

  it('is drawn again from what was kept, thinned where it is long', () => {
    const trace = read(long, { 'cam-in': 7 })
    const { 'cam-in': cam } = trace.cams
    const shown = shownOf(trace, cam!)
    expect(shown.lags.length).toBeLessThanOrEqual(120)
    expect(shown.lags[0]![0]).toBe(cam!.cycles[0]!.turn)
    const again = traceAgain({
      'cam-in': { ...cam!, turns: trace.turns, rpm: trace.rpm.mean, waver: cam!.waver!, shown }
    })!
    expect(again.cams['cam-in']).toMatchObject({ lag: cam!.lag, waver: cam!.waver })
    for (const [i, own] of again.cams['cam-in']!.own.entries()) expect(own).toBeCloseTo(cam!.own[i]!, 2)
    expect(again.speeds.at(-1)!.turn).toBeGreaterThan(0.9 * trace.speeds.at(-1)!.turn)
    expect(again.rpm.low).toBeGreaterThan(0)
  })

  it('says no waver that was kept without its place, and nothing without a cam', () => {
    const trace = read(long, { 'cam-in': 7 })
    const { 'cam-in': cam } = trace.cams
    const kept = { ...cam!, turns: 300, rpm: 800, waver: { amplitude: 1, turns: 7 }, shown: shownOf(trace, cam!) }
    expect(traceAgain({ 'cam-in': kept })!.cams['cam-in']!.waver).toBeNull()
    expect(traceAgain({})).toBeNull()
  })
})

describe('trigger wheels on a sheet', () => {
  const wheels = { crank: { teeth: 60, missing: 2, first: 78 }, cams: { 'cam-in': [[20, 90]], 'cam-ex': [[60, 130]] } }
  it('are part of it, name its cams, and say how often its chain comes round', () => {
    const fitted = changed(ardmere, (d) => Object.assign(d, { triggers: wheels }))
    expect(sheetFaults(fitted)).toEqual([])
    expect(triggersOf(fitted)!.crank).toMatchObject({ gaps: [58, 59], sensor: 'hall' })
    expect(triggersOf(changed(ardmere, (d) => void delete d.triggers))).toBeNull()
    for (const { triggers } of DEMO_SHEETS) expect(triggers).toBeDefined()
    expect(chainRounds(fitted)['cam-in']).toBeCloseTo(ardmere.chains[0]!.links / 18, 9)
    const strange = changed(ardmere, (d) => Object.assign(d, { triggers: { ...wheels, cams: { ghost: [[1, 2]] } } }))
    expect(sheetFaults(strange)).toMatchObject([{ place: 'triggers.cams.ghost', code: 'no-sprocket' }])
    for (const cams of [{ 'cam-in': [[1]] }, { 'cam-in': [] }, { 'cam-in': 'high' }])
      expect(sheetFaults(changed(ardmere, (d) => Object.assign(d, { triggers: { ...wheels, cams } }))).length).toBe(1)
  })
})

describe('the command', () => {
  let folder = ''
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'umbrette-trace-'))
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const made = makeTrace(randomness(22), { rate: 20_000, seconds: 0.8, sensor: 'hall', wheel: [36, [35]] })
  const kept = (name: string, text: string) => {
    writeFileSync(join(folder, name), text)
    return join(folder, name)
  }
  const sheetFile = () => {
    const { crank, cams } = made.triggers
    const triggers = { crank: { teeth: 36, missing: 1, first: crank.first, sensor: 'hall' }, cams }
    return kept('sheet.json', JSON.stringify({ ...ardmere, triggers }))
  }
  const trace = (...given: string[]) => spawnSync('node', ['cli/trace.mjs', ...given], { encoding: 'utf8' })

  it('prints one line with each cam’s lag, its columns named by the sheet or put to them', () => {
    const lists = ['crank', 'cam-in', 'cam-ex'].map((name) => made.samples.channels.get(name)!)
    const text = (head: string) =>
      `${head}\n${[...lists[0]!.keys()].map((i) => [(i / 20_000).toFixed(5), ...lists.map((list) => list[i]!.toFixed(2))].join(',')).join('\n')}\n`
    const plain = trace(sheetFile(), kept('t.csv', text('time_s,crank,cam-in,cam-ex')))
    expect(plain.stderr).toBe('')
    const { cams, format } = JSON.parse(plain.stdout) as Trace & { format: string }
    expect(format).toBe('umbrette-trace')
    expect(Math.abs(cams['cam-in']!.lag - made.lag['cam-in']!)).toBeLessThan(0.15)
    const bare = kept('bare.json', JSON.stringify(changed(ardmere, (d) => void delete d.triggers)))
    const itself = trace(bare, join(folder, 't.csv'), '--good', join(folder, 't.csv'))
    expect(itself.stderr).toBe('')
    for (const { lag } of Object.values((JSON.parse(itself.stdout) as Trace).cams))
      expect(Math.abs(lag)).toBeLessThan(0.01)
    const put = trace(sheetFile(), kept('u.csv', text('t,A,B,C')), '--map', 'crank=A,cam-in=B,cam-ex=C')
    expect((JSON.parse(put.stdout) as Trace).cams).toEqual(cams)
  })
  it('says in one line what stands in the way, and ends with 2', () => {
    for (const given of [
      [],
      [sheetFile()],
      [sheetFile(), join(folder, 'nowhere.csv')],
      [join(folder, 'bare.json'), join(folder, 't.csv')],
      [join(folder, 'bare.json'), join(folder, 't.csv'), '--good', join(folder, 'nowhere.csv')],
      [join(folder, 'bare.json'), join(folder, 't.csv'), '--good'],
      [sheetFile(), kept('short.csv', 'time_s,crank\n0,1\n')],
      [sheetFile(), kept('bad.wav', 'RIFF')],
      [kept('no.json', '{'), join(folder, 'x.csv')],
      [sheetFile(), join(folder, 'x.csv'), '--map', 'crank']
    ]) {
      const { status, stdout, stderr } = trace(...given)
      expect([given, status, stdout]).toEqual([given, 2, ''])
      expect(stderr.trim().length).toBeGreaterThan(10)
      expect(stderr).not.toMatch(/node:internal|\.ts:|Error:/)
    }
  })
})
