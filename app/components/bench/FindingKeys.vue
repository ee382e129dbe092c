<script setup lang="ts">
import { FINDING_KEYS, GROUP_TITLES, findingWords } from '../../../words/en'
import { computed, ref } from 'vue'
import type { FindingGroup } from '../../../core/views/bench'
import type { StandingReading } from '../../../core/record'
import { detailsOf, needsDetail, type Of } from '../../../core/readings'
import { partKindOf } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { later } from '../../later'
import { findingDetail } from '../../words'
import HowButton from './HowButton.vue'
import WhenAt from '../parts/WhenAt.vue'

const FindingForm = later(() => import('./FindingForm.vue'))

/** Quick keys for what is found: one touch notes it, another takes it back; what has a figure asks for it first. */
const props = defineProps<{
  target: string
  groups: readonly FindingGroup[]
  banks?: readonly number[]
  wide?: boolean
}>()
const job = useOpenJob()

type Standing = StandingReading & { readonly kind: 'condition' }

const kind = computed(() => partKindOf(job.job.sheet, props.target) ?? 'engine')
/** What is being said more of: a new finding, or one that stands. */
const asking = ref<{ finding: string; of: Standing | null } | null>(null)

const words = (finding: string) => findingWords(kind.value, finding)
/** Under its group's title a finding needs no more than what tells it from the others. */
const brief = (finding: string) =>
  words(finding).replace(/^(fault code: |removed lifter |loudest |noise for |noise )/, '')
const standing = (finding: string) =>
  job.record.readings.filter(
    (r): r is Standing => r.kind === 'condition' && r.target === props.target && r.finding === finding
  )
const isOn = (finding: string) => standing(finding).length > 0
const found = computed(() => props.groups.flatMap((g) => g.findings.flatMap(standing)))
const photosOf = (id: string) => job.record.photos.filter(({ shows }) => shows === id)
const details = (finding: string) => detailsOf(job.job.sheet, kind.value, finding)
/** One finding of several cylinders, banks or sensors. */
const many = (finding: string) => details(finding).some((d) => d === 'cylinder' || d === 'bank' || d === 'sensor')

function touch(group: FindingGroup, finding: string) {
  const asksFirst = needsDetail(finding)
  if (asksFirst && (!isOn(finding) || many(finding))) {
    asking.value = { finding, of: null }
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

function save(reading: Of<'condition'>) {
  const of = asking.value?.of
  job.put({ type: 'read', reading, ...(of ? { supersedes: of.id } : {}) })
  asking.value = null
}
</script>

<template>
  <div class="space-y-3">
    <HowButton :part="target" :findings="groups.flatMap(({ findings }) => findings)" />
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
          }}<span v-if="standing(finding)[0]?.count" class="figure"> × {{ standing(finding)[0]?.count }}</span>
        </button>
      </div>
      <FindingForm
        v-if="asking && group.findings.includes(asking.finding)"
        :key="`${asking.finding} ${asking.of?.id}`"
        class="mt-2"
        :target="target"
        :finding="asking.finding"
        :known="asking.of"
        @save="save"
        @cancel="asking = null" />
    </fieldset>
    <ul v-if="found.length" class="text-note text-faint" :aria-label="FINDING_KEYS.whoFoundIt">
      <li v-for="one in found" :key="one.id">
        <span class="text-ink"
          >{{ words(one.finding) }}<template v-if="findingDetail(one)">: {{ findingDetail(one) }}</template></span
        >, {{ one.by }}, <WhenAt :at="one.at" /><span v-if="one.note">: {{ one.note }}</span>
        <a
          v-for="photo in photosOf(one.id)"
          :key="photo.id"
          class="act-bare"
          :href="`/api/photos/${photo.photo}`"
          target="_blank"
          rel="noopener">
          {{ FINDING_KEYS.photo }}</a
        >
        <template v-if="details(one.finding).length"
          >{{ ' ' }}
          <button type="button" class="act-bare" @click="asking = { finding: one.finding, of: one }">
            {{ FINDING_KEYS.say }}
          </button></template
        >
        <template v-if="many(one.finding)"
          >{{ ' ' }}
          <button type="button" class="act-bare" @click="asking = { finding: one.finding, of: null }">
            {{ FINDING_KEYS.another }}</button>{{ ' ' }}
          <button
            type="button"
            class="act-bare"
            :aria-label="FINDING_KEYS.takeBack(words(one.finding))"
            @click="job.put({ type: 'undo', act: one.id })">
            ×
          </button></template
        >
      </li>
    </ul>
  </div>
</template>
