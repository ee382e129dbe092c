<script setup lang="ts">
import { COMMON, FINDING_KEYS, GROUP_TITLES, findingWords } from '../../../words/en'
import { computed, ref } from 'vue'
import type { FindingGroup } from '../../../core/views/bench'
import { COUNTED_FINDINGS } from '../../../core/readings'
import { partKindOf } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import WhenAt from '../parts/WhenAt.vue'

/** Quick keys for what is found and is no figure: one touch notes it, another takes it back. */
const props = defineProps<{
  target: string
  groups: readonly FindingGroup[]
  banks?: readonly number[]
  wide?: boolean
}>()
const job = useOpenJob()

const kind = computed(() => partKindOf(job.job.sheet, props.target) ?? 'engine')
/** A finding that needs a number waits for it. */
const counting = ref('')
const count = ref(1)
const note = ref('')

const words = (finding: string) => findingWords(kind.value, finding)
/** Under its group's title a finding needs no more than what tells it from the others. */
const brief = (finding: string) =>
  words(finding).replace(/^(fault code: |removed lifter |loudest |noise for |noise )/, '')
const standing = (finding: string) => job.findingOf(props.target, finding)
const isOn = (finding: string) => standing(finding) !== null
const found = computed(() => props.groups.flatMap((g) => g.findings.flatMap((finding) => standing(finding) ?? [])))

function touch(group: FindingGroup, finding: string) {
  if (!isOn(finding) && COUNTED_FINDINGS.includes(finding)) {
    counting.value = finding
    count.value = 1
    note.value = ''
    return
  }
  job.toggleFinding(
    { kind: 'condition', target: props.target, finding, ...bankOf(finding) },
    group.one ? group.findings : []
  )
}

function bankOf(finding: string): { bank?: number } {
  return finding === 'loudest-bank' && props.banks?.length === 1 ? { bank: props.banks[0]! } : {}
}

function saveCount() {
  job.toggleFinding({
    kind: 'condition',
    target: props.target,
    finding: counting.value,
    count: count.value,
    ...(note.value.trim() ? { note: note.value.trim() } : {})
  })
  counting.value = ''
}
</script>

<template>
  <div class="space-y-3">
    <fieldset v-for="group in groups" :key="group.title">
      <legend class="label">
        {{ GROUP_TITLES[group.title] }}<span v-if="group.one">{{ FINDING_KEYS.oneOf }}</span>
      </legend>
      <div class="mt-1 gap-1" :class="wide ? 'flex flex-wrap' : 'grid grid-cols-2'">
        <button
          v-for="finding in group.findings"
          :key="finding"
          type="button"
          class="min-h-11 rounded-edge border px-3 py-1 text-left text-body leading-tight"
          :class="isOn(finding) ? 'border-ink bg-ink text-sheet' : 'border-faint bg-sheet'"
          :aria-pressed="isOn(finding)"
          :data-testid="`finding-${finding}`"
          @click="touch(group, finding)">
          {{ brief(finding)
          }}<span v-if="standing(finding)?.count" class="figure"> × {{ standing(finding)?.count }}</span>
        </button>
      </div>
    </fieldset>
    <form v-if="counting" class="border-l-4 border-brass bg-paper p-3" @submit.prevent="saveCount">
      <p class="font-bold">{{ FINDING_KEYS.howMany(words(counting)) }}</p>
      <div class="mt-2 flex items-center gap-2">
        <button type="button" class="act" :aria-label="FINDING_KEYS.oneFewer" @click="count = Math.max(1, count - 1)">
          −
        </button>
        <output class="figure min-w-10 text-center text-2xl" aria-live="polite">{{ count }}</output>
        <button type="button" class="act" :aria-label="FINDING_KEYS.oneMore" @click="count++">+</button>
        <input
          v-model="note"
          class="field"
          :aria-label="FINDING_KEYS.whichAndWhere"
          :placeholder="FINDING_KEYS.whichAndWhere"
          maxlength="4000" />
      </div>
      <div class="mt-2 flex gap-2">
        <button type="submit" class="act-main">{{ COMMON.save }}</button><button
          type="button"
          class="act"
          @click="counting = ''">
          {{ COMMON.cancel }}
        </button>
      </div>
    </form>
    <ul
      v-if="groups.some((g) => g.findings.some(isOn))"
      class="text-note text-faint"
      :aria-label="FINDING_KEYS.whoFoundIt">
      <li v-for="one in found" :key="one.id">
        <span class="text-ink">{{ words(one.finding ?? '') }}</span>, {{ one.by }}, <WhenAt :at="one.at" /><span
          v-if="one.note"
          >: {{ one.note }}</span
        >
      </li>
    </ul>
  </div>
</template>
