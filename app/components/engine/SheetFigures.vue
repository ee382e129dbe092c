<script setup lang="ts">
import { computed } from 'vue'
import type { DriveSheet, Limit } from '../../../core/sheet'
import { lengthWords } from '../../units'
import { limitWords, partName } from '../../words'
import FigureTable from '../parts/FigureTable.vue'

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
  <div class="space-y-5">
    <FigureTable
      v-for="chain in sheet.chains"
      :key="chain.id"
      :caption="`${chain.name}: ${chain.links} links of ${lengthWords(chain.pitch, 3)}, ${chain.type}`"
      shown>
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
    </FigureTable>
    <FigureTable caption="Sprockets and marks" shown :heads="['Sprocket', 'Teeth', 'Mark at']">
      <tr v-for="sprocket in sheet.sprockets" :key="sprocket.id">
        <td>{{ sprocket.name }}</td>
        <td class="figure">{{ sprocket.teeth }}</td>
        <td class="figure font-normal">{{ markOf(sprocket.id) }}</td>
      </tr>
    </FigureTable>
    <FigureTable caption="Tensioners" shown :heads="['Tensioner', 'Stroke', 'First notch, pitch']">
      <tr v-for="t in sheet.tensioners" :key="t.id">
        <td>{{ t.name }} ({{ t.type }})</td>
        <td class="figure">{{ lengthWords(t.stroke, 1) }}</td>
        <td class="figure font-normal">
          {{ t.ratchet ? `${lengthWords(t.ratchet.first, 1)}, ${lengthWords(t.ratchet.pitch, 1)}` : '—' }}
        </td>
      </tr>
    </FigureTable>
    <FigureTable data-testid="sheet-limits" caption="Limits and where they come from" shown>
      <tr v-for="{ what, whom, limit } in limits" :key="what + whom">
        <td>{{ what }}, {{ whom.toLowerCase() }}</td>
        <td class="figure">{{ limitWords(limit) }}</td>
      </tr>
    </FigureTable>
  </div>
</template>
