import { proxy, type Remote, wrap } from 'comlink'
import { onUnmounted } from 'vue'
import type { Message } from '../../core/check'
import type { DriveSheet } from '../../core/sheet'
import type { GoodTrace, Trace } from '../../core/trace'
import type { Loaded, Scope } from '../workers/trace.worker'

/** A trace being read and looked at, in a worker of its own that ends with the page or when reading is given up. */
export function useScope() {
  let worker: Worker | null = null
  let scope: Remote<Scope> | null = null

  function remote(): Remote<Scope> {
    worker ??= new Worker(new URL('../workers/trace.worker.ts', import.meta.url), { type: 'module' })
    return (scope ??= wrap<Scope>(worker))
  }
  /** Gives up whatever is being read. */
  function cancel(): void {
    worker?.terminate()
    worker = null
    scope = null
  }
  onUnmounted(cancel)

  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
  return {
    cancel,
    load: (file: File, rate: number | undefined, progress: (share: number) => unknown): Promise<Loaded | Message> =>
      remote().load(file, rate, proxy(progress)),
    hash: (file: File): Promise<string> => remote().hash(file),
    begin: (): Promise<void> => remote().begin(),
    more: (bytes: Uint8Array): Promise<Loaded | Message> => remote().more(bytes),
    end: (): Promise<Loaded | Message> => remote().end(),
    decode: (
      sheet: DriveSheet,
      map: Readonly<Record<string, string>>,
      good: File | null
    ): Promise<Trace | Message | null> => remote().decode(plain(sheet), plain(map), good),
    asGood: (sheet: DriveSheet, map: Readonly<Record<string, string>>): Promise<GoodTrace | Message | null> =>
      remote().asGood(plain(sheet), plain(map)),
    extremes: (
      names: readonly string[],
      from: number,
      to: number,
      columns: number
    ): Promise<{ low: Float32Array; high: Float32Array }[]> => remote().extremes(plain(names), from, to, columns)
  }
}
