import { hearOfAway, keepServiceWorker } from '../offline/register'

/** Once the page stands: what it takes to open without the server. */
export default defineNuxtPlugin((nuxt) => {
  hearOfAway()
  nuxt.hook('app:mounted', () => {
    if (!useRoute().path.startsWith('/share/')) void keepServiceWorker()
  })
})
