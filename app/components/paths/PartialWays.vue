<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { namesOf, PARTIAL_WAYS, sayRefused } from '../../../words/en'
import { computed, ref, shallowRef } from 'vue'
import type { PartialWay } from '../../../core/paths'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { CALL_WORDS, fixDigits, money, oddsWords, partName, usageWords } from '../../words'
import Caution from '../parts/Caution.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** Ways that do less than a repair: what each leaves open, chosen by name and looked at again. */
defineProps<{ ways: readonly PartialWay[]; currency: string }>()
const job = useOpenJob()
const bench = useBench()
const choosing = shallowRef<PartialWay | null>(null)
const accepted = ref('')
const date = ref('')
const fault = ref('')

const sheet = computed(() => job.job.sheet)
const chosen = computed(() => job.record.path?.partial ?? null)
const list = (parts: readonly string[]) => parts.map((id) => midSentence(partName(sheet.value, id))).join(', ')
const nameOf = ({ id, kind }: PartialWay) =>
  sheet.value.stopGaps?.find((gap) => gap.id === id)?.name ?? PARTIAL_WAYS.kinds[kind]
const leaves = ({ leaves: open }: PartialWay) =>
  open.length === 0
    ? PARTIAL_WAYS.leavesNothing
    : PARTIAL_WAYS.leaves(
        open
          .map(({ part, call }) => `${midSentence(partName(sheet.value, part))} (${midSentence(CALL_WORDS[call])})`)
          .join(', ')
      )
const again = ({ recheck }: PartialWay) =>
  PARTIAL_WAYS.again(usageWords({ value: recheck.usage, unit: job.job.usage.unit }), recheck.months)

function choose(way: PartialWay) {
  choosing.value = way
  fault.value = ''
  date.value = way.recheck.months === null ? '' : inMonths(way.recheck.months)
}

function inMonths(months: number): string {
  const day = new Date()
  day.setMonth(day.getMonth() + months)
  return day.toISOString().slice(0, 10)
}

function keep() {
  const way = choosing.value
  if (!way) return
  fault.value = accepted.value.trim() ? '' : PARTIAL_WAYS.writeWho
  if (fault.value) return
  job.put({ type: 'path', renew: [...way.renew], partial: { id: way.id, accepted: accepted.value.trim() } })
  job.put({
    type: 'check',
    usage: Math.round(way.recheck.usage),
    ...(date.value ? { date: date.value } : {}),
    stopGap: true,
    note: nameOf(way)
  })
  choosing.value = null
}
</script>

<template>
  <section v-if="ways.length" data-testid="partial-ways">
    <h2 class="text-xl font-bold">{{ PARTIAL_WAYS.title }}</h2>
    <p class="text-note text-faint">{{ PARTIAL_WAYS.says }}</p>
    <ul class="mt-2 border-t border-rule bg-sheet">
      <li
        v-for="way in ways"
        :key="way.id"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 border-b border-rule px-3 py-2"
        :class="way.refused ? 'text-faint' : ''"
        :data-testid="`partial-${way.id}`">
        <div>
          <p class="font-bold">{{ nameOf(way) }}</p>
          <p v-if="way.refused" class="text-note">
            {{ PARTIAL_WAYS.notOpen }}: {{ sayRefused(way.refused, namesOf(sheet)) }}
          </p>
          <template v-else>
            <p class="text-note">
              <template v-if="way.renew.length">{{ PARTIAL_WAYS.renews(list(way.renew)) }}{{ ' ' }}</template
              ><template v-if="way.looksAt.length">{{ PARTIAL_WAYS.looksAt(list(way.looksAt)) }}{{ ' ' }}</template
              >{{ leaves(way) }}
            </p>
            <p class="text-note text-faint">{{ again(way) }}</p>
            <p v-if="chosen?.id === way.id" class="font-bold">{{ PARTIAL_WAYS.kept(chosen.accepted) }}</p>
          </template>
        </div>
        <div v-if="!way.refused" class="text-right">
          <p class="figure">{{ money(way.cost.now, currency) }}</p>
          <p class="text-note">{{ PARTIAL_WAYS.hours(fixDigits(way.cost.hours, 1)) }}</p>
          <p class="text-note">{{ PARTIAL_WAYS.odds(oddsWords(way.cost.comeBack)) }}</p>
          <button v-if="bench.by && choosing !== way" type="button" class="act mt-1" @click="choose(way)">
            {{ PARTIAL_WAYS.choose }}
          </button>
        </div>
        <form
          v-if="choosing === way"
          class="col-span-2 mt-2 grid grid-cols-[minmax(0,1fr)_180px_auto] items-end gap-2 border-l-4 border-brass bg-paper p-3 max-md:grid-cols-1"
          novalidate
          @submit.prevent="keep">
          <Field v-model="accepted" :label="PARTIAL_WAYS.acceptedBy" maxlength="120" autocomplete="off" />
          <Field v-model="date" type="date" :label="PARTIAL_WAYS.date" />
          <button type="submit" class="act-main">{{ PARTIAL_WAYS.keep }}</button>
          <FaultNote v-if="fault" class="col-span-full">{{ fault }}</FaultNote>
        </form>
      </li>
    </ul>
    <Caution class="mt-2">{{ PARTIAL_WAYS.caution }}</Caution>
  </section>
</template>
