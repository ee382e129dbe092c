/**
 * The language that is spoken. English stands where it is said; every other language is a catalogue of what takes its
 * place, by the English words: `{0}`, `{1}` … stand for what is set into a sentence, in whatever order it needs them.
 */
export interface Language {
  id: string
  /** How it writes figures, days and plurals (BCP 47). */
  locale: string
  /** Does a noun begin with a capital letter within a sentence, too? */
  capitalNouns: boolean
  texts: ReadonlyMap<string, string>
}

/**
 * What says which language it is: of a device, of a request. It is one for all of a program, which may hold this file
 * twice, as a server does beside its pages.
 */
const speaking: { now: () => Language | null } = ((globalThis as Record<symbol, unknown>)[
  Symbol.for('umbrette.speaking')
] ??= { now: () => null }) as { now: () => Language | null }

/** Has a program say in which language it speaks; null is English. */
export function speakAs(now: () => Language | null): void {
  speaking.now = now
}

/** The language that is spoken now; null is English. */
export function spokenNow(): Language | null {
  return speaking.now()
}

/** How figures, days and plurals are written now. */
export function localeNow(): string {
  return speaking.now()?.locale ?? 'en-GB'
}

/** Says something in a language whatever is spoken otherwise: a paper in its reader's. At once, never after waiting. */
export function sayIn<T>(language: Language | null, say: () => T): T {
  const before = speaking.now
  speaking.now = () => language
  try {
    return say()
  } finally {
    speaking.now = before
  }
}

const keys = new WeakMap<TemplateStringsArray, string>()

/** A sentence as catalogues know it. */
function keyOf(parts: TemplateStringsArray): string {
  const known = keys.get(parts)
  if (known !== undefined) return known
  const key = parts.reduce((said, part, i) => `${said}{${i - 1}}${part}`)
  keys.set(parts, key)
  return key
}

/** A sentence in the language that is spoken, with what is set into it. */
export function t(parts: TemplateStringsArray, ...shown: unknown[]): string {
  const language = speaking.now()
  if (!language) return parts.reduce((said, part, i) => `${said}${shown[i - 1]}${part}`)
  const key = keyOf(parts)
  const said = language.texts.get(key) ?? key
  return said.replace(/\{(\d+)\}/g, (_, place: string) => inDigits(shown[Number(place)], language))
}

/** A figure as it is, with the language's own sign before its decimals. */
function inDigits(shown: unknown, { locale }: Language): string {
  return typeof shown === 'number' ? withDecimals(String(shown), locale) : String(shown)
}

/**
 * What makes a formatter of Intl's, asked for as often as one likes: each takes a browser milliseconds to make, so one
 * of a kind is kept.
 */
export function keeping<A extends readonly (string | boolean)[], F>(make: (...of: A) => F): (...of: A) => F {
  const kept = new Map<string, F>()
  return (...of) => {
    const kind = of.join()
    let one = kept.get(kind)
    if (one === undefined) kept.set(kind, (one = make(...of)))
    return one
  }
}

/** English is written with a point as digits are: asking Intl for it costs a page 30 ms as it opens. */
const signOf = keeping((locale: string) =>
  locale === 'en-GB'
    ? '.'
    : new Intl.NumberFormat(locale).formatToParts(0.5).find(({ type }) => type === 'decimal')!.value
)

/** Plain digits with the sign that a locale sets before decimals. */
export function withDecimals(digits: string, locale = localeNow()): string {
  return digits.includes('.') ? digits.replace('.', signOf(locale)) : digits
}

/** Words that stand for themselves, such as the name that a sheet gives a part: in the language where it knows them. */
export function known(words: string): string {
  return speaking.now()?.texts.get(words) ?? words
}

/**
 * Words by what they are for, in the language that is spoken when they are asked for; functions among them say their
 * own by `t`.
 */
/*@__NO_SIDE_EFFECTS__*/
export function texts<T extends object>(source: T): T {
  const said = new WeakMap<Language, T>()
  const now = () => {
    const language = speaking.now()
    if (!language) return source
    const before = said.get(language)
    if (before) return before
    const made = translated(source, language) as T
    said.set(language, made)
    return made
  }
  const spoken = new Proxy(source, { get: (_, key) => Reflect.get(now(), key) as unknown })
  sources.set(spoken, source)
  return spoken
}

const sources = new WeakMap<object, object>()

/** The same words in English, whatever is spoken: for what is laid out once, and put in a language as it is shown. */
export function english<T extends object>(said: T): T {
  return (sources.get(said) as T | undefined) ?? said
}

function translated(english: unknown, language: Language): unknown {
  if (typeof english === 'string') return language.texts.get(english) ?? english
  if (Array.isArray(english)) return english.map((one) => translated(one, language))
  if (typeof english !== 'object' || english === null) return english
  // What is to be chosen by its label is known by its value, whatever is spoken.
  return Object.fromEntries(
    Object.entries(english).map(([key, value]) => [key, key === 'value' ? value : translated(value, language)])
  )
}

/** Words that begin with a capital, within a sentence: a name of a part, say. */
export function midSentence(words: string): string {
  return speaking.now()?.capitalNouns ? words : words.toLowerCase()
}

const pluralsOf = keeping((locale: string) => new Intl.PluralRules(locale))

/** One of several, or one alone: `plural(2, t`link`, t`links`)`. */
export function plural(count: number, one: string, many: string): string {
  return pluralsOf(localeNow()).select(count) === 'one' ? one : many
}
