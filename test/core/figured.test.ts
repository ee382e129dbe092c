import { describe, expect, it } from 'vitest'
import { estimate } from '../../core/estimate'
import { assess } from '../../core/paths'
import { cylinderPattern, readingStructureFaults, withIds, type Of, type Reading } from '../../core/readings'
import { partKindOf, supersededBy } from '../../core/sheet'
import { partsAt, stationOfFinding } from '../../core/views/bench'
import { namesOf, sayReason } from '../../words/en'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const gannet = sheet('gannet-g90')
const ardmere = sheet('ardmere-a18')
const quillon = sheet('quillon-q40')
const found = read.found
const callOf = (readings: Reading[], part: string, drive = gannet) => {
  const call = assess(jobOf(readings, { drive })).calls.find((c) => c.part === part)!
  return { ...call, said: call.reasons.map((reason) => sayReason(reason, namesOf(drive))).join(' ') }
}

describe('findings that come with a figure', () => {
  it.each([
    ['the spring is short', found('tensioner', 'spring-length', { value: 58 }), 'tensioner', 'renew'],
    ['the spring is long enough', found('tensioner', 'spring-length', { value: 63 }), 'tensioner', 'look-closer'],
    ['a solenoid is above its limit', found('oil', 'solenoid-ohms', { value: 11 }), 'oil', 'renew'],
    ['a solenoid is below its limit', found('oil', 'solenoid-ohms', { value: 2 }), 'oil', 'renew'],
    ['a solenoid is within both', found('oil', 'solenoid-ohms', { value: 7 }), 'oil', 'back-in'],
    ['oil pressure is low', found('engine', 'oil-pressure-idle', { value: 0.3 }), 'engine', 'look-closer'],
    ['vacuum is right', found('engine', 'vacuum-figure', { value: 66 }), 'engine', 'back-in']
  ] as const)('%s: held against the sheet', (_name, reading, part, call) => {
    const { call: made, said } = callOf([reading], part)
    expect(made).toBe(call)
    expect(said).toMatch(/limit .*: (past|within) it\./)
  })

  it('without a limit on the sheet a figure passes nothing', () => {
    const { call, said } = callOf([found('oil', 'solenoid-ohms', { value: 7 })], 'oil', ardmere)
    expect(call).toBe('look-closer')
    expect(said).toMatch(/no limit for it/)
  })

  it.each([
    ['a figure that it is nothing without', found('oil', 'solenoid-ohms'), 'value'],
    ['a figure where there is none', found('guide', 'cracked', { value: 3 }), 'value'],
    ['a figure that nobody could read', found('engine', 'vacuum-figure', { value: 400 }), 'value'],
    ['no cylinder', found('engine', 'compression-figure', { value: 11 }), 'cylinder'],
    ['a cylinder that the engine has not', found('engine', 'leak-down', { value: 11, cylinder: 3 }), 'cylinder']
  ])('%s is refused at its field', (_name, reading, place) =>
    expect(readingStructureFaults(gannet, reading)[0]!.place).toBe(place)
  )
})

describe('cylinders together', () => {
  const figures = (values: readonly number[], finding = 'compression-figure') =>
    withIds(values.map((value, i) => found('engine', finding, { value, cylinder: i + 1 })))
  const four = changed(ardmere, (d) =>
    d.limits.push({ kind: 'compression', value: 10, unit: 'bar', source: 'sample sheet' })
  )

  it.each([
    [[12, 12.1, 11.8, 12], 'even'],
    [[6, 6.2, 5.9, 6], 'all-low'],
    [[12, 12.1, 6, 12], 'one-low'],
    [[12, 5, 5.2, 12], 'neighbours-low'],
    [[5, 12, 5.2, 12], 'some-low']
  ] as const)('%j is %s', (values, pattern) => {
    expect(cylinderPattern(four, figures(values))).toMatchObject({ pattern, complete: true })
  })

  it('leak-down reads the other way round', () => {
    expect(cylinderPattern(ardmere, figures([4, 5, 40, 6], 'leak-down'))).toMatchObject({
      pattern: 'one-low',
      low: [3]
    })
  })

  it('one cylinder tells nothing, the last figure of one holds, and without a limit it is not complete', () => {
    expect(cylinderPattern(ardmere, figures([12]))).toBeNull()
    const again = withIds([...figures([12, 6]), found('engine', 'compression-figure', { value: 12, cylinder: 2 })])
    expect(cylinderPattern(ardmere, again)).toMatchObject({ pattern: 'even', complete: false })
  })

  it('all sound releases a jump as compression found sound does, some left out does not', () => {
    const jumped = [read.extension(8), read.lag('cam-in', -19), read.lag('cam-ex', 0.5)]
    const call = (more: Reading[]) =>
      assess(jobOf([...jumped, ...more], { drive: four })).calls.find(({ part }) => part === 'cam-in')!.call
    expect(call([])).toBe('stop')
    expect(call(figures([12, 12, 12]))).toBe('stop')
    expect(call(figures([12, 12, 12, 12]))).toBe('look-closer')
    expect(call(figures([12, 5, 12, 12]))).toBe('stop')
  })
})

describe('a lifter pushed home by hand', () => {
  const gap = (mm: number): Of<'extension'> => ({
    kind: 'extension',
    tensioner: 'lifter',
    gap: mm,
    turnedForward: true
  })
  const told = (reading: Reading) => estimate(jobOf([reading], { drive: quillon })).chains['cam-chain']!.elongation

  it('is a reading of the drive: what it stands out less the gap that is left', () => {
    const shown = told({ kind: 'extension', tensioner: 'lifter', value: 12, sigma: 1, turnedForward: true })
    const left = told(gap(10))
    expect(left.mean).toBeCloseTo(shown.mean, 6)
    expect(left.sd).toBeCloseTo(shown.sd, 6)
    expect(told(gap(2)).mean).toBeGreaterThan(told(gap(14)).mean)
  })

  it('counts from what it stands out by itself, where the sheet says so', () => {
    const longer = changed(quillon, (d) => (d.tensioners[0]!.freeExtension = 26))
    const job = jobOf([gap(14)], { drive: longer })
    expect(estimate(job).chains['cam-chain']!.elongation.mean).toBeCloseTo(told(gap(10)).mean, 6)
  })

  it('more gap than it stands out cannot be, and is named', () => {
    const { faults } = estimate(jobOf([gap(40)], { drive: quillon }))
    expect(faults[0]).toMatchObject({ code: 'gap-beyond-free' })
    expect(readingStructureFaults(quillon, { kind: 'extension', tensioner: 'lifter' })).toHaveLength(1)
  })
})

describe('parts beside the chain', () => {
  it('are those that the sheet names, or else those that every engine has', () => {
    expect(partsAt(gannet, 6)).toContain('camshaft-ex')
    expect(partsAt(gannet, 6)).not.toContain('camshafts')
    expect(partsAt(ardmere, 6)).toContain('camshafts')
    expect(partsAt(ardmere, 5)).toContain('front-cover')
    expect(partKindOf(gannet, 'chain-cover')).toBe('cover')
    expect(partKindOf(ardmere, 'trigger-wheel')).toBe('trigger')
    expect(stationOfFinding(gannet, found('crank-trigger', 'teeth-chewed'))).toBe(6)
  })

  it.each([
    ['front-cover', 'hole', 'renew'],
    ['camshafts', 'bridge-scored', 'stop'],
    ['trigger-wheel', 'teeth-chewed', 'renew'],
    ['auxiliary-drive', 'ate-into-cover', 'renew']
  ] as const)('%s %s: %s', (part, finding, call) => {
    expect(callOf([found(part, finding)], part, ardmere).call).toBe(call)
  })
})

describe('limits of their own', () => {
  const scan = (value: number): Of<'camLag'> => ({ kind: 'camLag', sprocket: 'cam-in', value, method: 'scan' })

  it('what the engine computer says is held against its own limit, not the marks', () => {
    const { said, call } = callOf([scan(3.1)], 'cam-in')
    expect(said).toMatch(/past its own limit of 2°: read the marks/)
    expect(call).toBe('look-closer')
    expect(callOf([scan(1.2)], 'cam-in').said).not.toMatch(/own limit/)
    expect(callOf([scan(3.1), read.lag('cam-in', 1), read.lag('cam-in', 1)], 'cam-in').said).not.toMatch(/own limit/)
  })

  it('burnt paint condemns a chain where its sheet says so, and elsewhere asks for its length', () => {
    expect(callOf([found('cam-chain', 'paint-gone')], 'cam-chain', sheet('petrel-p16')).call).toBe('renew')
    expect(callOf([found('main', 'paint-gone')], 'main', ardmere).call).toBe('look-closer')
  })

  it('a superseded design is known by its number however it is spaced', () => {
    expect(supersededBy(gannet, 'tensioner', ' gan 2207a')).toMatchObject({ onSight: true })
    for (const other of ['GAN-2208', '', '   ', '-']) expect(supersededBy(gannet, 'tensioner', other)).toBeNull()
    expect(supersededBy(gannet, 'arm', 'GAN-2207')).toBeNull()
  })
})
