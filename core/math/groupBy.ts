/** What a list holds by a key of each, in the order in which the keys first come. */
export function groupBy<T>(list: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of list) {
    const of = key(one)
    const group = groups.get(of)
    if (group) group.push(one)
    else groups.set(of, [one])
  }
  return groups
}
