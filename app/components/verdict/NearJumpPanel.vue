<script setup lang="ts">
import { NEAR_JUMP } from '../../../words/en'
import { computed } from 'vue'
import type { NearJump, Share } from '../../../core/estimate'
import type { DriveSheet } from '../../../core/sheet'
import { lengthWords } from '../../units'
import { partName, percent, usageWords } from '../../words'
import { placeOn } from '../ledger/placeOn'
import type { Usage } from '../../../core/readings'
import Panel from '../parts/Panel.vue'

/** How much of the slack it takes to ride over each sprocket there is with the tensioner bled down. */
defineProps<{ sheet: DriveSheet; near: readonly NearJump[]; unit: Usage['unit'] }>()

/** The strip ends a little past the slack that it takes. */
const END = 1.25
const at = computed(() => placeOn([0, END], [0, 100]))
const within = (share: number) => at.value(Math.min(END, Math.max(0, share)))
const between = ({ low, high }: Share) => NEAR_JUMP.between(percent(Math.max(0, low), 0), percent(high, 0))
</script>

<template>
  <Panel :title="NEAR_JUMP.title" data-testid="near-jump">
    <section v-for="chain in near" :key="chain.chain" class="mt-1">
      <h3 v-if="near.length > 1" class="font-bold">{{ partName(sheet, chain.chain) }}</h3>
      <p v-if="!chain.told" class="text-note">{{ NEAR_JUMP.nothingRead }}</p>
      <template v-else>
        <p class="text-note">
          {{ NEAR_JUMP.free(lengthWords(chain.slack.mean, 1), lengthWords(chain.slack.high, 1), chain.ratchet) }}
        </p>
        <div
          v-for="sprocket in chain.sprockets"
          :key="sprocket.sprocket"
          class="mt-1"
          role="img"
          :aria-label="`${partName(sheet, sprocket.sprocket)}: ${percent(sprocket.mean, 0)}, ${between(sprocket)}`">
          <div class="flex items-baseline justify-between gap-2 text-note">
            <span>{{ partName(sheet, sprocket.sprocket) }}</span>
            <span
              ><span class="figure text-body">{{ percent(sprocket.mean, 0) }}</span> {{ between(sprocket) }}</span
            >
          </div>
          <div class="relative h-2 bg-paper" aria-hidden="true">
            <span
              class="absolute inset-y-0 bg-ink opacity-30"
              :style="{
                left: `${within(sprocket.low)}%`,
                width: `${within(sprocket.high) - within(sprocket.low)}%`
              }" />
            <span class="absolute inset-y-0 w-0.5 bg-ink" :style="{ left: `${within(sprocket.mean)}%` }" />
            <span class="absolute -inset-y-0.5 w-0.5 bg-renew" :style="{ left: `${within(1)}%` }" />
          </div>
        </div>
        <p v-if="chain.later" class="mt-1 text-note">
          {{
            NEAR_JUMP.later(
              usageWords({ value: chain.later.usage, unit }),
              percent(chain.later.mean, 0),
              between(chain.later)
            )
          }}
        </p>
      </template>
    </section>
    <p class="mt-2 text-note text-faint">{{ NEAR_JUMP.firstOrder }}</p>
  </Panel>
</template>
