import { wrap, type Remote } from 'comlink'
import { onUnmounted } from 'vue'
import type { Message } from '../../core/check'
import type { Point } from '../../core/math'
import type {
  CountedLinks,
  FoundCard,
  FrontTaps,
  LineHints,
  MeasureFile,
  Measurement,
  SettledFront
} from '../../core/picture'
import type { DriveSheet } from '../../core/sheet'
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
    open: (picture: Blob): Promise<[number, number] | null> => remote().open(picture),
    card: (): Promise<FoundCard | Message | null> => remote().card(),
    measure: (file: MeasureFile): Promise<Measurement | Message> => remote().measure(plain(file)),
    links: (line: readonly Point[], hints: LineHints): Promise<CountedLinks | Message | null> =>
      remote().links(plain(line), plain(hints)),
    settle: (sheet: DriveSheet, taps: FrontTaps): Promise<SettledFront | Message> =>
      remote().settle(plain(sheet), plain(taps))
  }
}
