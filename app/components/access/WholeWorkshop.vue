<script setup lang="ts">
import { WHOLE } from '../../../words/en'
import { ref } from 'vue'
import type { ArchiveTaken } from '../../../server/archive/take'
import { useAttempt } from '../../composables/useAttempt'
import { useTelling } from '../../composables/useTelling'
import { useBench } from '../../stores/bench'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import TakeFile from '../parts/TakeFile.vue'

/** The whole workshop as one archive of open files: out, and in again by an empty one. */
const bench = useBench()
const { problem, faults, busy, attempt } = useAttempt()
const { progress, send, callOff } = useTelling<ArchiveTaken>()
const said = ref('')

const take = (file: File) =>
  attempt(async () => {
    said.value = ''
    const told = await send('/api/archive', file, { by: bench.by })
    if ('refused' in told) problem.value = told.refused
    else if ('ended' in told) said.value = told.ended === 'called-off' ? WHOLE.calledOff : WHOLE.brokeOff
    else {
      const { jobs, customers, vehicles, photos } = told.taken
      said.value = WHOLE.took(jobs, customers, vehicles, photos)
    }
  })
</script>

<template>
  <Panel :title="WHOLE.title" data-testid="whole-workshop">
    <div class="mt-2 grid grid-cols-2 gap-6 max-lg:grid-cols-1">
      <div>
        <p>{{ WHOLE.says }}</p>
        <a href="/api/archive" download class="act mt-3 inline-flex items-center" data-testid="everything-out">{{
          WHOLE.out
        }}</a>
      </div>
      <div>
        <p>{{ WHOLE.says2 }}</p>
        <div class="mt-3 flex flex-wrap items-center gap-4">
          <TakeFile
            class="act"
            :label="WHOLE.file"
            accept=".zip,application/zip"
            test-id="everything-in"
            :disabled="busy"
            @file="take"
            >{{ WHOLE.in }}</TakeFile
          >
          <template v-if="progress">
            <p role="status" class="figure">
              {{ progress.all ? WHOLE.taking(progress.done, progress.all) : WHOLE.sending }}
            </p>
            <button type="button" class="act-bare" @click="callOff">{{ WHOLE.callOff }}</button>
          </template>
        </div>
      </div>
    </div>
    <p v-if="said" role="status" class="mt-3" data-testid="whole-said">{{ said }}</p>
    <FaultNote v-if="problem" class="mt-3">
      {{ problem }}
      <span v-for="(message, place) in faults" :key="place" class="block">{{ place }}: {{ message }}</span>
    </FaultNote>
  </Panel>
</template>
