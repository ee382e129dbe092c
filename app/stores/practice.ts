import { inspectionWords, namesOf } from '../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { defineStore, skipHydrate } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Call } from '../../core/calls'
import {
  accessMinutes,
  type Inspection,
  inspectionsOf,
  lookedAt,
  type Move,
  type PracticeCase,
  sightOf,
  standOf
} from '../../core/views/practice'
import type { Reading } from '../../core/readings'

/** Cases begun on this device, by key, so that a reload or a flat battery loses nothing. */
interface Begun {
  id: string
  moves: Move[]
}

type PracticeStore = ReturnType<typeof usePractice>

/** The store while an engine is on the stand. */
export interface OpenPractice extends Omit<PracticeStore, 'engine' | 'stand'> {
  readonly engine: PracticeCase
  readonly stand: ReturnType<typeof standOf>
  turning: number
  chosen: string
}

/** The engine on the stand: what is shown of it stands only while there is one. @throws Error without one */
export function useOpenPractice(): OpenPractice {
  const store = usePractice()
  if (!store.engine || !store.stand) throw new Error('no engine is on the stand')
  return store as OpenPractice
}

/** The practice engine on the stand and what has been done to it. */
export const usePractice = defineStore('practice', () => {
  const key = ref('')
  const engine = shallowRef<PracticeCase | null>(null)
  const begun = useLocalStorage<Record<string, Begun>>('umbrette.practice', {})
  /** crank degrees that are being turned and are no move yet. */
  const turning = ref(0)
  const chosen = ref('')

  const run = computed<Begun>(() => begun.value[key.value] ?? { id: '', moves: [] })
  const stand = computed(() => (engine.value ? standOf(engine.value, run.value.moves) : null))
  const crank = computed(() => (stand.value?.crank ?? 0) + turning.value)
  const inspections = computed(() => (engine.value ? inspectionsOf(engine.value.drive) : []))
  const inspection = computed(() => inspections.value.find(({ id }) => id === chosen.value) ?? null)
  const titleOf = (of: Inspection) => (engine.value ? inspectionWords(lookedAt(of), namesOf(engine.value.drive)) : '')
  /** How the open inspection was looked at last; null before the first look. */
  const looked = computed(() => {
    const looks = stand.value?.looks.get(chosen.value) ?? 0
    return looks === 0 || !stand.value ? null : { attempt: looks - 1, turnedForward: stand.value.turnedForward }
  })

  function open(newKey: string, found: PracticeCase): void {
    key.value = newKey
    engine.value = found
    turning.value = 0
    chosen.value = ''
  }

  function put(...moves: Move[]): void {
    const { id, moves: before } = run.value
    begun.value = {
      ...begun.value,
      [key.value]: { id: id || crypto.randomUUID(), moves: moves.reduce(appendMove, before) }
    }
  }

  /** Minutes that an inspection would take now. */
  function costOf({ operations, minutes }: Inspection): number {
    return engine.value && stand.value ? accessMinutes(engine.value.drive, operations, stand.value.done) + minutes : 0
  }

  /** Makes the open inspection; what a customer says is noted as said. */
  function look(): void {
    const made = inspection.value
    if (!engine.value || !stand.value || !made) return
    const { looks, turnedForward } = stand.value
    const attempt = looks.get(made.id) ?? 0
    const said = made.kind === 'ask' ? sightOf(engine.value, made, { attempt, turnedForward }).findings : []
    put(
      { type: 'inspect', inspection: made.id },
      ...said.map((finding): Move => ({
        type: 'read',
        inspection: made.id,
        reading: { kind: 'condition', ...finding }
      }))
    )
  }

  function read(reading: Reading): void {
    put({ type: 'read', inspection: chosen.value, reading })
  }

  function takeBack(reading: number): void {
    put({ type: 'unread', reading })
  }

  /** Turning counts once the hand lets go. */
  function letGo(): void {
    const degrees = Number(turning.value.toFixed(2))
    turning.value = 0
    if (degrees !== 0) put({ type: 'turn', degrees })
  }

  /** A call; a part to be renewed goes on the bill, one to go back in comes off it. */
  function call(part: string, to: Call | null): void {
    const on = to === 'renew' ? true : to === null || to === 'back-in' ? false : null
    put(
      { type: 'call', part, call: to },
      ...(on === null || on === stand.value?.renew.has(part) ? [] : [{ type: 'renew', part, on } as Move])
    )
  }

  /** Forgets what was done, once it is judged or to begin again. */
  function clear(): void {
    const { [key.value]: _done, ...others } = begun.value
    begun.value = others
  }

  // The server knows nothing of what was begun on a device.
  return {
    key,
    engine,
    begun: skipHydrate(begun),
    turning,
    chosen,
    run,
    stand,
    crank,
    inspections,
    inspection,
    titleOf,
    looked,
    open,
    put,
    costOf,
    look,
    read,
    takeBack,
    letGo,
    call,
    clear
  }
})

/** Turning on in one direction is one move. */
function appendMove(moves: Move[], move: Move): Move[] {
  const last = moves.at(-1)
  if (move.type === 'turn' && last?.type === 'turn' && Math.sign(last.degrees) === Math.sign(move.degrees)) {
    return [...moves.slice(0, -1), { type: 'turn', degrees: Number((last.degrees + move.degrees).toFixed(2)) }]
  }
  return [...moves, move]
}
