import { compareTraces, CsvReader, decodeTrace } from '../core/trace'
import { randomness } from '../core/math'
import { makeTrace, type MadeTrace, type TraceWish } from '../test/support/traces'

/** How well and how fast traces are decoded: made traces of known truth, 150 or as many as are named behind. */

const wanted = Number(process.argv[2] ?? 150)

function report(name: string, errors: readonly number[], refused: number): void {
  const sorted = [...errors].sort((a, b) => a - b)
  const at = (share: number) =>
    (sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN).toFixed(4)
  console.log(
    `${name.padEnd(36)} ${sorted.length}  median ${at(0.5)}°  95 % ${at(0.95)}°  largest ${at(1)}°  refused ${refused}`
  )
}

function runPlain(): void {
  const errors: number[] = []
  let refused = 0
  for (let seed = 0; seed < wanted; seed++) {
    const made = makeTrace(randomness(1009 * seed + 3))
    const found = decodeTrace(made.triggers, made.samples)
    if ('code' in found) refused++
    else for (const [cam, lag] of Object.entries(made.lag)) errors.push(Math.abs(found.cams[cam]!.lag - lag))
  }
  report('by the wheels on the sheet', errors, refused)
}

function runGood(): void {
  const errors: number[] = []
  let refused = 0
  for (let seed = 0; seed < wanted; seed++) {
    const roll = randomness(77 * seed + 5)
    const lag = { 'cam-in': roll.between(-15, 20), 'cam-ex': roll.between(-3, 12) }
    const wish: TraceWish = { sensor: roll.pick(['hall', 'inductive'] as const), rate: 50_000, seconds: 1.5 }
    const good = makeTrace(randomness(seed), { ...wish, lag: { 'cam-in': 0, 'cam-ex': 0 } })
    const now = makeTrace(randomness(seed), { ...wish, lag })
    const found = compareTraces(null, good.samples, now.samples, Object.keys(lag))
    if ('code' in found) refused++
    else for (const [cam, told] of Object.entries(lag)) errors.push(Math.abs(found.cams[cam]!.lag - told))
  }
  report('against a good one, wheels learnt', errors, refused)
}

function csvOf({ samples: { rate, channels } }: MadeTrace): Buffer {
  const lists = [...channels.values()]
  const head = `time_s,${[...channels.keys()].join(',')}\n`
  const row = (i: number) => `${(i / rate).toFixed(6)},${lists.map((list) => list[i]!.toFixed(3)).join(',')}\n`
  return Buffer.from(head + Array.from(lists[0]!, (_, i) => row(i)).join(''))
}

function runSpeed(): void {
  const made = makeTrace(randomness(1), { rate: 500_000, seconds: 10, sensor: 'hall' })
  const mb = () => process.memoryUsage().rss / 1e6
  const times: number[] = []
  let early = 0
  for (let i = 0; i < 20; i++) {
    const started = performance.now()
    decodeTrace(made.triggers, made.samples)
    times.push(performance.now() - started)
    if (i === 4) early = mb()
  }
  const plain = performance.now()
  let sum = 0
  for (let pass = 0; pass < 4; pass++)
    for (const list of made.samples.channels.values()) for (const value of list) sum += value
  const read = (performance.now() - plain) / 4
  const usual = times.sort((a, b) => a - b)[10]!
  console.log(
    `5 million samples of 3 channels           ${usual.toFixed(0)} ms, ${(usual / read).toFixed(1)} times reading them (${sum > 0 ? read.toFixed(0) : 0} ms); memory after 20 ${(mb() / early).toFixed(2)} times that after 5`
  )
  const csv = csvOf(makeTrace(randomness(2), { rate: 200_000, seconds: 5, sensor: 'hall' }))
  const started = performance.now()
  const reader = new CsvReader()
  for (let at = 0; at < csv.length; at += 1 << 20) reader.push(csv.subarray(at, at + (1 << 20)))
  const found = reader.end()
  const took = performance.now() - started
  console.log(
    `CSV of ${(csv.length / 1e6).toFixed(0)} MB                              ${'code' in found ? found.code : `${(csv.length / 1e3 / took).toFixed(0)} MB/s`}`
  )
}

runPlain()
runGood()
runSpeed()
