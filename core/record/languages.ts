/** What pages and papers can be written in (ISO 639). */
export const LANGUAGES = ['en', 'de', 'es', 'id'] as const

export type LanguageId = (typeof LANGUAGES)[number]

export function isLanguage(id: unknown): id is LanguageId {
  return LANGUAGES.some((known) => known === id)
}
