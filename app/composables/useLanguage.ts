import type { Ref } from 'vue'
import type { LanguageId } from '../../core/record'
import type { Spoken } from '../../server/languages'

/** What this page is written in. */
export function useLanguage(): Ref<LanguageId> {
  return useState<LanguageId>('language', () => 'en')
}

/** Has a page that the server makes go on in another language: a customer's report in theirs. */
export function useLanguageOf(id: LanguageId): void {
  if (!import.meta.server) return
  useLanguage().value = id
  ;(useRequestEvent()!.context.spoken as Spoken).id = id
}
