<script setup lang="ts">
import { computed } from 'vue'
import { type Report, restOf } from '../../../words/en'
import { lagChart } from '../../../draw/lagChart'
import { pathChart } from '../../../draw/pathChart'
import type { Drawing } from '../../../draw/shapes'
import CallMark from '../parts/CallMark.vue'
import DrawnShapes from './DrawnShapes.vue'
import FigureTable from '../parts/FigureTable.vue'

/** A customer's report, in the words and figures it has on paper too. */
const props = defineProps<{ report: Report; map: Drawing | null; photo: (id: string) => string }>()
const chart = computed(() =>
  props.report.paths.length ? pathChart(props.report.paths, props.report.headings, 520, 240) : null
)
const more = computed(() => restOf(props.report))
const lags = computed(() =>
  props.report.traced ? lagChart(props.report.traced.rows, props.report.traced.words, 520) : null
)
</script>

<template>
  <article class="space-y-8 [&_h2]:mb-2 [&_h2]:text-xl [&_h2]:font-bold [&_tr]:align-top">
    <header>
      <address v-if="report.letterhead" class="mb-4 text-note text-faint not-italic" data-testid="letterhead">
        <img v-if="report.logo" :src="report.logo" :alt="report.letterhead[0]" class="mb-2 max-h-20" />
        <span v-for="line in report.letterhead" :key="line" class="block">{{ line }}</span>
      </address>
      <address v-if="report.addressee" class="mb-4 not-italic" data-testid="addressee">
        <span v-for="line in report.addressee" :key="line" class="block">{{ line }}</span>
      </address>
      <h1 class="text-3xl font-bold">
        {{ report.vehicle }}
        <span v-if="report.registration" class="text-lg font-normal text-faint">{{ report.registration }}</span>
      </h1>
      <p class="text-faint">{{ report.headings.under }}</p>
      <p v-if="report.complaint" class="mt-2">
        <b>{{ report.headings.broughtInFor }}</b> {{ report.complaint }}
      </p>
    </header>
    <section data-testid="report-found">
      <h2>{{ report.headings.found ?? report.headings.happened }}</h2>
      <p v-for="sentence in report.found ?? report.happened" :key="sentence" class="text-lg leading-snug">
        {{ sentence }}
      </p>
    </section>
    <section v-if="map">
      <h2>{{ report.headings.drive }}</h2>
      <DrawnShapes :drawing="map" :label="report.headings.map" class="max-w-2xl" />
    </section>
    <section v-if="report.paths.length">
      <h2>{{ report.headings.ways }}</h2>
      <p>{{ report.headings.waysSay }}</p>
      <div>
        <FigureTable as-list data-testid="report-paths" :heads="report.headings.way">
          <tr v-for="(path, i) in report.paths" :key="i">
            <td class="list-head">
              <span class="figure">{{ i + 1 }}</span> <b>{{ path.title }}</b><template v-if="path.advised">
                ({{ report.headings.advised }})</template
              >
            </td>
            <td :data-head="report.headings.way[1]">{{ path.names }}</td>
            <td :data-head="report.headings.way[2]" class="figure font-normal">{{ path.hours.toFixed(1) }}</td>
            <td :data-head="report.headings.way[3]" class="figure">
              <span class="whitespace-nowrap">{{ path.priceWords }}</span>
              <span v-if="path.openWords" class="block text-note font-normal" data-testid="open-price">{{
                path.openWords
              }}</span>
            </td>
            <td :data-head="report.headings.way[4]" class="font-normal">{{ path.comeBackWords }}</td>
          </tr>
        </FigureTable>
      </div>
      <DrawnShapes v-if="chart" :drawing="chart" :label="report.headings.chart" class="mt-3 max-w-xl" />
    </section>
    <section v-if="more.length">
      <h2>{{ report.headings.more }}</h2>
      <p v-for="sentence in more" :key="sentence">{{ sentence }}</p>
    </section>
    <section>
      <h2>{{ report.headings.measured }}</h2>
      <p v-if="report.measures.length === 0">{{ report.headings.nothingMeasured }}</p>
      <div v-else>
        <FigureTable as-list :heads="report.headings.measures">
          <tr v-for="m in report.measures" :key="m.name + m.what">
            <td class="list-head">{{ m.name }}</td>
            <td>{{ m.what }}</td>
            <td :data-head="report.headings.measures[2]" class="figure" :class="m.over ? '' : 'font-normal'">
              {{ m.read }}<template v-if="m.over">: {{ report.headings.pastLimit }}</template>
            </td>
            <td :data-head="report.headings.measures[3]" class="figure font-normal">{{ m.asNew }}</td>
            <td :data-head="report.headings.measures[4]">{{ m.limit }}</td>
          </tr>
        </FigureTable>
      </div>
    </section>
    <section v-if="report.traced" data-testid="report-traced">
      <h2>{{ report.traced.title }}</h2>
      <p v-for="line in report.traced.says" :key="line">{{ line }}</p>
      <DrawnShapes v-if="lags" :drawing="lags" :label="report.traced.chart" class="mt-2 max-w-xl" />
    </section>
    <section>
      <h2>{{ report.headings.calls }}</h2>
      <ul>
        <li
          v-for="call in report.calls"
          :key="call.part"
          class="grid grid-cols-[36px_1fr] gap-2 border-b border-rule/60 py-2">
          <CallMark :call="call.call" bare :size="24" />
          <div>
            <p>
              <b>{{ call.name }}</b> {{ call.words }}.
            </p>
            <p class="break-words">
              {{ call.why }} <span class="text-faint">{{ call.limit }}</span><template v-if="call.by">
                ({{ report.headings.decidedBy }} {{ call.by }})</template
              >
            </p>
          </div>
        </li>
      </ul>
    </section>
    <section v-if="report.photos.length">
      <h2>{{ report.headings.pictures }}</h2>
      <div class="grid grid-cols-3 gap-3 max-md:grid-cols-2">
        <figure v-for="p in report.photos" :key="p.id">
          <img :src="photo(p.id)" :alt="p.caption" class="w-full border border-rule" />
          <figcaption class="text-note break-words">{{ p.caption }}</figcaption>
        </figure>
      </div>
    </section>
    <section>
      <h2>{{ report.headings.ifLeft }}</h2>
      <p v-for="line in report.ifLeft" :key="line">{{ line }}</p>
    </section>
    <section>
      <h2>{{ report.headings.notChecked }}</h2>
      <p v-for="line in report.notChecked" :key="line">{{ line }}</p>
      <p v-if="report.notChecked.length === 0">{{ report.headings.allChecked }}</p>
    </section>
    <p v-if="report.foot" class="text-note whitespace-pre-line" data-testid="report-foot">{{ report.foot }}</p>
    <footer class="space-y-1 border-l-8 border-hazard bg-sheet p-3 text-note">
      <p v-for="line in report.cautions" :key="line">
        <b>{{ report.headings.caution }}</b> {{ line }}
      </p>
      <p class="text-faint">{{ report.headings.made }}</p>
    </footer>
  </article>
</template>
