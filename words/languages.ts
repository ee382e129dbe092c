import type { LanguageId } from '../core/record'
import type { Language } from './spoken'

/** Each language by its own name, and how it writes. */
const MANNERS: Readonly<Record<LanguageId, { name: string; locale: string; capitalNouns: boolean }>> = {
  en: { name: 'English', locale: 'en-GB', capitalNouns: false },
  de: { name: 'Deutsch', locale: 'de-DE', capitalNouns: true },
  es: { name: 'Español', locale: 'es-ES', capitalNouns: false },
  id: { name: 'Bahasa Indonesia', locale: 'id-ID', capitalNouns: false }
}

/** In which a device keeps what was chosen on it. */
export const LANGUAGE_COOKIE = 'umbrette-language'

/** `Deutsch`. */
export function languageName(id: LanguageId): string {
  return MANNERS[id].name
}

/** A language of its catalogue. */
export function languageOf(id: LanguageId, catalogue: Readonly<Record<string, string>>): Language {
  const { locale, capitalNouns } = MANNERS[id]
  return { id, locale, capitalNouns, texts: new Map(Object.entries(catalogue)) }
}
