import { createStore, del, entries, set } from 'idb-keyval'
import { $fetch } from 'ofetch'
import { defineStore, skipHydrate } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { ActOf } from '../../core/record'
import { useSendQueue } from '../composables/useSendQueue'
import { shownProblem } from '../problem'
import { isMine, signedIn } from '../signedIn'
import { useOutbox } from './outbox'

/** A picture on its way to the server, with the act that puts it to its part. */
export interface WaitingPhoto {
  jobId: string
  act: ActOf<'photo'>
  picture: Blob
  /** Who was signed in when it was taken: nobody else sends it. */
  person?: number
  /** Why the server would not have it: it is not sent again, and shown until it was seen. */
  refused?: string
}

/**
 * Pictures on their way: kept in the browser's database (they are too large for its list of acts) until the server has
 * them. The picture is sent under the id that its act names, so that one sent twice is kept once; then its act goes
 * out.
 */
export const usePhotoOutbox = defineStore('photoOutbox', () => {
  const outbox = useOutbox()
  /** Shallow: the browser's database takes no proxies. */
  const photos = shallowRef<WaitingPhoto[]>([])
  const waiting = computed(() => photos.value.filter(({ refused }) => !refused))
  const { unreachable, flush } = useSendQueue(
    () => waiting.value.find(({ person, act }) => isMine({ person, by: act.by })),
    deliver
  )

  /** Reads what an earlier visit left and sends it. */
  async function wake(): Promise<void> {
    const left = (await entries<string, WaitingPhoto>(openStore())).map(([, photo]) => photo)
    photos.value = left.sort((a, b) => a.act.at.localeCompare(b.act.at))
    await flush()
  }

  /** Keeps a picture on this device and sends it. @throws when the browser cannot keep it (no room left, say) */
  async function put(photo: WaitingPhoto): Promise<void> {
    const person = signedIn.value?.person?.id
    const mine = person === undefined ? photo : { ...photo, person }
    await set(photo.act.id, mine, openStore())
    photos.value = [...photos.value, mine]
    void flush()
  }

  async function deliver(photo: WaitingPhoto): Promise<boolean> {
    try {
      await $fetch(`/api/jobs/${photo.jobId}/photos`, {
        method: 'POST',
        query: { id: photo.act.photo },
        body: photo.picture,
        headers: { 'content-type': photo.picture.type || 'application/octet-stream' },
        retry: 0,
        timeout: 60_000
      })
    } catch (error) {
      const problem = shownProblem(error)
      if (problem.answered) await refuse(photo, problem.message)
      return problem.answered
    }
    outbox.put(photo.jobId, photo.act)
    await dismiss(photo.act.id)
    return true
  }

  async function refuse(photo: WaitingPhoto, refused: string): Promise<void> {
    const { refused: _before, ...rest } = photo
    const { act } = photo
    const seen = { ...rest, refused }
    await set(act.id, seen, openStore())
    photos.value = photos.value.map((other) => (other.act.id === act.id ? seen : other))
  }

  /** Forgets a picture on this device: the server has it, or will not have it and the user knows. */
  async function dismiss(actId: string): Promise<void> {
    await del(actId, openStore())
    photos.value = photos.value.filter(({ act }) => act.id !== actId)
  }

  return { photos: skipHydrate(photos), waiting, unreachable, wake, put, flush, dismiss }
})

let store: ReturnType<typeof createStore> | undefined

function openStore(): ReturnType<typeof createStore> {
  return (store ??= createStore('umbrette', 'photos'))
}
