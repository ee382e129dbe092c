import { describe, expect, it } from 'vitest'
import {
  chainPicture,
  colouredLinksReturn,
  camsOf,
  drivenSprockets,
  stageOf,
  touchingRails,
  trailBehind,
  turningOf
} from '../../core/drive'
import { PRACTICE_SHEETS } from '../../demo/workshop'
import { stagedEngine } from '../support/engines'

const drives = PRACTICE_SHEETS.flatMap((sheet) =>
  sheet.chains.map((chain) => {
    const picture = chainPicture(
      sheet,
      chain,
      { elongation: 0.003, wear: touchingRails(sheet, chain).map(() => 0.2), padWear: 0 },
      camsOf(sheet, chain).map(() => 0)
    )!
    return { name: `${sheet.id} ${chain.id}`, sheet, chain, picture, turned: turningOf(sheet, chain, picture) }
  })
)
const off = (a: readonly [number, number], b: readonly [number, number]) => Math.hypot(a[0] - b[0], a[1] - b[1])

describe.each(drives)('turning $name', ({ sheet, chain, picture, turned }) => {
  const driver = sheet.sprockets.find(({ id }) => id === chain.driver)!
  const speed = Math.abs(stageOf(sheet, chain).speed)
  const teeth = driver.teeth * speed
  it('stands at 0 as in the picture it is made from', () => {
    turned(0).pins.forEach((pin, i) => expect(off(pin, picture.pins[i]!)).toBeLessThan(1e-6))
  })
  it('a crank turn brings every pin to where the one so many teeth ahead stood', () => {
    const { pins } = turned(360)
    pins.forEach((pin, i) => expect(off(pin, picture.pins[(i + teeth) % chain.links]!)).toBeLessThan(1e-6))
  })
  it('cams turn half as fast as the crank, all in their direction, and pins stay in the teeth', () => {
    const { pins, angles } = turned(37)
    const sense = sheet.rotation === 'clockwise' ? -1 : 1
    expect(angles[chain.driver]).toBeCloseTo(37 * speed * sense, 9)
    for (const { id, centre, radius, teeth: z, pinAngle, gear } of picture.sprockets) {
      const { turns, teeth = 1 } = sheet.sprockets.find((one) => one.id === id)!
      const driver = picture.sprockets.find((one) => one.id === chain.driver)!.teeth
      // What is no cam turns as its teeth say.
      const by = turns ? Math.abs(37 * speed * (driver / teeth)) : 18.5
      if (id !== chain.driver) expect(Math.abs(angles[id]!)).toBeCloseTo(by, 9)
      // A gear turns against the chain, and no pin lies on it.
      expect(Math.sign(angles[id]!)).toBe(gear ? -sense : sense)
      if (gear) continue
      const seated = pins.filter(([x, y]) => Math.abs(Math.hypot(x - centre[0], y - centre[1]) - radius) < 1e-6)
      expect(seated.length).toBeGreaterThan(2)
      for (const [x, y] of seated) {
        const gaps = ((Math.atan2(y - centre[1], x - centre[0]) * 180) / Math.PI - pinAngle - angles[id]!) / (360 / z)
        expect(Math.abs(gaps - Math.round(gaps))).toBeLessThan(0.02)
      }
    }
  })
  it('coloured links stand at the marks again after as many turns as the core says, and not after one', () => {
    const back = turned(360 * colouredLinksReturn(sheet, chain)).pins
    back.forEach((pin, i) => expect(off(pin, picture.pins[i]!)).toBeLessThan(1e-3))
    expect(off(turned(720).pins[0]!, picture.pins[0]!)).toBeGreaterThan(1)
  })
  it('against the running direction it goes back the way it came', () => {
    turned(-360).pins.forEach((pin, i) =>
      expect(off(pin, picture.pins[(i - teeth + chain.links) % chain.links]!)).toBeLessThan(1e-6)
    )
  })
})

describe.each(['chain', 'gears'] as const)('an engine whose cam chain is driven by %s', (by) => {
  const sheet = stagedEngine(5, by)
  const pictures = sheet.chains.map((chain) => ({
    chain,
    turned: turningOf(
      sheet,
      chain,
      chainPicture(
        sheet,
        chain,
        { elongation: 0, wear: touchingRails(sheet, chain).map(() => 0), padWear: 0 },
        drivenSprockets(sheet, chain).map(() => 0)
      )!
    )
  }))
  it('turns sprockets of one shaft together, and every cam once in two crank turns', () => {
    const angles = pictures.map(({ turned }) => turned(720).angles)
    const all = Object.assign({}, ...angles) as Record<string, number>
    for (const { id, shaft } of sheet.sprockets)
      for (const other of sheet.sprockets)
        if (shaft !== undefined && other.shaft === shaft) expect(all[id]).toBeCloseTo(all[other.id]!, 6)
    const { chain } = pictures.at(-1)!
    for (const cam of drivenSprockets(sheet, chain)) expect(Math.abs(all[cam]!)).toBeCloseTo(360, 6)
  })
  it('the chain of each stage keeps its links apart while it runs', () => {
    for (const { chain, turned } of pictures) {
      const { pins } = turned(123)
      pins.forEach((pin, i) => expect(off(pin, pins[(i + 1) % pins.length]!)).toBeLessThan(1.02 * chain.pitch))
      expect(pins).toHaveLength(chain.links)
    }
  })
})

describe('slack and a loose phaser', () => {
  it('kick-back stands out on its strand only', () => {
    const { turned, chain } = drives[0]!
    const [from, to] = chain.path.filter((id) => id.startsWith('cam')) as [string, string]
    const [taut, loose] = [turned(0).pins, turned(0, { from, to, sag: 6 }).pins]
    const moved = taut.map((pin, i) => off(pin, loose[i]!))
    expect(Math.max(...moved)).toBeGreaterThan(4)
    expect(moved.filter((by) => by > 1e-9).length).toBeLessThan(chain.links / 3)
  })
  it('a loose cam falls back while it lifts and snaps over behind the lobe', () => {
    expect(trailBehind(0, 4)).toBe(0)
    expect(trailBehind(70, 4)).toBeGreaterThan(0.85)
    expect(trailBehind(89.9, 4)).toBeLessThan(0.02)
    expect(trailBehind(-20, 4)).toBeCloseTo(trailBehind(70, 4), 9)
  })
})
