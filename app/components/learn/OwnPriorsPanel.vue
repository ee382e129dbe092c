<script setup lang="ts">
import { OWN_PRIORS } from '../../../words/en'
import { computed } from 'vue'
import { learntFigures, type OwnPriors } from '../../../core/views/learn'
import { signedIn } from '../../signedIn'
import { useBench } from '../../stores/bench'
import { fixDigits } from '../../words'
import FigureTable from '../parts/FigureTable.vue'
import Panel from '../parts/Panel.vue'

/** What the workshop believes of a type of engine from its own jobs, beside the defaults, and how that has held. */
const props = defineProps<{ own: OwnPriors }>()
const bench = useBench()

const rows = computed(() =>
  learntFigures(props.own).map(({ figure, own, usual }) => {
    const shown = (value: number) => (figure === 'elongation' ? fixDigits(100 * value, 2) : fixDigits(value, 2))
    return { figure, own: shown(own), usual: shown(usual) }
  })
)
const proof = computed(() => {
  const { chains, defaults, own } = props.own.proof
  const percent = (error: number) => fixDigits(100 * error, 3)
  return chains === 0
    ? OWN_PRIORS.noProofYet
    : OWN_PRIORS.proof(chains, percent(own.error), percent(defaults.error), own.held, defaults.held)
})
/** Everybody sees their own errors, and a foreman everybody's; what is not to be seen is not told by the server. */
const mine = computed(() => props.own.people.filter(({ by }) => by === bench.by))
const others = computed(() => (signedIn.value?.person ? props.own.people.filter(({ by }) => by !== bench.by) : []))
</script>

<template>
  <Panel data-testid="own-priors">
    <h2 class="text-lg font-bold">
      {{ own.sheet.name
      }}<span class="text-body font-normal text-faint">, {{ OWN_PRIORS.from(own.priors.engines) }}</span>
    </h2>
    <FigureTable v-if="rows.length" class="mt-1" :heads="[OWN_PRIORS.figure, OWN_PRIORS.own, OWN_PRIORS.usual]">
      <tr v-for="row in rows" :key="row.figure">
        <td>{{ OWN_PRIORS.figures[row.figure] }}</td>
        <td class="figure">{{ row.own }}</td>
        <td class="figure font-normal">{{ row.usual }}</td>
      </tr>
    </FigureTable>
    <p class="mt-1 text-note">{{ proof }}</p>
    <template v-if="mine.length">
      <h3 class="label mt-2">{{ OWN_PRIORS.yourErrors }}</h3>
      <ul class="text-note" data-testid="own-errors">
        <li v-for="one in mine" :key="one.what">
          {{ OWN_PRIORS.error(one.what, fixDigits(one.times, 2), one.readings) }}
        </li>
      </ul>
    </template>
    <template v-if="others.length">
      <h3 class="label mt-2">{{ OWN_PRIORS.othersErrors }}</h3>
      <ul class="text-note" data-testid="others-errors">
        <li v-for="one in others" :key="`${one.by} ${one.what}`">
          {{ one.by }}: {{ OWN_PRIORS.error(one.what, fixDigits(one.times, 2), one.readings) }}
        </li>
      </ul>
    </template>
  </Panel>
</template>
