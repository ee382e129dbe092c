import { getCookie, type H3Event } from 'h3'
import { isLanguage } from '../../core/record'
import { LANGUAGE_COOKIE } from '../../words/languages'
import { speakAsAsked, speakingTo, workshopLanguage } from '../languages'

/** Every request is answered in the language that was chosen on its device, or in the workshop's. */
export default defineNitroPlugin(({ h3App }) => {
  speakAsAsked()
  const answer = h3App.handler
  h3App.handler = (event: H3Event) => {
    const chosen = getCookie(event, LANGUAGE_COOKIE)
    event.context.spoken = { id: isLanguage(chosen) ? chosen : workshopLanguage() }
    return speakingTo(event.context.spoken, () => answer(event))
  }
})
