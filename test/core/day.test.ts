import { execFileSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { daysOn, localDay } from '../../core/math'

describe('the day where the machine stands', () => {
  it('is that of its own clock, with its months and years', () => {
    expect(localDay(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
    expect(daysOn(new Date(2026, 1, 27, 12), 3)).toBe('2026-03-02')
    expect(daysOn(new Date(2026, 11, 31, 23, 30), 1)).toBe('2027-01-01')
  })
  it.each([
    ['Pacific/Auckland', '2026-11-27'],
    ['Pacific/Honolulu', '2026-11-26'],
    ['Europe/Oslo', '2026-11-26']
  ])('in %s it is %s while it is noon in Greenwich', (zone, day) => {
    const code =
      "import('./core/math/day.ts').then(({ localDay }) => console.log(localDay(new Date('2026-11-26T12:00:00Z'))))"
    expect(
      execFileSync('npx', ['--no-install', 'tsx', '-e', code], {
        encoding: 'utf8',
        env: { ...process.env, TZ: zone }
      }).trim()
    ).toBe(day)
  })
})
