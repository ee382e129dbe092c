import { INTAKE } from '../../words/en'
import { $fetch } from 'ofetch'
import { ref, shallowRef } from 'vue'
import type { UsageUnit } from '../../core/readings'
import type { HistoryField } from '../../core/views/history'
import type { IntakeTried, ListedIntake, TableLook } from '../../server/store/intakes'
import { useBench } from '../stores/bench'
import { useAttempt } from './useAttempt'

/** A file of older records on its way in: looked at, tried, taken in with its progress, or called off. */
export function useIntake() {
  const bench = useBench()
  const { problem, busy, attempt } = useAttempt()
  const file = shallowRef<File | null>(null)
  const look = shallowRef<TableLook | null>(null)
  const fields = ref<(HistoryField | '')[]>([])
  const unit = ref<UsageUnit>('km')
  const days = ref<'day-first' | 'month-first'>('day-first')
  const tried = shallowRef<IntakeTried | null>(null)
  const progress = ref<{ done: number; all: number } | null>(null)
  const said = ref('')
  const earlier = shallowRef<ListedIntake[]>([])
  let ending: AbortController | null = null

  const asked = () => ({ fields: fields.value.join(','), unit: unit.value, days: days.value })
  const send = <T>(path: string, query = {}) =>
    $fetch<T>(`/api/intakes/${path}`, { method: 'POST', body: file.value ?? undefined, query, retry: 0 })

  const list = () => attempt(async () => (earlier.value = await $fetch<ListedIntake[]>('/api/intakes')))

  async function choose(chosen: File) {
    file.value = chosen
    look.value = tried.value = null
    said.value = ''
    await attempt(async () => {
      look.value = await send<TableLook>('look')
      fields.value = look.value.columns.map(({ field }) => field ?? '')
    })
  }

  const tryIt = () => attempt(async () => (tried.value = await send<IntakeTried>('try', asked())))

  async function take() {
    ending = new AbortController()
    said.value = ''
    progress.value = { done: 0, all: 0 }
    await attempt(async () => {
      const query = { ...asked(), name: file.value!.name.slice(0, 200), by: bench.by, rows: 'good' }
      const answer = await $fetch.raw<unknown, 'stream'>('/api/intakes/take', {
        method: 'POST',
        body: file.value!,
        query,
        retry: 0,
        responseType: 'stream',
        signal: ending!.signal
      })
      said.value = INTAKE.brokeOff
      await followed(answer._data as ReadableStream<Uint8Array>)
    })
    if (ending.signal.aborted) {
      problem.value = ''
      said.value = INTAKE.calledOff
    }
    progress.value = null
    await list()
  }

  /** Reads lines as they come: how far it is, then what it came to. */
  async function followed(stream: ReadableStream<Uint8Array>) {
    const reader = stream.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
    let text = ''
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
      text += piece.value
      const lines = text.split('\n')
      text = lines.pop() ?? ''
      for (const line of lines) hear(JSON.parse(line) as Line)
    }
  }

  type Line = { done: number; all: number } | { taken: IntakeTried } | { error: { message: string } }
  function hear(line: Line) {
    if ('done' in line) progress.value = line
    else if ('error' in line) {
      said.value = ''
      problem.value = line.error.message
    } else {
      said.value = INTAKE.took(line.taken.taken)
      look.value = tried.value = null
      file.value = null
    }
  }

  const callOff = () => ending?.abort()

  const undo = (id: string) =>
    attempt(async () => {
      const { stay } = await $fetch<{ stay: number }>(`/api/intakes/${id}/undone`, { method: 'POST', body: {} })
      said.value = INTAKE.stay(stay)
      earlier.value = await $fetch<ListedIntake[]>('/api/intakes')
    })

  return {
    bench,
    problem,
    busy,
    file,
    look,
    fields,
    unit,
    days,
    tried,
    progress,
    said,
    earlier,
    list,
    choose,
    tryIt,
    take,
    callOff,
    undo
  }
}
