import { createStore, getMany, set } from 'idb-keyval'
import { onMounted, ref, shallowRef } from 'vue'
import type { SettledFront } from '../../core/picture'
import type { Tapped } from '../components/front/steps'

/** A photo of an engine's open front with what was tapped on it, as a device keeps it. */
export interface KeptFront {
  photo: Blob
  points: Tapped
  ran: boolean
  /** Over the photo, px; size of the photo. */
  outlines: SettledFront['outlines']
  size: readonly [number, number]
}

/** The photo of an engine's front on this device: it waits there until another takes its place. */
export function useFrontPhoto(sheet: string) {
  const kept = shallowRef<KeptFront | null>(null)
  const loaded = ref(false)
  const noRoom = ref(false)
  /** The photo is large and stays; its points move with every tap. */
  const keys: [string, string] = [`${sheet}.photo`, `${sheet}.points`]
  const open = () => createStore('umbrette-fronts', 'fronts')
  onMounted(async () => {
    try {
      const [photo, points] = await getMany<KeptFront['photo'] | Omit<KeptFront, 'photo'>>(keys, open())
      kept.value = photo && points ? ({ ...points, photo } as KeptFront) : null
    } catch {
      noRoom.value = true
    }
    loaded.value = true
  })

  async function keep(front: KeptFront): Promise<void> {
    const isNew = kept.value?.photo !== front.photo
    kept.value = front
    try {
      const { photo, ...points } = front
      if (isNew) await set(keys[0], photo, open())
      // The browser's database takes no proxies.
      await set(keys[1], JSON.parse(JSON.stringify(points)), open())
      noRoom.value = false
    } catch {
      noRoom.value = true
    }
  }

  return { kept, loaded, noRoom, keep }
}
