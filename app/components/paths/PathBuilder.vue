<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, PATH_BUILDER, sayUpTo } from '../../../words/en'
import { computed } from 'vue'
import type { KeptOdds, OwnPath } from '../../../core/paths'
import type { DriveSheet } from '../../../core/sheet'
import { fixDigits, money, namesOf, oddsWords, partName } from '../../words'
import Panel from '../parts/Panel.vue'

/**
 * A path part by part: hours, parts, always-renewed items and odds move with each; access is one shared block, paid
 * once.
 */
const props = defineProps<{
  sheet: DriveSheet
  own: OwnPath
  chosen: readonly string[]
  kept: Record<string, KeptOdds>
  currency: string
  way: string | null
}>()
const emit = defineEmits<{ change: [renew: string[]] }>()

const parts = computed(() =>
  (props.sheet.parts ?? []).filter(
    ({ fits }, i, all) => all.findIndex((other) => other.fits === fits) === i && fits in props.kept
  )
)
const operations = computed(() => new Map(props.sheet.operations?.map((operation) => [operation.id, operation])))
const access = computed(() => props.own.operations.flatMap((id) => operations.value.get(id) ?? []))
const accessHours = computed(() => access.value.reduce((sum, { hours }) => sum + hours, 0))
const items = computed(() =>
  props.own.items.map(({ id, quantity }) => ({
    name: props.sheet.alwaysRenewed?.find((one) => one.id === id)?.name ?? id,
    quantity
  }))
)
const upTo = computed(() => sayUpTo(props.own.undecided, props.currency, namesOf(props.sheet)))
const toggle = (id: string) =>
  emit('change', props.chosen.includes(id) ? props.chosen.filter((one) => one !== id) : [...props.chosen, id])
</script>

<template>
  <Panel :title="PATH_BUILDER.partByPart" quiet :label="PATH_BUILDER.aPathBuiltByHand" data-testid="builder">
    <ul>
      <li v-for="part in parts" :key="part.id">
        <label class="flex min-h-11 items-center gap-3 border-t border-rule/60">
          <input
            type="checkbox"
            class="size-6 accent-ink"
            :checked="own.renew.includes(part.fits)"
            :disabled="own.brought.includes(part.fits)"
            @change="toggle(part.fits)" />
          <span class="flex-1"
            >{{ partName(sheet, part.fits)
            }}<span v-if="own.brought.includes(part.fits)" class="block text-note text-faint">{{
              PATH_BUILDER.comesWithWhatIsChosen
            }}</span
            ><span v-else-if="own.keepsCondemned.includes(part.fits)" class="block text-note font-bold text-renew">{{
              PATH_BUILDER.condemnedByTheReadings
            }}</span></span
          >
          <span class="text-right text-note text-faint">{{
            own.renew.includes(part.fits)
              ? money(part.price, currency)
              : PATH_BUILDER.kept(oddsWords(kept[part.fits]?.odds ?? 0))
          }}</span>
        </label>
      </li>
    </ul>
    <dl
      class="[&_dd]:text-right mt-3 grid grid-cols-[1fr_auto] gap-y-1 border-t-2 border-ink pt-2"
      data-testid="own-cost">
      <dt>
        {{ PATH_BUILDER.gettingThereOnce
        }}<span class="block text-note text-faint"
          >{{ access.map((o) => midSentence(o.name)).join(', ') || PATH_BUILDER.nothingToTakeOff
          }}{{ way ? `; ${midSentence(way)}` : '' }}</span
        >
      </dt>
      <dd class="figure">{{ fixDigits(accessHours, 1) }} h</dd>
      <dt>{{ PATH_BUILDER.atThePartsThemselves }}</dt>
      <dd class="figure">{{ fixDigits(own.cost.hours - accessHours, 1) }} h</dd>
      <dt>{{ PATH_BUILDER.labour }}</dt>
      <dd class="figure">{{ money(own.cost.labour, currency) }}</dd>
      <dt>{{ COMMON.parts }}</dt>
      <dd class="figure">{{ money(own.cost.partsPrice, currency) }}</dd>
      <dt>
        {{ PATH_BUILDER.alwaysRenewed
        }}<span class="block text-note text-faint">{{
          items.map(({ name, quantity }) => (quantity > 1 ? `${quantity} × ${name}` : name)).join(', ')
        }}</span>
      </dt>
      <dd class="figure">{{ money(own.cost.itemsPrice, currency) }}</dd>
      <dt class="text-lg font-bold">
        {{ COMMON.priceNow
        }}<span v-if="upTo" class="block text-note font-normal text-faint" data-testid="own-at-most">{{ upTo }}</span>
      </dt>
      <dd class="figure text-lg" data-testid="own-now">{{ money(own.cost.now, currency) }}</dd>
      <dt>{{ PATH_BUILDER.comesBack }}</dt>
      <dd class="figure" data-testid="own-odds">{{ oddsWords(own.cost.comeBack) }}</dd>
      <dt>{{ PATH_BUILDER.expectedCost }}</dt>
      <dd class="figure">{{ money(own.cost.expected, currency) }}</dd>
    </dl>
  </Panel>
</template>
