/**
 * What a customer is known by, wherever it stands in text: found as people write it, with other capitals, gaps and
 * dashes, and never in the middle of a longer word.
 */

/** Letters and digits that a term needs, so that it is somebody's and not a word of the trade. */
const LEAST = { name: 3, number: 4, phone: 6 } as const

export interface KnownBy {
  name: string
  phone: string
  email: string
  /** Registrations and chassis numbers of their vehicles. */
  plates: readonly string[]
  /** What their vehicles are called. */
  vehicles: readonly string[]
}

/** What is looked for of a customer; what is too short to be theirs alone is not. */
export function termsOf({ name, phone, email, plates, vehicles }: KnownBy): string[] {
  const long = (text: string, least: number) => squeezed(text).length >= least
  const all = [
    ...[name, ...vehicles].filter((one) => long(one, LEAST.name)),
    ...(phone.replaceAll(/\D/g, '').length >= LEAST.phone ? [phone] : []),
    ...(email ? [email] : []),
    ...plates.filter((one) => long(one, LEAST.number))
  ].map((one) => one.trim())
  return [...new Set(all)]
}

const squeezed = (text: string) => text.replaceAll(/[^\p{L}\p{N}]/gu, '')

const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** Signs that may stand between the parts of a term; 4 of them at the most. */
const BETWEEN = '[^\\p{L}\\p{N}]{1,4}'
const MAYBE_BETWEEN = '[^\\p{L}\\p{N}]{0,4}'

/** A term as it may be written. A name's words stay apart; the signs of a number or plate may be grouped otherwise. */
function written(term: string): string {
  const parts = term.match(/[\p{L}\p{N}]+/gu) ?? []
  if (term.includes('@') || parts.length === 0) return escaped(term)
  return isNumber(term) ? [...parts.join('')].join(MAYBE_BETWEEN) : parts.join(BETWEEN)
}

const isNumber = (term: string) => /\p{N}/u.test(term)

/** A name whichever of its words comes first: `Jon Hale` and `Hale, Jon`; anything else as it is. */
export function ordersOf(term: string): string[] {
  const said = term.split(/[\s,]+/).filter(Boolean)
  if (isNumber(term) || term.includes('@')) return [term]
  return said.map((_, i) => [...said.slice(i), ...said.slice(0, i)].join(' '))
}

/** Finds every mention of any of the terms; null where there is nothing to look for. */
export function mentionPattern(terms: readonly string[]): RegExp | null {
  if (terms.length === 0) return null
  const longestFirst = terms.toSorted((a, b) => b.length - a.length).flatMap((term) => ordersOf(term).map(written))
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${longestFirst.join('|')})(?![\\p{L}\\p{N}])`, 'giu')
}

/** Fields whose text means something to the program: no person is told there, whatever it may look like. */
const MEANS = new Set(['id', 'type', 'kind', 'format', 'code', 'method', 'unit', 'state', 'school', 'finding', 'part'])
/** Text without a gap is an id wherever it does not stand in one of these. */
const FREE = new Set(['name', 'note', 'reason', 'text', 'title', 'vehicle', 'work', 'complaint', 'doneBy', 'stand'])

function isText(field: string, value: string, signed: boolean): boolean {
  if (MEANS.has(field)) return false
  // Who entered something is somebody who works here; a choice is signed by the customer.
  if (field === 'by') return signed
  return FREE.has(field) || /[\s@]|[^\w.-]/.test(value)
}

/** A value with every text that people wrote changed by `change`, and names of fields too. */
function changeTexts(value: unknown, change: (text: string) => string, field = '', signed = false): unknown {
  if (typeof value === 'string') return isText(field, value, signed) ? change(value) : value
  if (Array.isArray(value)) return value.map((one) => changeTexts(one, change, field, signed))
  if (value === null || typeof value !== 'object') return value
  const signs = (value as { type?: unknown }).type === 'choice'
  return Object.fromEntries(
    Object.entries(value).map(([name, one]) => [
      /\s/.test(name) ? change(name) : name,
      changeTexts(one, change, name, signs)
    ])
  )
}

/** A value (a text, or anything that JSON holds) without any mention: `instead` stands in their place. */
export function eraseMentions<T>(value: T, pattern: RegExp, instead: string): T {
  return changeTexts(value, (text) => text.replaceAll(pattern, instead), 'text') as T
}

/** Characters told on either side of a mention. */
const AROUND = 40

/** The first mention in a value with what stands about it; null where there is none. */
export function excerptOf(value: unknown, pattern: RegExp): string | null {
  let found: string | null = null
  changeTexts(
    value,
    (text) => {
      const at = found === null ? text.search(pattern) : -1
      if (at >= 0) found = text.slice(Math.max(0, at - AROUND), at + 2 * AROUND).trim()
      return text
    },
    'text'
  )
  return found
}
