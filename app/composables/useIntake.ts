import { INTAKE } from '../../words/en'
import { $fetch } from 'ofetch'
import { ref, shallowRef } from 'vue'
import type { UsageUnit } from '../../core/readings'
import type { HistoryField } from '../../core/views/history'
import type { IntakeTried, ListedIntake, TableLook } from '../../server/store/intakes'
import { useBench } from '../stores/bench'
import { useAttempt } from './useAttempt'
import { useTelling } from './useTelling'

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
  const said = ref('')
  const earlier = shallowRef<ListedIntake[]>([])
  const { progress, send, callOff } = useTelling<IntakeTried>()

  const asked = () => ({ fields: fields.value.join(','), unit: unit.value, days: days.value })
  const ask = <T>(path: string, query = {}) =>
    $fetch<T>(`/api/intakes/${path}`, { method: 'POST', body: file.value ?? undefined, query, retry: 0 })

  const list = () => attempt(async () => (earlier.value = await $fetch<ListedIntake[]>('/api/intakes')))

  async function choose(chosen: File) {
    file.value = chosen
    look.value = tried.value = null
    said.value = ''
    await attempt(async () => {
      look.value = await ask<TableLook>('look')
      fields.value = look.value.columns.map(({ field }) => field ?? '')
    })
  }

  const tryIt = () => attempt(async () => (tried.value = await ask<IntakeTried>('try', asked())))

  async function take() {
    said.value = ''
    await attempt(async () => {
      const query = { ...asked(), name: file.value!.name.slice(0, 200), by: bench.by, rows: 'good' }
      const told = await send('/api/intakes/take', file.value!, query)
      if ('refused' in told) problem.value = told.refused
      else if ('ended' in told) said.value = told.ended === 'called-off' ? INTAKE.calledOff : INTAKE.brokeOff
      else {
        said.value = INTAKE.took(told.taken.taken)
        look.value = tried.value = null
        file.value = null
      }
    })
    const why = problem.value
    await list()
    problem.value ||= why
  }

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
