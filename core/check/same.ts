/** Are two values the same as JSON, whatever the order of their fields? */
export function isSameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (
    typeof a !== 'object' ||
    typeof b !== 'object' ||
    a === null ||
    b === null ||
    Array.isArray(a) !== Array.isArray(b)
  )
    return false
  const [one, other] = [present(a), present(b)]
  return (
    one.length === other.length &&
    one.every(([name, value]) => Object.hasOwn(b, name) && isSameJson(value, (b as { [name: string]: unknown })[name]))
  )
}

/** Fields that JSON writes: one that is undefined is not there. */
function present(value: object): [string, unknown][] {
  return Object.entries(value).filter(([, one]) => one !== undefined)
}
