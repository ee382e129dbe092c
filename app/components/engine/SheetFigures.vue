<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, LIMIT_NAMES, SHEET_FIGURES, sayPartName } from '../../../words/en'
import { computed } from 'vue'
import { compileSheet, type DriveSheet, type Limit, LIMIT_KINDS } from '../../../core/sheet'
import { lengthWords } from '../../units'
import { limitWords, partName } from '../../words'
import FigureTable from '../parts/FigureTable.vue'

/** The figures of a drive as tables: chains and counts, sprockets, tensioners, and limits with where they come from. */
const props = defineProps<{ sheet: DriveSheet }>()
const markOf = (id: string) => compileSheet(props.sheet).markOf(id)?.at ?? '—'
const whose = (limit: Limit) =>
  [limit.chain, limit.rail, limit.tensioner, limit.sprocket]
    .filter((id): id is string => id !== undefined)
    .map((id) => partName(props.sheet, id))
    .join(', ') || (LIMIT_KINDS[limit.kind].target === 'sprocket' ? SHEET_FIGURES.everyCam : COMMON.engine)
const limits = computed(() => [
  ...props.sheet.limits.map((limit) => ({ what: LIMIT_NAMES[limit.kind], whom: whose(limit), limit })),
  ...props.sheet.tensioners.flatMap(({ name, limit }) =>
    limit ? [{ what: SHEET_FIGURES.extension, whom: name, limit }] : []
  ),
  ...props.sheet.phasers.flatMap(({ name, playLimit }) =>
    playLimit ? [{ what: SHEET_FIGURES.play, whom: name, limit: playLimit }] : []
  )
])
</script>

<template>
  <div class="space-y-5">
    <FigureTable
      v-for="chain in sheet.chains"
      :key="chain.id"
      :caption="SHEET_FIGURES.linksOf(sayPartName(chain.name), chain.links, lengthWords(chain.pitch, 3), chain.type)"
      shown>
      <tr v-for="count in chain.counts" :key="`${count.from} ${count.to}`">
        <td>{{ COMMON.to(partName(sheet, count.from), partName(sheet, count.to)) }}</td>
        <td class="figure">{{ SHEET_FIGURES.links(count.links) }}</td>
      </tr>
      <tr v-if="chain.counted">
        <td>{{ SHEET_FIGURES.notOnSprockets }}</td>
        <td class="figure">{{ SHEET_FIGURES.links2(chain.counted.freeLinks) }}</td>
      </tr>
      <tr v-for="(links, cam) in chain.counted?.tight ?? {}" :key="cam">
        <td>{{ SHEET_FIGURES.tightSideToTheDriver(midSentence(partName(sheet, String(cam)))) }}</td>
        <td class="figure">{{ SHEET_FIGURES.links(links) }}</td>
      </tr>
    </FigureTable>
    <FigureTable
      :caption="SHEET_FIGURES.sprocketsAndMarks"
      shown
      :heads="[SHEET_FIGURES.sprocket, SHEET_FIGURES.teeth, SHEET_FIGURES.markAt]">
      <tr v-for="sprocket in sheet.sprockets" :key="sprocket.id">
        <td>{{ sayPartName(sprocket.name) }}</td>
        <td class="figure">{{ sprocket.teeth }}</td>
        <td class="figure font-normal">{{ markOf(sprocket.id) }}</td>
      </tr>
    </FigureTable>
    <FigureTable
      :caption="SHEET_FIGURES.tensioners"
      shown
      :heads="[SHEET_FIGURES.tensioner, COMMON.stroke, SHEET_FIGURES.firstNotchPitch]">
      <tr v-for="t in sheet.tensioners" :key="t.id">
        <td>{{ t.name }} ({{ t.type }})</td>
        <td class="figure">{{ lengthWords(t.stroke, 1) }}</td>
        <td class="figure font-normal">
          {{ t.ratchet ? `${lengthWords(t.ratchet.first, 1)}, ${lengthWords(t.ratchet.pitch, 1)}` : '—' }}
        </td>
      </tr>
    </FigureTable>
    <FigureTable data-testid="sheet-limits" :caption="SHEET_FIGURES.limitsAndWhereTheyCome" shown>
      <tr v-for="{ what, whom, limit } in limits" :key="what + whom">
        <td>{{ what }}, {{ midSentence(whom) }}</td>
        <td class="figure">{{ limitWords(limit) }}</td>
      </tr>
    </FigureTable>
  </div>
</template>
