<script setup lang="ts">
import { ABOUT_PART, COMMON } from '../../../words/en'
import { computed, ref, watch } from 'vue'
import { supersededBy } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { USAGE_UNITS } from '../../words'
import { largeNumberOf } from './draft'
import Field from '../parts/Field.vue'

/**
 * What is known of a fitted part: its design and make, and since when it is in. New is not good: it rules nothing out.
 */
const props = defineProps<{ part: string }>()
const job = useOpenJob()

const known = computed(() => job.record.parts.get(props.part) ?? {})
const form = ref({ design: '', make: '', fittedAt: '' })
const fault = ref('')
const unit = computed(() => USAGE_UNITS[job.job.usage.unit])
const superseded = computed(() => job.job.sheet.superseded?.filter((s) => s.part === props.part) ?? [])
/** Is what is typed the number of a superseded design? Then it is noted as found with it. */
const byNumber = computed(() => supersededBy(job.job.sheet, props.part, form.value.design))

watch(
  [() => props.part, known],
  () => {
    const { design = '', make = '', fittedAt } = known.value
    form.value = { design, make, fittedAt: fittedAt === undefined ? '' : String(fittedAt) }
    fault.value = ''
  },
  { immediate: true }
)

function save() {
  const fittedAt = form.value.fittedAt.trim() === '' ? undefined : largeNumberOf(form.value.fittedAt)
  fault.value = ''
  if (fittedAt === null || (fittedAt !== undefined && (fittedAt < 0 || fittedAt > job.job.usage.value))) {
    fault.value = ABOUT_PART.writeTheAtWhichIt(unit.value, job.job.usage.value)
    return
  }
  const { design, make } = form.value
  if (byNumber.value && !job.findingOf(props.part, 'superseded'))
    job.put({
      type: 'read',
      reading: { kind: 'condition', target: props.part, finding: 'superseded', note: design.trim() }
    })
  job.put({
    type: 'part',
    part: props.part,
    known: {
      ...(design.trim() ? { design: design.trim() } : {}),
      ...(make.trim() ? { make: make.trim() } : {}),
      ...(fittedAt === undefined ? {} : { fittedAt })
    }
  })
}
</script>

<template>
  <form class="space-y-3" novalidate @submit.prevent="save">
    <ul v-if="superseded.length" class="border-l-4 border-brass bg-paper p-2 text-note">
      <li v-for="s in superseded" :key="s.design">
        {{ ABOUT_PART.superseded(s.design, s.onSight === true, s.source) }}
        <span v-if="s.sign || s.numbers?.length" class="block text-faint">{{
          ABOUT_PART.knownBy(s.sign ?? '', s.numbers ?? [])
        }}</span>
      </li>
    </ul>
    <Field v-model="form.design" :label="ABOUT_PART.designOrPartMark" maxlength="200" />
    <p v-if="byNumber" class="font-bold text-renew" role="status" data-testid="superseded-number">
      {{ ABOUT_PART.isSuperseded(byNumber.design) }}
    </p>
    <Field v-model="form.make" :label="ABOUT_PART.make" maxlength="120" />
    <Field
      v-model="form.fittedAt"
      :label="ABOUT_PART.fittedAtEmptyCameWith(unit)"
      figure
      inputmode="decimal"
      maxlength="12"
      :fault="fault" />
    <button type="submit" class="act-main w-full">{{ COMMON.save }}</button>
    <p class="text-note text-faint">
      {{ ABOUT_PART.aPartRenewedBeforeIs }}
    </p>
  </form>
</template>
