import { isLanguage, type LanguageId } from '../core/record'
import { LANGUAGE_COOKIE, languageOf } from '../words/languages'
import { type Language, speakAs } from '../words/spoken'

/** Catalogues come one by one, when they are spoken. */
const CATALOGUES: Readonly<Record<LanguageId, () => Promise<{ default: Readonly<Record<string, string>> } | null>>> = {
  en: async () => null,
  de: () => import('../words/catalogues/de.json'),
  es: () => import('../words/catalogues/es.json'),
  id: () => import('../words/catalogues/id.json')
}

/** Has this device speak a language from now on; what stands on the page already stays. */
export async function speakHere(id: LanguageId): Promise<void> {
  const catalogue = await CATALOGUES[id]()
  const language: Language | null = catalogue && languageOf(id, catalogue.default)
  speakAs(() => language)
  try {
    localStorage.setItem(LAST, id)
  } catch {
    // A device without room goes by what it is told each time.
  }
}

const LAST = 'umbrette.language'

/** What was spoken on this device last: the workshop's, where nothing was chosen. */
export function lastHere(): LanguageId | null {
  const id = localStorage.getItem(LAST)
  return isLanguage(id) ? id : null
}

const chosen = new RegExp(`(?:^|; )${LANGUAGE_COOKIE}=(\\w+)`)

/** What was chosen on this device; null where nothing was. */
export function chosenHere(): LanguageId | null {
  const [, id] = chosen.exec(document.cookie) ?? []
  return isLanguage(id) ? id : null
}

/** Chooses a language for this device; the page is made anew in it. */
export function chooseLanguage(id: LanguageId): void {
  document.cookie = `${LANGUAGE_COOKIE}=${id}; path=/; max-age=31536000; samesite=lax`
  window.location.reload()
}
