import { createStore, get, set } from 'idb-keyval'
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
  const open = () => createStore('umbrette-fronts', 'fronts')
  onMounted(async () => {
    try {
      kept.value = (await get<KeptFront>(sheet, open())) ?? null
    } catch {
      noRoom.value = true
    }
    loaded.value = true
  })

  async function keep(front: KeptFront): Promise<void> {
    kept.value = front
    try {
      // The browser's database takes no proxies.
      const { photo, ...rest } = front
      await set(sheet, { ...(JSON.parse(JSON.stringify(rest)) as Omit<KeptFront, 'photo'>), photo }, open())
      noRoom.value = false
    } catch {
      noRoom.value = true
    }
  }

  return { kept, loaded, noRoom, keep }
}
