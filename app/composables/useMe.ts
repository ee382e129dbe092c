import type { Ref } from 'vue'
import type { Me } from '../../server/store/sessions'

/** Who is signed in; null where that is not known, as on a customer's page. */
export function useMe(): Ref<Me | null> {
  return useState<Me | null>('me', () => null)
}
