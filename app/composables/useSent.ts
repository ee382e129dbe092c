import { watch } from 'vue'
import { useOutbox } from '../stores/outbox'

/** Calls back as soon as something that waited on this device is kept: what the server makes of it is asked anew. */
export function useSent(then: () => unknown): void {
  const outbox = useOutbox()
  watch(
    () => outbox.waiting.length,
    (now, before) => {
      if (now < before) void then()
    }
  )
}
