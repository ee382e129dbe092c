import type { Spoken } from '../../server/languages'
import { useLanguage } from '../composables/useLanguage'
import { chosenHere, lastHere, speakHere } from '../language'

/** Before anything is said: in which language. A page that was made here alone goes by what was chosen, or was last. */
export default defineNuxtPlugin({
  name: 'language',
  enforce: 'pre',
  async setup() {
    const language = useLanguage()
    if (import.meta.server) language.value = (useRequestEvent()!.context.spoken as Spoken).id
    else {
      if (!useNuxtApp().payload.serverRendered) language.value = chosenHere() ?? lastHere() ?? language.value
      await speakHere(language.value)
    }
    useHead({ htmlAttrs: { lang: () => language.value } })
  }
})
