import { randomness, type Roll } from '../../core/math'
import { changeAtRandom } from './changes'

/** Values that programs stumble over. */
const ODD: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e-308,
  2 ** 53,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  '\udfff\ud800',
  '__proto__',
  'constructor',
  'toString',
  '../../etc/passwd',
  '%00',
  "'; drop table jobs; --",
  '<script>1</script>',
  '🛥'.repeat(2000),
  'x'.repeat(70_000),
  [],
  {},
  [[]],
  { length: 1e9 },
  Array.from({ length: 20_000 }, (_, i) => i),
  JSON.parse('{"__proto__":{"a":1},"constructor":{"prototype":{}}}'),
  nested(300),
  '2026-02-30',
  '+999999-01-01T00:00:00Z',
  'NaN',
  'Infinity'
]

function nested(depth: number): unknown {
  let value: unknown = 'deep'
  for (let i = 0; i < depth; i++) value = i % 2 ? [value] : { a: value }
  return value
}

/**
 * A body for a route: a good one, one with something in it changed, or nothing of the kind. As text, as JSON would not
 * carry all of it.
 */
export function hostileBody(good: unknown, seed: number): string {
  const roll = randomness(7919 * seed + 1)
  const text = JSON.stringify(good)
  if (roll.chance(0.04)) return text
  if (roll.chance(0.08)) return broken(text, roll)
  if (roll.chance(0.1)) return JSON.stringify(roll.pick(ODD)) ?? 'null'
  const value = changeAtRandom(JSON.parse(text) as Record<string, unknown>, seed)
  return JSON.stringify(roll.chance(0.5) ? withOdd(value, roll) : value) ?? 'null'
}

function withOdd(value: Record<string, unknown>, roll: Roll): unknown {
  const keys = Object.keys(value)
  const key =
    keys.length > 0 && roll.chance(0.8) ? roll.pick(keys) : roll.pick(['extra', 'toString', 'a\0b', 'x'.repeat(5000)])
  return { ...value, [key]: roll.pick(ODD) }
}

/** Text that is no JSON, or only nearly. */
function broken(text: string, roll: Roll): string {
  const at = roll.below(text.length + 1)
  return roll.pick([
    text.slice(0, at),
    `${text.slice(0, at)}\0${text.slice(at)}`,
    `${text}${text}`,
    '['.repeat(50_000),
    `${'{"a":'.repeat(20_000)}1`,
    '',
    '\uFEFF{}',
    text.replaceAll('"', "'")
  ])
}

/** A question behind an address. */
export function hostileQuery(names: readonly string[], seed: number): string {
  const roll = randomness(104_729 * seed + 3)
  const value = () =>
    roll.pick([
      '',
      '0',
      '-1',
      '1e9',
      '99999999999999999999',
      '%00',
      '%ED%A0%80',
      '%',
      'toString',
      '__proto__',
      'open',
      'a%00b',
      encodeURIComponent("Möwe 🛥 ' % _ \\"),
      'x'.repeat(300),
      'true',
      'a4',
      'lines',
      '2026-99-99',
      '[]',
      '{}'
    ])
  return Array.from(
    { length: 1 + roll.below(3) },
    () =>
      `${roll.chance(0.8) ? roll.pick(names) : roll.pick(['__proto__', 'constructor[prototype]', 'a[b][c]', 'x'])}=${value()}`
  ).join('&')
}

/** A part of an address that stands for an id. */
export function hostileId(good: string, seed: number): string {
  const roll = randomness(15_485_863 * seed + 5)
  return roll.chance(0.3)
    ? good
    : roll.pick([
        'nonsense',
        '00000000-0000-4000-8000-000000000000',
        '%00',
        'a%00b',
        '%ED%A0%80',
        '..%2f..%2f',
        'toString',
        '__proto__',
        encodeURIComponent('🛥'),
        'x'.repeat(1000),
        `${good}%00`,
        good.toUpperCase(),
        '%',
        "'--"
      ])
}
