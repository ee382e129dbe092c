import { randomness } from '../../core/math'

type Spot = { holder: any; key: string }

/** A copy of plain data with one thing in it changed, taken out or doubled, at random. */
export function changeAtRandom<T>(value: T, seed: number): T {
  const { uniform, pick, chance } = randomness(7919 * seed + 13)
  const all = spots(value)
  const { holder, key } = pick(all)
  const was = holder[key]
  if (chance(0.1)) {
    if (Array.isArray(holder)) holder.splice(Number(key), 1)
    else delete holder[key]
    return value
  }
  if (Array.isArray(holder) && chance(0.06)) {
    holder.push(structuredClone(was))
    return value
  }
  const elsewhere = pick(all)
  const other = structuredClone(elsewhere.holder[elsewhere.key])
  const number = typeof was === 'number'
  holder[key] = pick([
    null,
    -1,
    0,
    1e9,
    '',
    [],
    {},
    true,
    'toString',
    'a\0b',
    other,
    other,
    Math.floor(200 * uniform()),
    360 * uniform() - 180,
    ...(number ? [was * (0.5 + uniform()), was + uniform() - 0.5, was + 1, -was] : ['crank', 'guide'])
  ])
  return value
}

function spots(value: unknown, found: Spot[] = []): Spot[] {
  if (typeof value !== 'object' || value === null) return found
  for (const key of Object.keys(value)) {
    found.push({ holder: value, key })
    spots((value as Record<string, unknown>)[key], found)
  }
  return found
}
