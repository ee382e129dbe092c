import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { namesOf, sayTrace, TRACE_PAGE } from '../../words/en'
import type { Message } from '../../core/check'
import type { DriveSheet } from '../../core/sheet'
import { type GoodTrace, type Trace, tracedCams } from '../../core/trace'
import type { KeptGoodTrace } from '../../server/store/goodTraces'
import type { Loaded } from '../workers/trace.worker'
import { partName } from '../words'
import { useScope } from './useScope'

/** A trace of a job's engine on the page: its file, what its columns are, and what it comes to. */
export function useTrace(sheet: () => DriveSheet, live: () => string) {
  const scope = useScope()
  const file = shallowRef<File | null>(null)
  const good = shallowRef<File | null>(null)
  /** A kept one that it is held against, by its wheels. */
  const kept = shallowRef<KeptGoodTrace | null>(null)
  const against = computed(() => (kept.value ? { ...sheet(), triggers: kept.value.triggers } : sheet()))
  const loaded = shallowRef<Loaded | null>(null)
  const trace = shallowRef<Trace | null>(null)
  const problem = ref('')
  /** Share read, 0 to 1; −1 while nothing is read. */
  const share = ref(-1)
  const version = ref(0)
  const rate = ref('')
  /** Which columns were put to what, by the names of the columns. */
  const maps = useLocalStorage<Record<string, Record<string, string>>>('umbrette.trace-maps', {})

  const wanted = computed(() => {
    return [
      { id: 'crank', label: TRACE_PAGE.crank },
      ...tracedCams(against.value).map((id) => ({ id, label: partName(sheet(), id) }))
    ]
  })
  const form = computed(() => loaded.value?.names.join('|') ?? '')
  const map = computed({
    get: () => maps.value[form.value] ?? byName(wanted.value, loaded.value?.names ?? []),
    set: (now: Readonly<Record<string, string>>) => (maps.value = { ...maps.value, [form.value]: { ...now } })
  })

  const failed = (found: Message) => {
    problem.value = sayTrace(found)
    loaded.value = null
  }
  /** What was read to its end. */
  function stand(found: Loaded | Message): void {
    share.value = -1
    if ('code' in found) return failed(found)
    version.value++
    loaded.value = found
  }
  function start(): void {
    problem.value = ''
    trace.value = null
    loaded.value = null
    share.value = 0
  }

  /** Which file is read: what a given up one still says is none of this one's. */
  let reading = 0
  async function read(of: File): Promise<void> {
    const mine = ++reading
    start()
    file.value = of
    const hertz = Number(rate.value)
    const found = await scope.load(of, hertz > 0 ? hertz : undefined, (read) => {
      if (mine === reading) share.value = read
    })
    if (mine === reading) stand(found)
  }
  function cancel(): void {
    reading++
    scope.cancel()
    share.value = -1
    loaded.value = null
    trace.value = null
    problem.value = TRACE_PAGE.cancelled
  }

  /** The practice scope, drawn as it comes. */
  async function connect(): Promise<void> {
    const mine = ++reading
    start()
    const answer = await fetch(live())
    if (!answer.ok || !answer.body) {
      share.value = -1
      problem.value = ((await answer.json()) as { error: { message: string } }).error.message
      return
    }
    await scope.begin()
    const parts: Uint8Array<ArrayBuffer>[] = []
    const reader = answer.body.getReader()
    for (;;) {
      const { value, done } = await reader.read()
      if (done) break
      for (let at = 0; at < value.length; at += PIECE) {
        const piece = value.slice(at, at + PIECE)
        parts.push(piece)
        const so = await scope.more(piece)
        if (mine !== reading) return void reader.cancel()
        if (!('code' in so)) {
          loaded.value = so
          version.value++
        }
      }
    }
    file.value = new File(parts, 'practice-scope.csv', { type: 'text/csv' })
    stand(await scope.end())
  }

  let turn = 0
  /** Is what is shown of another choice than the one that stands? */
  const decoding = ref(false)
  watch([loaded, map, good, kept, share], async () => {
    if (!loaded.value || share.value >= 0) return
    const now = ++turn
    decoding.value = true
    const found = await scope.decode(against.value, map.value, good.value)
    if (now !== turn) return
    decoding.value = false
    if (!found) return
    trace.value = 'code' in found ? null : found
    problem.value = 'code' in found ? sayTrace(found, namesOf(sheet())) : ''
  })

  /** What is read, to be kept as good; says what stands in the way instead. */
  async function asGood(): Promise<GoodTrace | null> {
    const found = await scope.asGood(sheet(), map.value)
    if (!found || !('code' in found)) return found
    problem.value = sayTrace(found, namesOf(sheet()))
    return null
  }

  return {
    scope,
    file,
    good,
    kept,
    loaded,
    trace,
    problem,
    share,
    version,
    rate,
    wanted,
    map,
    read,
    cancel,
    connect,
    asGood,
    against,
    decoding
  }
}

/** Bytes of a live trace at a time. */
const PIECE = 1 << 17

/** Columns that are called by the sheet's own ids, or stand in its order where they are only numbered. */
function byName(wanted: readonly { id: string }[], names: readonly string[]): Record<string, string> {
  const numbered = names.length > 0 && names.every((name) => /^\d+$/.test(name))
  return Object.fromEntries(
    wanted.flatMap(({ id }, i) => {
      const column = numbered ? names[i] : names.find((name) => name.toLowerCase() === id.toLowerCase())
      return column ? [[id, column]] : []
    })
  )
}
