<script setup lang="ts">
import { known } from '../../../../words/spoken'
import { TASK_GROUPS, BUILD_PAGE } from '../../../../words/en'
import { computed } from 'vue'
import { rebuildOf, WAY_TASK } from '../../../../core/views/buildup'
import type { Reading } from '../../../../core/readings'
import FastenerMap from '../../../components/build/FastenerMap.vue'
import HoursPanel from '../../../components/build/HoursPanel.vue'
import HoldPanel from '../../../components/build/HoldPanel.vue'
import TaskRow from '../../../components/build/TaskRow.vue'
import TurnCheck from '../../../components/build/TurnCheck.vue'
import SheetMap from '../../../components/engine/SheetMap.vue'
import ChoiceRow from '../../../components/parts/ChoiceRow.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { partName, usageWords } from '../../../words'
import Panel from '../../../components/parts/Panel.vue'
import Caution from '../../../components/parts/Caution.vue'

/** Station 9: what goes in and in which order, what holds the engine back, and the check after two turns by hand. */
const job = useOpenJob()
const bench = useBench()
const mine = computed(() => bench.by !== '')
const rebuild = computed(() => rebuildOf(job.job, job.acts, job.assessment))
const sheet = computed(() => job.job.sheet)
const ways = computed(() => [
  { value: '', label: BUILD_PAGE.theUsualWay },
  ...(sheet.value.waysIn ?? []).map(({ id, name }) => ({ value: id, label: name }))
])
const way = computed({
  get: () => rebuild.value.way ?? '',
  set: (id) => job.put({ type: 'task', task: WAY_TASK, state: id ? 'done' : 'open', ...(id ? { note: id } : {}) })
})
const BASIS = {
  customer: BUILD_PAGE.asTheCustomerChose,
  workshop: BUILD_PAGE.asAdvised,
  calls: BUILD_PAGE.asTheCallsHoldAdvise
} as const
const done = (tasks: readonly { id: string }[]) =>
  tasks.filter(({ id }) => job.record.tasks.get(id)?.state === 'done').length

const setTask = (task: string, state: 'done' | 'open', more: { note?: string; value?: number }) =>
  job.put({ type: 'task', task, state, ...more })
const read = (round: 'set' | 'turned', reading: Reading) => job.put({ type: 'rebuilt', round, reading })
</script>

<template>
  <div>
    <JobBar :says="BUILD_PAGE.buildUp(usageWords(job.job.usage))" />
    <main
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_480px] gap-6 px-6 py-5 max-lg:grid-cols-1 max-md:px-2">
      <div class="space-y-4">
        <p>
          <b>{{ BUILD_PAGE.renewed }}</b>
          {{ rebuild.renew.map((id) => partName(sheet, id)).join(', ') || BUILD_PAGE.nothing }},
          {{ BASIS[rebuild.chosenBy] }}.
        </p>
        <ClientOnly
          ><ChoiceRow v-if="ways.length > 1 && mine" v-model="way" :label="BUILD_PAGE.wayIn" :options="ways"
        /></ClientOnly>
        <p v-if="!mine" class="border-l-4 border-brass bg-sheet p-3">
          {{ BUILD_PAGE.chooseWhoIsAtThe }}
        </p>
        <Panel v-for="group in rebuild.plan.groups" :key="group.key" :data-testid="`group-${group.key}`">
          <h2 class="flex justify-between text-lg font-bold">
            {{ TASK_GROUPS[group.key]
            }}<span class="text-note font-normal text-faint">{{
              BUILD_PAGE.of(done(group.tasks), group.tasks.length)
            }}</span>
          </h2>
          <ul>
            <TaskRow
              v-for="task in group.tasks"
              :key="task.id"
              :sheet="sheet"
              :task="task"
              :done="job.record.tasks.get(task.id) ?? null"
              :may-tick="mine"
              @set="(state, more) => setTask(task.id, state, more)" />
          </ul>
        </Panel>
      </div>
      <div class="space-y-4">
        <HoldPanel
          :sheet="sheet"
          :holds="rebuild.holds"
          :ready="rebuild.ready"
          :may-release="mine"
          @release="(hold, reason) => job.put({ type: 'release', hold, reason })" />
        <figure class="bg-sheet p-2">
          <div class="h-72">
            <ClientOnly><SheetMap :sheet="sheet" /></ClientOnly>
          </div>
          <figcaption class="px-2 pt-1 text-note">
            {{ BUILD_PAGE.setSoMarksAndCounts(known(sheet.rotation)) }}
          </figcaption>
        </figure>
        <TurnCheck :sheet="sheet" :checks="rebuild.checks" :may-read="mine" @read="read" />
        <FastenerMap
          :covers="rebuild.plan.operations"
          :holes="job.record.holes"
          :tasks="job.record.tasks"
          :may-change="mine"
          @add="job.put({ type: 'hole', ...$event })"
          @remove="job.put({ type: 'undo', act: $event })"
          @back="(id, back) => setTask(`hole:${id}`, back ? 'done' : 'open', {})" />
        <HoursPanel
          :operations="rebuild.plan.operations"
          :tasks="job.record.tasks"
          :may-change="mine"
          @took="
            (task, hours) => setTask(task, hours === null ? 'open' : 'done', hours === null ? {} : { value: hours })
          " />
        <Caution>{{ BUILD_PAGE.batteryOffBeforeTheEngine }}</Caution>
      </div>
    </main>
  </div>
</template>
