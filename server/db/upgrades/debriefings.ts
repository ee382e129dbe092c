import type { Debriefing, LookedAtFigures, Shown } from '../../../core/views/practice'
import { faultWords, inspectionWords, sayLesson, sayReason, shownWords, standingName } from '../../../words/en'

/** A debriefing as the version before kept it: in sentences. */
export interface OldDebriefing extends Omit<
  Debriefing,
  'wrong' | 'calls' | 'readings' | 'software' | 'takeAlong' | 'names'
> {
  wrong: (Debriefing['wrong'][number] & { name: string; lesson: string })[]
  calls: (Omit<Debriefing['calls'][number], 'why'> & { name: string; why: string })[]
  readings: (Omit<Debriefing['readings'][number], 'what' | 'entered' | 'shown'> & {
    what: string
    entered: string
    shown: string
  })[]
  software: { title: string; minutes: number }[]
  takeAlong: string[]
}

export function isOldDebriefing(debriefing: Debriefing | OldDebriefing): debriefing is OldDebriefing {
  return !('names' in debriefing)
}

/** In codes as far as they can be told; sentences are kept as they were. */
export function upgradeDebriefing({ wrong, calls, readings, software, takeAlong, ...rest }: OldDebriefing): Debriefing {
  const told = (text: string): Shown => ({ told: text })
  const looked = (title: string): LookedAtFigures => ({ kind: 'as-told', part: title, links: 0 })
  return {
    ...rest,
    wrong: wrong.map(({ id, trap, missed }) => ({ id, trap, missed })),
    calls: calls.map(({ name: _name, why, ...call }) => ({
      ...call,
      why: { code: 'as-signed', figures: { text: why } }
    })),
    readings: readings.map(({ what, entered, shown, ...reading }) => ({
      ...reading,
      what: looked(what),
      entered: told(entered),
      shown: told(shown)
    })),
    software: software.map(({ title, minutes }) => ({ what: looked(title), minutes })),
    takeAlong: takeAlong.map((text) => ({ code: 'as-told', figures: { text } })),
    names: Object.fromEntries(calls.map(({ part, name }) => [part, name]))
  }
}

export function downgradeDebriefing({
  wrong,
  calls,
  readings,
  software,
  takeAlong,
  names,
  ...rest
}: Debriefing): OldDebriefing {
  const name = (part: string) => names[part] ?? standingName(part)
  return {
    ...rest,
    wrong: wrong.map((fault) => ({ ...fault, ...faultWords(fault.id) })),
    calls: calls.map(({ why, ...call }) => ({ ...call, name: name(call.part), why: sayReason(why, name) })),
    readings: readings.map(({ what, entered, shown, changed, ...reading }) => ({
      ...reading,
      what: inspectionWords(what, name),
      entered: shownWords(entered),
      shown: shownWords(shown),
      changed: changed.map(name)
    })),
    software: software.map(({ what, minutes }) => ({ title: inspectionWords(what, name), minutes })),
    takeAlong: takeAlong.map((lesson) => sayLesson(lesson, name))
  }
}
