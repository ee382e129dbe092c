<script setup lang="ts">
import { computed } from 'vue'
import type { DriveSheet, Limit } from '../../../core/sheet'
import { lengthWords } from '../../units'
import { limitWords, partName } from '../../words'

/** The figures of a drive as tables: chains and counts, sprockets, tensioners, and limits with where they come from. */
const props = defineProps<{ sheet: DriveSheet }>()
const KINDS: Readonly<Record<Limit['kind'], string>> = {
  elongation: 'Elongation',
  camLag: 'Cam lag',
  groove: 'Groove',
  padWear: 'Pad wear'
}
const markOf = (id: string) => props.sheet.marks.find((m) => m.sprocket === id)?.at ?? '—'
const whose = (limit: Limit) =>
  [limit.chain, limit.rail, limit.tensioner, limit.sprocket]
    .filter((id): id is string => id !== undefined)
    .map((id) => partName(props.sheet, id))
    .join(', ') || 'every cam'
const limits = computed(() => [
  ...props.sheet.limits.map((limit) => ({ what: KINDS[limit.kind], whom: whose(limit), limit })),
  ...props.sheet.tensioners.flatMap(({ name, limit }) => (limit ? [{ what: 'Extension', whom: name, limit }] : [])),
  ...props.sheet.phasers.flatMap(({ name, playLimit }) =>
    playLimit ? [{ what: 'Play', whom: name, limit: playLimit }] : []
  )
])
</script>

<template>
  <div
    class="space-y-5 [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3 [&_th]:font-normal [&_th]:text-faint [&_tr]:border-b [&_tr]:border-rule/60">
    <table v-for="chain in sheet.chains" :key="chain.id" class="w-full text-left">
      <caption class="text-left font-bold">
        {{
          chain.name
        }}:
        <span class="figure">{{ chain.links }}</span>
        links of
        {{
          lengthWords(chain.pitch, 3)
        }},
        {{
          chain.type
        }}
      </caption>
      <tbody>
        <tr v-for="count in chain.counts" :key="`${count.from} ${count.to}`">
          <td>{{ partName(sheet, count.from) }} to {{ partName(sheet, count.to) }}</td>
          <td class="figure">{{ count.links }} links</td>
        </tr>
        <tr v-if="chain.counted">
          <td>Not on sprockets</td>
          <td class="figure">{{ chain.counted.freeLinks }} links</td>
        </tr>
        <tr v-for="(links, cam) in chain.counted?.tight ?? {}" :key="cam">
          <td>Tight side, {{ partName(sheet, String(cam)).toLowerCase() }} to the driver</td>
          <td class="figure">{{ links }} links</td>
        </tr>
      </tbody>
    </table>
    <table class="w-full text-left">
      <caption class="text-left font-bold">
        Sprockets and marks
      </caption>
      <thead>
        <tr>
          <th>Sprocket</th>
          <th>Teeth</th>
          <th>Mark at</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sprocket in sheet.sprockets" :key="sprocket.id">
          <td>{{ sprocket.name }}</td>
          <td class="figure">{{ sprocket.teeth }}</td>
          <td class="figure font-normal">{{ markOf(sprocket.id) }}</td>
        </tr>
      </tbody>
    </table>
    <table class="w-full text-left">
      <caption class="text-left font-bold">
        Tensioners
      </caption>
      <thead>
        <tr>
          <th>Tensioner</th>
          <th>Stroke</th>
          <th>First notch, pitch</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="t in sheet.tensioners" :key="t.id">
          <td>{{ t.name }} ({{ t.type }})</td>
          <td class="figure">{{ lengthWords(t.stroke, 1) }}</td>
          <td class="figure font-normal">
            {{ t.ratchet ? `${lengthWords(t.ratchet.first, 1)}, ${lengthWords(t.ratchet.pitch, 1)}` : '—' }}
          </td>
        </tr>
      </tbody>
    </table>
    <table class="w-full text-left" data-testid="sheet-limits">
      <caption class="text-left font-bold">
        Limits and where they come from
      </caption>
      <tbody>
        <tr v-for="{ what, whom, limit } in limits" :key="what + whom">
          <td>{{ what }}, {{ whom.toLowerCase() }}</td>
          <td class="figure">{{ limitWords(limit) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
