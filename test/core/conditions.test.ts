import { sayRelease } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { CONDITION_RULES } from '../../core/calls'
import { estimate } from '../../core/estimate'
import {
  COUNTED_FINDINGS,
  figureOf,
  FINDINGS,
  placesOf,
  type Reading,
  readingStructureFaults
} from '../../core/readings'
import { PART_KINDS, partKindOf, type PartKind } from '../../core/sheet'
import { jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const ardmere = sheet('ardmere-a18')

describe('the closed list of findings', () => {
  it('is of the parts of a drive, and of oil, fasteners and engine', () => {
    expect(
      ['main', 'guide', 'arm', 'bridge', 'tensioner', 'phaser-in', 'cam-in', 'oil', 'fasteners', 'engine'].map(
        (target) => partKindOf(ardmere, target)
      )
    ).toEqual(['chain', 'guide', 'arm', 'bridge', 'tensioner', 'phaser', 'sprocket', 'oil', 'fasteners', 'engine'])
    expect(partKindOf(ardmere, 'ghost')).toBeNull()
  })

  it('has a rule for every finding of a part, alone or together with others', () => {
    // Locked at rest says nothing of a phaser's play: it is asked for all the same.
    const together = ['superseded', 'sound', 'locked-at-rest']
    for (const kind of Object.keys(FINDINGS) as PartKind[]) {
      if (kind === 'engine') continue
      for (const finding of FINDINGS[kind])
        expect([
          kind,
          finding,
          together.includes(finding) || finding in CONDITION_RULES[kind] || figureOf(finding) !== null
        ]).toEqual([kind, finding, true])
    }
  })

  it('says on every hold what releases it', () => {
    for (const kind of PART_KINDS)
      for (const [finding, call] of Object.entries(CONDITION_RULES[kind]))
        if (call === 'stop') expect(sayRelease({ code: 'found', figures: { kind, finding } })).not.toBe(finding)
  })

  it.each([
    ['no target', { kind: 'condition', finding: 'cracked' }, 'target'],
    ['no finding', { kind: 'condition', target: 'guide' }, 'finding'],
    ['a ghost', { kind: 'condition', target: 'ghost', finding: 'cracked' }, 'target'],
    ['a finding of another part', { kind: 'condition', target: 'guide', finding: 'plunger-stuck' }, 'finding'],
    ['a word not on the list', { kind: 'condition', target: 'guide', finding: 'funny' }, 'finding'],
    ['a value', { kind: 'condition', target: 'guide', finding: 'cracked', value: 1 }, 'value'],
    ['pieces without their number', { kind: 'condition', target: 'guide', finding: 'piece-missing' }, 'count']
  ])('refuses %s at its field', (_name, reading, place) => {
    expect(readingStructureFaults(ardmere, reading)[0]!.place).toBe(place)
  })

  it('takes the rest, and leaves the estimate as it was', () => {
    const finding = read.found('guide', 'piece-missing', { count: 2, note: 'lower end' })
    expect(readingStructureFaults(ardmere, finding)).toEqual([])
    expect(COUNTED_FINDINGS).toContain('piece-missing')
    expect(estimate(jobOf([read.extension(9), finding])).chains).toEqual(estimate(jobOf([read.extension(9)])).chains)
  })
})

describe('a chain measured at three places', () => {
  const at = (...values: number[]): Reading[] => values.map((value, i) => ({ ...read.length(value), place: i + 1 }))
  const places = (readings: Reading[]) => placesOf(ardmere, ardmere.chains[0]!, readings)
  const elongation = (readings: Reading[]) => estimate(jobOf(readings)).chains.main!.elongation

  it('gives mean and spread, and is even within what a calliper can tell', () => {
    expect(places(at(160.5, 160.6, 160.4))).toMatchObject({ count: 3, uneven: false })
    expect(places(at(160.5, 160.6, 160.4))!.mean).toBeCloseTo(0.003125, 6)
    expect(places(at(160.5, 160.6, 160.4))!.spread).toBeCloseTo(0.00125, 6)
  })

  it('that differ by more has worn unevenly, and then three places tell less of the whole', () => {
    const uneven = at(160.1, 160.2, 161.3)
    expect(places(uneven)!.uneven).toBe(true)
    expect(elongation(uneven).sd).toBeGreaterThan(2 * elongation(at(160.5, 160.55, 160.5)).sd)
  })

  it('two readings at one place are one place; without places there is nothing to compare', () => {
    expect(places([...at(160.5), ...at(160.7)])).toBeNull()
    expect(places([read.length(160.1), read.length(161.3)])).toBeNull()
  })

  it('old beside new counts like a length', () => {
    const beside: Reading[] = [1, 2].map((place) => ({
      kind: 'chainCompare',
      chain: 'main',
      links: 20,
      value: 0.1 * place,
      place
    }))
    expect(places(beside)!.mean).toBeCloseTo(0.15 / 160, 9)
  })
})
