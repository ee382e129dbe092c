import { suffices } from '../../core/record'
import { useMe } from '../composables/useMe'
import { pageNeed } from '../needs'

/** Who is not signed in is asked to; who may less than a page needs is told. The routes behind it ask again. */
export default defineNuxtRouteMiddleware((to) => {
  const need = pageNeed(to.matched.at(-1)?.path ?? '')
  if (need === 'anyone' || to.matched.length === 0) return
  const me = useMe().value
  // Where it is not known who asks, what the page asks for says what is wrong.
  if (!me || me.open) return
  if (!me.person) return navigateTo({ path: '/sign-in', query: { to: to.fullPath } })
  if (need === null || !suffices(me.person.role, need)) {
    if (to.path === '/') return navigateTo('/practice')
    return abortNavigation(createError({ statusCode: 403, fatal: true, data: { need } }))
  }
})
