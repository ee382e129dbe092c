import { SLUG } from '../../../words/en'

/** An id out of a name: small letters, digits and dashes. */
export function slug(name: string): string {
  return (
    name
      .normalize('NFKD')
      .replaceAll(/[^\w]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .toLowerCase()
      .slice(0, 60) || 'engine'
  )
}

/** The name of a copy: `… (copy 2)` of a copy. */
export function copyName(name: string): string {
  const [, stem = '', number] = /^(.*?)(?: \(copy(?: (\d+))?\))?$/.exec(name)!
  if (!name.endsWith(')') || stem === name) return SLUG.copy(name, null)
  return SLUG.copy(stem, Number(number ?? 1) + 1)
}
