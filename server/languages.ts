import { AsyncLocalStorage } from 'node:async_hooks'
import type { LanguageId } from '../core/record'
import de from '../words/catalogues/de.json'
import es from '../words/catalogues/es.json'
import id from '../words/catalogues/id.json'
import { languageOf } from '../words/languages'
import { type Language, speakAs } from '../words/spoken'

/** Languages that the server holds ready; null is English, which stands where it is said. */
const HELD: Readonly<Record<LanguageId, Language | null>> = {
  en: null,
  de: languageOf('de', de),
  es: languageOf('es', es),
  id: languageOf('id', id)
}

/** What is spoken to who asked: a page can find out on the way that it is another language. */
export interface Spoken {
  id: LanguageId
}

const asked = new AsyncLocalStorage<Spoken>()

/** Has this thread say everything in the language of who asked. */
export function speakAsAsked(): void {
  speakAs(() => HELD[asked.getStore()?.id ?? 'en'])
}

/** Does something for somebody in their language, to its very end. */
export function speakingTo<T>(spoken: Spoken, does: () => T): T {
  return asked.run(spoken, does)
}

/** The language of who asked, to be handed on to another thread. */
export function askedIn(): LanguageId {
  return asked.getStore()?.id ?? 'en'
}

export function heldLanguage(id: LanguageId): Language | null {
  return HELD[id]
}

let ofWorkshop: LanguageId = 'en'

/** What who chose none is spoken to in. */
export function noteLanguage(id: LanguageId): void {
  ofWorkshop = id
}

export function workshopLanguage(): LanguageId {
  return ofWorkshop
}
