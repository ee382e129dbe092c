<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { ref, watch } from 'vue'
import type { Reading } from '../../../core/readings'
import type { TraceRead } from '../../../core/record'
import { type CamTrace, shownOf, type Trace } from '../../../core/trace'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import Field from '../parts/Field.vue'

/** Keeps what a trace shows of each cam: as readings of the engine as it came in, or as its proof. */
const props = defineProps<{
  trace: Trace
  file: File
  /** Is the trace being held against something else just now? */
  busy: boolean
  /** The good trace that it was held against; empty without. */
  good: string
  /** The reading that the page was opened for again; empty without. */
  again: string
  sigmaOf: (error: number) => number
  hash: (file: File) => Promise<string>
}>()
/** Is it a trace of the rebuilt engine? */
const rebuilt = defineModel<boolean>({ required: true })
const job = useOpenJob()
const who = useBench()
const saved = ref(false)
const keeping = ref(false)
watch([() => props.trace, rebuilt], () => (saved.value = false))

const fine = (value: number, digits: number) => Number(value.toFixed(digits))
function traceOf(cam: CamTrace, hash: string): TraceRead {
  const { error, spread, edges, waver } = cam
  const wavers = waver && {
    amplitude: fine(waver.amplitude, 2),
    turns: fine(waver.turns, 2),
    phase: fine(waver.phase, 1)
  }
  return {
    file: props.file.name.slice(0, 200),
    hash,
    turns: fine(props.trace.turns, 1),
    rpm: Math.round(props.trace.rpm.mean),
    error: fine(error, 4),
    spread: fine(spread, 4),
    edges,
    ...(wavers ? { waver: wavers } : {}),
    ...(props.good ? { good: props.good.slice(0, 200) } : {}),
    shown: shownOf(props.trace, cam)
  }
}
/** Does the reading that it was opened for stand for this cam? */
function corrected(sprocket: string): string | undefined {
  const act = job.acts.find(({ id }) => id === props.again)
  return act?.type === 'read' && act.reading.kind === 'camLag' && act.reading.sprocket === sprocket ? act.id : undefined
}

async function keep() {
  if (!who.by) return
  keeping.value = true
  const hash = await props.hash(props.file)
  for (const [sprocket, cam] of Object.entries(props.trace.cams)) {
    const reading = {
      kind: 'camLag',
      sprocket,
      value: fine(cam.lag, 2),
      sigma: fine(props.sigmaOf(cam.error), 3),
      method: 'trace',
      turnedForward: true
    } as Reading
    const supersedes = corrected(sprocket)
    const said = rebuilt.value
      ? { type: 'rebuilt' as const, round: 'proof' as const }
      : { type: 'read' as const, ...(supersedes ? { supersedes } : {}) }
    job.put({ ...said, reading, trace: traceOf(cam, hash) })
  }
  keeping.value = false
  saved.value = true
}
</script>

<template>
  <Field :label="TRACE_PAGE.keptAs" class="mt-2">
    <template #default="{ control }">
      <select v-model="rebuilt" v-bind="control" data-testid="trace-round">
        <option :value="false">{{ TRACE_PAGE.asFound }}</option>
        <option :value="true">{{ TRACE_PAGE.asRebuilt }}</option>
      </select>
    </template>
  </Field>
  <button
    type="button"
    class="act-main mt-2 w-full"
    data-testid="keep-trace"
    :disabled="!who.by || saved || keeping || busy"
    @click="keep">
    {{ TRACE_PAGE.keep }}
  </button>
  <p v-if="!who.by" class="text-note">{{ TRACE_PAGE.whoFirst }}</p>
  <p v-if="saved" role="status">{{ TRACE_PAGE.kept }}</p>
</template>
