import { $fetch } from 'ofetch'
import { defineStore, skipHydrate } from 'pinia'
import { computed, ref } from 'vue'
import type { Act } from '../../core/record'
import { useDeviceList } from '../composables/useDeviceList'
import { useSendQueue } from '../composables/useSendQueue'
import { shownProblem, type ShownProblem } from '../problem'
import { isMine, signedIn } from '../signedIn'

export interface Waiting {
  jobId: string
  act: Act
  /** Who was signed in when it was made: nobody else sends it. */
  person?: number
}

/** What acts that wait are kept under on the device. */
export const OUTBOX = 'umbrette.outbox'

/** What happens where who is signed in turns out not to be: set once there is a page. */
export const onSignedOut = { value: (): void => undefined }

/** An act that the server refused: shown until the user has dealt with it. */
export interface Refused extends Waiting {
  problem: ShownProblem
}

export interface Delivered {
  seq: number
  act: Act
}

/**
 * Acts on their way to the server: kept on this device, in order, until each was taken. Every act has its own id, so
 * one that is sent again after a lost answer changes nothing.
 */
export const useOutbox = defineStore('outbox', () => {
  const { list: waiting, change: changeWaiting } = useDeviceList<Waiting>(OUTBOX)
  const { list: refused, change: changeRefused } = useDeviceList<Refused>('umbrette.refused')
  /** Set once the page is mounted: until then it shows what the server rendered. */
  const ready = ref(false)
  /** What the server said where it could not keep an entry now: a full disk, a database that is away. */
  const why = ref('')
  const listeners = new Set<(jobId: string, delivered: Delivered) => void>()
  const { unreachable, flush } = useSendQueue(
    () => waiting.value.find((entry) => isMine({ person: entry.person, by: entry.act.by })),
    deliver
  )

  const state = computed<'saved' | 'sending' | 'waiting'>(() => {
    if (waiting.value.length === 0) return 'saved'
    return unreachable.value ? 'waiting' : 'sending'
  })

  function put(jobId: string, act: Act): void {
    const person = signedIn.value?.person?.id
    changeWaiting((now) => [...now, { jobId, act, ...(person === undefined ? {} : { person }) }])
    void flush()
  }

  async function deliver(entry: Waiting): Promise<boolean> {
    try {
      const delivered = await $fetch<Delivered>(`/api/jobs/${entry.jobId}/acts`, {
        method: 'POST',
        body: entry.act,
        retry: 0,
        timeout: 10_000
      })
      why.value = ''
      for (const listen of listeners) listen(entry.jobId, delivered)
    } catch (error) {
      const problem = shownProblem(error)
      if (!problem.answered) {
        why.value = problem.status === null ? '' : problem.message
        if (problem.status === 401) onSignedOut.value()
        return false
      }
      changeRefused((now) => [...now, { ...entry, problem }])
    }
    changeWaiting((now) => now.filter(({ act }) => act.id !== entry.act.id))
    return true
  }

  function dismiss(actId: string): void {
    changeRefused((now) => now.filter(({ act }) => act.id !== actId))
  }

  function onDelivered(listen: (jobId: string, delivered: Delivered) => void): () => void {
    listeners.add(listen)
    return () => listeners.delete(listen)
  }

  // The server knows nothing of what waits on a device: its empty lists must not replace them.
  return {
    waiting: skipHydrate(waiting),
    refused: skipHydrate(refused),
    ready,
    why,
    state,
    put,
    flush,
    dismiss,
    onDelivered
  }
})
