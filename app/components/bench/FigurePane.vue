<script setup lang="ts">
import { midSentence, known } from '../../../words/spoken'
import { COMMON, FIGURE_PANE } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { colouredLinksReturn, lagToClock, slackMap, touchingRails } from '../../../core/drive'
import type { StandingReading } from '../../../core/record'
import type { Slot } from '../../../core/views/bench'
import { compileSheet } from '../../../core/sheet'
import { READING_KINDS, sheetCount, type Reading } from '../../../core/readings'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { lengthWords } from '../../units'
import { limitWords, partName } from '../../words'
import { later } from '../../later'
import { draftOf, emptyDraft, numberOf, type Draft } from './draft'
import { pastReadings } from './past'
import HowButton from './HowButton.vue'
import ReadingForm from './ReadingForm.vue'
import UntoldQuestions from './UntoldQuestions.vue'
import ReadingList from './ReadingList.vue'

const WaverNote = later(() => import('./WaverNote.vue'))

/** One figure of a part: its limit, what was read, and a form for the next reading. */
const props = defineProps<{ slot: Slot }>()
const job = useOpenJob()
const bench = useBench()

/** Figures typed but not saved yet, so that a reload or another part in between loses nothing. */
const drafts = useLocalStorage<Record<string, Draft>>('umbrette.drafts', {})
const correcting = ref<StandingReading | null>(null)
const sheet = computed(() => job.job.sheet)
const draftKey = computed(() => `${job.id}:${props.slot.key}${correcting.value ? `:${correcting.value.id}` : ''}`)
const draft = computed({
  get: () =>
    drafts.value[draftKey.value] ?? (correcting.value ? draftOf(props.slot, correcting.value) : emptyDraft(props.slot)),
  set: (value) => (drafts.value = { ...drafts.value, [draftKey.value]: value })
})
const standing = computed(() => job.readingsOf(props.slot))
/** Where a reading that was measured on a photo, or read from a trace, is looked at again. */
const origins = computed(
  () =>
    new Map(
      job.acts.flatMap((act): [string, { to: string; of: 'photo' | 'trace' }][] => {
        if (act.type !== 'read') return []
        const at = `/jobs/${job.id}`
        if (act.picture) {
          const to = `${at}/measure?photo=${act.picture.photo}&part=${props.slot.part}&reading=${act.id}`
          return [[act.id, { to, of: 'photo' }]]
        }
        return act.trace ? [[act.id, { to: `${at}/trace?reading=${act.id}`, of: 'trace' }]] : []
      })
    )
)
const past = computed(() => pastReadings(job.acts, job.record, props.slot))
const parts = computed(() => compileSheet(sheet.value))
const limit = computed(() => READING_KINDS[props.slot.kind].limit(parts.value, props.slot.part))
const chain = computed(() => {
  const { chain: of, sprocket } = props.slot.target
  return of ? (parts.value.chains.get(of) ?? null) : sprocket ? parts.value.chainAt(sprocket) : null
})
const mark = computed(() => parts.value.markOf(props.slot.target.sprocket ?? ''))
const expected = computed(() => {
  const { from = '', to = '', links, sprocket } = props.slot.target
  const { kind } = props.slot
  if (!chain.value) return ''
  if (kind === 'linkCount')
    return FIGURE_PANE.linksOnTheSheetColoured(
      sheetCount(chain.value, from, to) ?? '',
      colouredLinksReturn(sheet.value, chain.value)
    )
  if (kind === 'chainLength' && links)
    return FIGURE_PANE.newOverLinksSamePull(lengthWords(links * chain.value.pitch, 2), links)
  const cam = sprocket ? job.assessment.cams[sprocket] : undefined
  if (kind !== 'camLag' || !mark.value || !sprocket || !cam) return ''
  return FIGURE_PANE.itsMarkBelongsAtTurning(
    mark.value.at,
    known(sheet.value.rotation),
    lagToClock(sheet.value, chain.value, sprocket, cam.lag.mean)
  )
})
/** Where slack would gather, for whoever is about to let the tensioner go. */
const slack = computed(() => {
  const tensioner = parts.value.tensioners.get(props.slot.target.tensioner ?? '')
  const of = tensioner && parts.value.chains.get(tensioner.chain)
  if (!of || !tensioner || props.slot.kind !== 'extension') return null
  const { chains, rails, tensioners } = job.assessment
  return slackMap(
    sheet.value,
    of,
    {
      elongation: chains[of.id]!.elongation.mean,
      wear: touchingRails(sheet.value, of).map((id) => rails[id]!.wear.mean),
      padWear: tensioners[tensioner.id]!.padWear.mean
    },
    job.corrections ?? {}
  )
})

/** Kinds that a machined face, heat or a key shifts: at the first of them it is asked. */
const SHIFTED: readonly string[] = ['camLag', 'extension']
const untold = computed(() => [
  ...new Set(job.assessment.next.flatMap(({ kind, target }) => (kind === 'question' ? [target] : [])))
])

watch(
  () => props.slot.key,
  () => {
    correcting.value = null
  }
)

async function save(reading: Reading) {
  const { slot } = props
  const key = draftKey.value
  const saved = job.put({ type: 'read', reading, ...(correcting.value ? { supersedes: correcting.value.id } : {}) })
  correcting.value = null
  const { [key]: _done, ...rest } = drafts.value
  drafts.value = rest
  const visits = job.visits
  await saved.settled
  // Whoever has gone to a part meanwhile, be it this one again, is not fetched away from it.
  if (job.visits !== visits) return
  const place = nextPlace(reading)
  if (place) {
    draft.value = { ...draft.value, place, method: reading.method ?? draft.value.method, links: String(reading.links) }
    return
  }
  const next = following(slot) ?? job.worthTaking(slot.key)
  if (next) job.openSlot(next)
}

/** The runs of the loop with what was counted, this one with the number that is running. */
const runs = computed(() =>
  props.slot.kind !== 'linkCount'
    ? []
    : job.slots
        .filter((s) => s.kind === 'linkCount' && s.part === props.slot.part)
        .map((s) => ({
          name: midSentence(
            COMMON.to(partName(sheet.value, s.target.from ?? ''), partName(sheet.value, s.target.to ?? '')).replaceAll(
              ' sprocket',
              ''
            )
          ),
          current: s.key === props.slot.key,
          counted:
            s.key === props.slot.key && draft.value.figure
              ? (numberOf(draft.value.figure) ?? null)
              : (job.readingsOf(s).at(-1)?.value ?? null)
        }))
)

/** After one place of a chain the next, up to the third: three tell more than one. */
function nextPlace({ place }: Reading): Draft['place'] | null {
  return place === 1 ? '2' : place === 2 ? '3' : null
}

/** After a run of links the next run of the same loop, as long as one is not counted. */
function following(slot: Slot): Slot | null {
  if (slot.kind !== 'linkCount') return null
  const runs = job.slots.filter((s) => s.kind === 'linkCount' && s.part === slot.part)
  const from = runs.findIndex((s) => s.key === slot.key)
  return [...runs.slice(from + 1), ...runs.slice(0, from)].find((s) => job.readingsOf(s).length === 0) ?? null
}
</script>

<template>
  <div class="flex flex-col gap-3">
    <p v-if="limit" class="text-note text-faint">{{ FIGURE_PANE.limit(limitWords(limit)) }}</p>
    <p v-else-if="slot.kind !== 'linkCount'" class="text-note text-faint">
      {{ FIGURE_PANE.theSheetHasNoLimit }}
    </p>
    <p v-if="expected" class="text-note">{{ expected }}</p>
    <HowButton :part="slot.part" :kind="slot.kind" />
    <UntoldQuestions v-if="SHIFTED.includes(slot.kind) && untold.length" :questions="untold" />
    <p v-if="slack && slack.slack > 0.05" class="text-note">
      {{
        FIGURE_PANE.ifItLetsGoOf(
          lengthWords(slack.slack, 1),
          midSentence(partName(sheet, slack.gathers.from)),
          midSentence(partName(sheet, slack.gathers.to))
        )
      }}
    </p>
    <ReadingList
      v-if="standing.length || past.length"
      :class="slot.kind === 'linkCount' ? 'order-last' : ''"
      :kind="slot.kind"
      :standing="standing"
      :past="past"
      :assessment="job.assessment"
      :clashes="job.record.clashes"
      :origins="origins"
      @correct="correcting = $event"
      @enter-as="(reading, as) => job.put({ type: 'read', reading: as, supersedes: reading.id })"
      @undo="job.put({ type: 'undo', act: $event })"
      @restore="job.put({ type: 'undo', act: $event })" />
    <WaverNote v-if="slot.kind === 'camLag'" :cam="slot.part" />
    <ReadingForm
      v-model:draft="draft"
      v-model:by="bench.by"
      :sheet="sheet"
      :slot="slot"
      :correcting="correcting"
      :people="bench.people"
      :runs="runs"
      @save="save"
      @cancel="correcting = null" />
  </div>
</template>
