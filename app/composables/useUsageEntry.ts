import { askOfUsage, readWritten, type SeenUsage, type Usage } from '../../core/readings'
import { sayUsageAsked, USAGE_FIELD } from '../../words/en'
import { computed, ref, watch } from 'vue'
import { usageWords } from '../words'

/**
 * A usage as it is typed: read as the workshop writes numbers, said back in full where its marks were read as
 * thousands, asked about where the vehicle can hardly have it.
 * @param unit that it is counted in. @param seen what the vehicle had before. @param at the moment of it (ISO)
 */
export function useUsageEntry(unit: () => Usage['unit'], seen: () => readonly SeenUsage[], at: () => string) {
  const text = ref('')
  /** Was the question answered: it is right? */
  const sure = ref(false)
  const written = computed(() => readWritten(text.value))
  const value = computed(() => written.value?.value ?? null)
  const usage = computed<Usage | null>(() => (value.value === null ? null : { value: value.value, unit: unit() }))
  const readBack = computed(() =>
    written.value?.grouped && usage.value ? USAGE_FIELD.readAs(usageWords(usage.value)) : ''
  )
  const fault = computed(() => (text.value.trim() !== '' && value.value === null ? USAGE_FIELD.noNumber : ''))
  const question = computed(() => {
    const asked = usage.value && askOfUsage(seen(), usage.value, at())
    return asked ? sayUsageAsked(asked) : ''
  })
  watch([value, unit], () => (sure.value = false))
  return {
    text,
    sure,
    usage,
    readBack,
    fault,
    question,
    /** Can it be kept? */
    good: computed(() => usage.value !== null && (question.value === '' || sure.value))
  }
}

export type UsageEntry = ReturnType<typeof useUsageEntry>
