<script setup lang="ts">
import { known } from '../../../words/spoken'
import { COMMON, ENTRY_LIST_EDITOR, sayFault, sayPlace } from '../../../words/en'
import { Bars2Icon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import type { Fault } from '../../../core/check'
import type { EntryList } from './sections'
import SheetField from './SheetField.vue'
import type { SheetDraft } from './useSheetDraft'

/**
 * A list of a sheet: entries opened one by one, dragged into order or moved with the arrow keys, each fault at its
 * field.
 */
const props = defineProps<{ list: EntryList; sheet: SheetDraft; faults: readonly Fault[] }>()

type Entry = Record<string, unknown>
const entries = computed(() => (props.sheet.get(props.list.at) as Entry[] | undefined) ?? [])
const ordered = computed({ get: () => [...entries.value], set: (next) => props.sheet.set(props.list.at, next) })
const open = ref(-1)
const title = (entry: Entry, i: number) =>
  ([entry.name, entry.bolt, entry.text, entry.design, entry.kind, entry.sprocket].find(
    (one) => typeof one === 'string' && one
  ) as string | undefined) ?? `${known(props.list.one)} ${i + 1}`
const place = (i: number, key = '') => `${props.list.at}[${i}]${key ? `.${key}` : ''}`
const faultsIn = (i: number) => props.faults.filter((f) => f.place === place(i) || f.place.startsWith(`${place(i)}.`))
const faultsAt = (i: number, key: string) =>
  faultsIn(i)
    .filter(
      (f) =>
        f.place === place(i, key) || f.place.startsWith(`${place(i, key)}[`) || f.place.startsWith(`${place(i, key)}.`)
    )
    .map(sayFault)
/** Faults of an entry that no field of it shows. */
const others = (i: number) =>
  faultsIn(i).filter(
    (f) =>
      !props.list.fields.some(
        ({ key }) =>
          f.place === place(i, key) ||
          f.place.startsWith(`${place(i, key)}[`) ||
          f.place.startsWith(`${place(i, key)}.`)
      )
  )
const hasCharted = (fields: EntryList['fields']) => fields.some(({ charted }) => charted)

function add() {
  props.sheet.add(props.list.at, props.list.fresh(props.sheet.draft.value))
  open.value = entries.value.length - 1
}

function move(index: number, by: -1 | 1) {
  const next = [...entries.value]
  const to = index + by
  if (to < 0 || to >= next.length) return
  ;[next[index], next[to]] = [next[to]!, next[index]!]
  props.sheet.set(props.list.at, next)
  open.value = open.value === index ? to : open.value
}
</script>

<template>
  <section>
    <h3 class="mt-5 mb-1 font-bold">{{ known(list.title) }}</h3>
    <VueDraggable v-model="ordered" handle=".grip" :animation="120">
      <article
        v-for="(entry, i) in entries"
        :key="String(entry.id ?? i)"
        class="border-t border-rule bg-sheet"
        :data-testid="`entry-${list.at}-${i}`">
        <div class="flex items-center gap-2">
          <button
            type="button"
            class="grip grid min-h-11 min-w-11 cursor-grab place-items-center"
            :aria-label="ENTRY_LIST_EDITOR.placeUpAndDownArrow(title(entry, i), i + 1)"
            @keydown.up.prevent="move(i, -1)"
            @keydown.down.prevent="move(i, 1)">
            <Bars2Icon class="size-4 text-faint" aria-hidden="true" />
          </button>
          <button
            type="button"
            class="flex min-h-11 flex-1 items-center gap-3 text-left"
            :aria-expanded="open === i"
            @click="open = open === i ? -1 : i">
            <span class="truncate" :class="open === i ? 'font-bold' : ''">{{ title(entry, i) }}</span>
            <span v-if="faultsIn(i).length" class="text-note font-bold text-renew">{{
              faultsIn(i).length === 1 ? sayFault(faultsIn(i)[0]!) : ENTRY_LIST_EDITOR.faults(faultsIn(i).length)
            }}</span>
          </button>
          <button
            type="button"
            class="act-bare pr-3"
            :aria-label="ENTRY_LIST_EDITOR.remove(title(entry, i))"
            @click="sheet.remove(list.at, i)">
            {{ COMMON.remove }}
          </button>
        </div>
        <div v-if="open === i" class="grid grid-cols-3 gap-3 px-4 pt-1 pb-4 max-lg:grid-cols-2 max-md:grid-cols-1">
          <SheetField
            v-for="field in list.fields.filter(({ charted }) => !charted)"
            :key="field.key"
            :field="field"
            :value="sheet.get(place(i, field.key))"
            :draft="sheet.draft.value"
            :entry="entry"
            :faults="faultsAt(i, field.key)"
            @change="sheet.set(place(i, field.key), $event)" />
          <p v-if="hasCharted(list.fields)" class="label col-span-full border-t border-rule pt-2">
            {{ ENTRY_LIST_EDITOR.withCoordinates }}
          </p>
          <SheetField
            v-for="field in list.fields.filter(({ charted }) => charted)"
            :key="field.key"
            :field="field"
            :value="sheet.get(place(i, field.key))"
            :draft="sheet.draft.value"
            :entry="entry"
            :faults="faultsAt(i, field.key)"
            @change="sheet.set(place(i, field.key), $event)" />
          <p
            v-for="fault in others(i)"
            :key="fault.place + fault.code"
            class="col-span-full font-bold text-renew"
            data-testid="fault">
            {{ sayPlace(fault.place.replace(place(i), '').replace(/^\./, '')) }} {{ sayFault(fault) }}
          </p>
        </div>
      </article>
    </VueDraggable>
    <button type="button" class="act mt-2" @click="add">
      {{ ENTRY_LIST_EDITOR.add(known(list.one)) }}
    </button>
  </section>
</template>
