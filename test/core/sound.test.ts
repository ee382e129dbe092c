import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { randomness } from '../../core/math'
import { beatsOf, compareHeard, type Heard, listen } from '../../core/sound'
import { readWav, writeWav } from '../../core/trace'
import { sheet } from '../support/sheets'
import { makeSound, type MadeSound, type SoundWish } from '../support/sounds'

function heard({ signal, rate, beats }: MadeSound): Heard {
  const found = listen(signal, rate, beats)
  if ('code' in found) throw new Error(found.code)
  return found
}
const made = (seed: number, wish: SoundWish = {}) => makeSound(randomness(seed), { rate: 22_050, seconds: 9, ...wish })

describe('speed by the firing order', () => {
  it('is right within a per cent for three to eight cylinders, even and rising', () => {
    for (const [i, cylinders] of [3, 4, 6, 8].entries())
      for (const rpm of [
        [780, 780],
        [900, 1900]
      ] as const) {
        const one = made(40 + i, { cylinders, rpm })
        const { rpm: found } = heard(one)
        for (const at of ['low', 'mean', 'high'] as const)
          expect(Math.abs(found[at] / one.rpm[at] - 1)).toBeLessThan(0.012)
      }
  })
  it('noise as loud as the engine changes nothing of it', () => {
    const one = made(7, { signalToNoise: 0, rpm: [850, 850] })
    expect(Math.abs(heard(one).rpm.mean / 850 - 1)).toBeLessThan(0.01)
  })
})

describe('clatter', () => {
  it('its seconds to quiet, and none where it stays', () => {
    for (const quiet of [1.8, 4.2]) {
      const { quietAfter, clatter } = heard(made(11, { quiet, rhythm: 'cam', clatter: 0.3, signalToNoise: 12 }))
      expect(Math.abs(quietAfter! - quiet)).toBeLessThan(0.3)
      expect(clatter).toBeGreaterThan(0.5)
    }
    const always = heard(made(12, { quiet: null, rhythm: 'cam', clatter: 0.3 }))
    expect(always.quietAfter).toBeNull()
    expect(always.clatter).toBeGreaterThan(0.5)
    const none = heard(made(13, { quiet: null, rhythm: 'cam', clatter: 0, signalToNoise: 6 }))
    expect(none.quietAfter).toBeNull()
    expect(none.clatter).toBeLessThan(0.3)
  })
  it('what it keeps time with is named first', () => {
    for (const rhythm of ['crank', 'cam', 'chain', 'teeth'] as const)
      for (const seed of [21, 22]) {
        const { rhythms } = heard(made(seed, { rhythm, quiet: null, clatter: 0.3, signalToNoise: 10 }))
        expect([rhythm, rhythms[0]?.of]).toEqual([rhythm, rhythm])
        expect(rhythms[0]!.strength).toBeGreaterThan(0.1)
      }
  })
})

describe('clatter that is hardly louder than the noise', () => {
  it('goes when its rhythm does, which is named by where it is kept', () => {
    let [gone, named] = [0, 0]
    const [wish, seeds] = [{ signalToNoise: 2, quiet: 3.4, clatter: 0.3, cylinders: 4, rhythm: 'chain' }, 6] as const
    for (let seed = 0; seed < seeds; seed++) {
      const { quietAfter, rhythms } = heard(made(300 + seed, wish))
      if (quietAfter !== null && Math.abs(quietAfter - 3.4) < 0.4) gone++
      if (rhythms[0]?.of === 'chain') named++
    }
    expect(gone).toBeGreaterThanOrEqual(seeds - 1)
    expect(named).toBeGreaterThanOrEqual(seeds - 1)
  })
  it('that stays goes on to the end', () => {
    const stays = heard(made(320, { signalToNoise: 2, quiet: null, clatter: 0.3, cylinders: 4, rhythm: 'cam' }))
    expect(stays.quietAfter).toBeNull()
    expect(stays.rhythms[0]!.of).toBe('cam')
  })
})

describe('before beside after', () => {
  it('is compared at the speeds that both have, whatever the microphone was set to', () => {
    const wish: SoundWish = { cylinders: 4, quiet: null, rhythm: 'cam', signalToNoise: 25 }
    const loud = made(12, { ...wish, rpm: [800, 800], clatter: 0.3 })
    const calm = made(12, { ...wish, rpm: [800, 1400], clatter: 0.02 })
    const soft = { ...loud, signal: loud.signal.map((value) => 0.3 * value) }
    const { decibels, high } = compareHeard(heard(loud), heard(calm))!
    expect(decibels).toBeLessThan(-4)
    expect(high).toBeLessThanOrEqual(900)
    expect(Math.abs(compareHeard(heard(loud), heard(soft))!.decibels)).toBeLessThan(0.5)
    expect(compareHeard(heard(loud), heard(made(13, { ...wish, rpm: [1500, 1500] })))).toBeNull()
  })
})

describe('a recording that tells nothing', () => {
  const code = (signal: Float32Array, rate = 22_050) => {
    const found = listen(signal, rate, { cylinders: 4, round: 7, teeth: 18 })
    return 'code' in found ? found.code : 'heard'
  }
  it('is refused with what to do, never guessed', () => {
    expect(code(new Float32Array(22_050 * 4))).toBe('silence')
    expect(code(new Float32Array(22_050))).toBe('short-recording')
    expect(code(new Float32Array(22_050 * 301))).toBe('long-recording')
    expect(code(new Float32Array(20_000), 4000)).toBe('slow-rate')
    const roll = randomness(4)
    expect(code(Float32Array.from({ length: 22_050 * 6 }, () => roll.normal(0.2)))).toBe('no-engine')
  })
  it('a clipped one is heard, and said to be clipped', () => {
    const one = made(31)
    const loud = { ...one, signal: one.signal.map((value) => Math.max(-1, Math.min(1, 4 * value))) }
    expect(heard(loud).faults).toMatchObject([{ code: 'clipped' }])
  })
})

describe('a recording as a file', () => {
  it('is read back as it was written', () => {
    const signal = Float32Array.from({ length: 400 }, (_, i) => 0.8 * Math.sin(i / 7))
    const back = readWav(writeWav(signal, 22_050))
    if ('code' in back) throw new Error(back.code)
    expect(back.rate).toBe(22_050)
    back.channels.get('1')!.forEach((value, i) => expect(Math.abs(value - signal[i]!)).toBeLessThan(1e-4))
  })
})

describe('the command', () => {
  let folder = ''
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'umbrette-sound-'))
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const kept = (name: string, content: string | Uint8Array) => {
    writeFileSync(join(folder, name), content)
    return join(folder, name)
  }
  const sound = (...given: string[]) => spawnSync('node', ['cli/sound.mjs', ...given], { encoding: 'utf8' })

  it('prints one line of what was heard', () => {
    const ardmere = sheet('ardmere-a18')
    expect(beatsOf(ardmere)).toEqual({ cylinders: 4, round: 7, teeth: 18 })
    const one = made(5, { cylinders: 4, rpm: [800, 800], quiet: 3, rhythm: 'crank', clatter: 0.3 })
    const { stdout, stderr } = sound(
      kept('sheet.json', JSON.stringify(ardmere)),
      kept('engine.wav', writeWav(one.signal, one.rate))
    )
    expect(stderr).toBe('')
    const line = JSON.parse(stdout) as Heard & { format: string; version: number }
    expect(line).toMatchObject({ format: 'umbrette-sound', version: 1, faults: [] })
    expect(Math.abs(line.rpm.mean - 800)).toBeLessThan(8)
    expect(Math.abs(line.quietAfter! - 3)).toBeLessThan(0.3)
    expect(line.rhythms[0]!.of).toBe('crank')
  })
  it('says in one line what stands in the way, and ends with 2', () => {
    const own = kept('own.json', JSON.stringify(sheet('ardmere-a18')))
    for (const given of [
      [],
      [own],
      [own, join(folder, 'nowhere.wav')],
      [own, kept('words.wav', 'no sound at all')],
      [own, kept('silence.wav', writeWav(new Float32Array(100_000), 22_050))],
      [kept('no.json', '{'), join(folder, 'engine.wav')]
    ]) {
      const { status, stdout, stderr } = sound(...given)
      expect([given, status, stdout]).toEqual([given, 2, ''])
      expect(stderr.trim().split('\n')).toHaveLength(1)
      expect(stderr).not.toMatch(/node:internal|\.ts:|Error:/)
    }
  })
})
