import { wrap, type Remote } from 'comlink'
import { onUnmounted } from 'vue'
import type { Message } from '../../core/check'
import type { FoundCard, MeasureFile, Measurement } from '../../core/picture'
import type { Eye } from '../workers/picture.worker'

/** One picture being measured on, in a worker of its own that ends with the page. */
export function usePicture() {
  let worker: Worker | null = null
  let eye: Remote<Eye> | null = null

  function remote(): Remote<Eye> {
    worker ??= new Worker(new URL('../workers/picture.worker.ts', import.meta.url), { type: 'module' })
    return (eye ??= wrap<Eye>(worker))
  }
  onUnmounted(() => worker?.terminate())

  // Reactive objects cannot be posted; plain copies can.
  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
  return {
    open: (picture: Blob): Promise<[number, number]> => remote().open(picture),
    card: (): Promise<FoundCard | Message | null> => remote().card(),
    measure: (file: MeasureFile): Promise<Measurement | Message> => remote().measure(plain(file))
  }
}
