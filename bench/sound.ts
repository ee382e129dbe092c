import { randomness } from '../core/math'
import { listen } from '../core/sound'
import { makeSound } from '../test/support/sounds'

/** How well and how fast recordings are heard: made engines of known truth, 60 or as many as are named behind. */

const wanted = Number(process.argv[2] ?? 60)

function run(name: string, wish: (share: number) => Parameters<typeof makeSound>[1]): void {
  let [speed, quiet, rhythm, refused, ms, seconds] = [0, 0, 0, 0, 0, 0]
  for (let seed = 0; seed < wanted; seed++) {
    const made = makeSound(randomness(91 * seed + 7), wish(seed / wanted))
    const started = performance.now()
    const heard = listen(made.signal, made.rate, made.beats)
    ms += performance.now() - started
    seconds += made.signal.length / made.rate
    if ('code' in heard) {
      refused++
      continue
    }
    const off = (['low', 'mean', 'high'] as const).map((at) => Math.abs(heard.rpm[at] / made.rpm[at] - 1))
    if (Math.max(...off) <= 0.01) speed++
    const both = heard.quietAfter !== null && made.quiet !== null
    if (both ? Math.abs(heard.quietAfter! - made.quiet!) <= 0.3 : heard.quietAfter === made.quiet) quiet++
    if (heard.rhythms[0]?.of === made.rhythm) rhythm++
  }
  const share = (of: number) => `${((100 * of) / wanted).toFixed(0)} %`
  console.log(
    `${name.padEnd(14)} ${wanted}  speed within 1 % ${share(speed)}  quiet within 0.3 s ${share(quiet)}  strongest rhythm right ${share(rhythm)}  refused ${refused}  a minute takes ${((ms / seconds) * 0.06).toFixed(2)} s`
  )
}

run('as recorded', () => ({}))
run('0 to 20 dB', (share) => ({ signalToNoise: 20 * share }))
run('at 0 dB', () => ({ signalToNoise: 0, clatter: 0.35 }))
