import type {
  CountedItem,
  GroupKey,
  Hold,
  HoldReleaseSays,
  HoldSays,
  MeaningSays,
  StepCautionSays,
  Task,
  TaskSays
} from '../../core/views/buildup'
import { type Catalogue, type Names, sayer } from '../say'
import { countWords, degreesWords, teethOff } from './figures'
import { REASONS, RELEASES } from './reasons'
import { t, texts, midSentence, plural } from '../spoken'

/** The build-up: steps, cautions, holds and what releases them. */

/** Things that are carried into an open engine and must all come out again. */
const ITEMS: Readonly<Record<CountedItem, string>> = texts({
  rags: 'Rags and plugs',
  tools: 'Tools and holders',
  magnets: 'Magnets',
  bolts: 'Bolts and washers taken out'
})

export const TASK_GROUPS: Readonly<Record<GroupKey, string>> = texts({
  parts: 'Parts',
  items: 'Always renewed',
  assembly: 'From the inside out',
  inside: 'Nothing left inside',
  fluids: 'Oil and coolant'
})

const times = (count: number) => (count > 1 ? t`${count} × ` : '')

export const TASKS: Catalogue<TaskSays> = {
  'part-received': (f, name) => t`${name(f.part)}: received and unpacked; number and make`,
  'part-length': (f, name) => t`${name(f.part)}: new one over 20 links, laid beside the old`,
  'part-fitted': (f, name) => t`${name(f.part)}: fitted`,
  'item-new': (f) => t`${times(f.quantity)}${f.name}: new${f.stretch ? t` (a stretch bolt never goes back)` : ''}`,
  tool: (f) => t`${f.tool} at hand`,
  'close-again': (f) => f.operation.replace(/\boff\b/, 'back on').replace(/\bout\b/, 'back in'),
  torque: (f) => t`${times(f.count)}${f.bolt}, step ${f.step} of ${f.steps}`,
  'went-in': (f) => t`${ITEMS[f.item]} that went in`,
  'came-out': (f) => t`${ITEMS[f.item]} that came out`,
  coolant: () => t`No coolant has run into the sump, or the oil was drained after it did`,
  'oil-and-filter': () => t`Oil and filter new, as the covers were open`,
  'oil-level': () => t`Oil at its level before the first start`,
  'first-start': () => t`First start: oil pressure came up, no noise beyond the first seconds`,
  'noise-gone': () => t`The noise it came for is gone, cold and warm`,
  'codes-cleared': () => t`Codes cleared, none came back`,
  relearn: () => t`Relearn done where the maker asks for it`,
  'no-leaks': () => t`No leaks, warm and after cooling`,
  'oil-level-again': () => t`Oil level checked again warm`
}

const sayOfTask = sayer(TASKS)

export function sayTask({ says }: Pick<Task, 'says'>, name: Names): string {
  return sayOfTask(says, name)
}

export const STEP_CAUTIONS: Catalogue<StepCautionSays> = {
  'revised-design': (f) => t`Superseded: ${f.design}. Fit the revised design only (${f.source}).`,
  'banks-apart': () => t`Banks kept apart: check the number against the bank, and which end is up.`,
  'new-bolts-only': () => t`New bolts only: tightening has stretched the old ones.`,
  'left-hand-thread': () => t`Left-hand thread: it tightens anticlockwise.`,
  'stop-at-once': () => t`Nobody near belt and chain; stop at once if it knocks or no pressure comes up.`,
  'of-the-sheet': (f) => f.text
}

/** What is said before a step. */
export const sayStepCaution = sayer(STEP_CAUTIONS)

export const MEANINGS: Catalogue<MeaningSays> = {
  'moved-while-turned': () =>
    t`It moved while being turned: the chain has jumped, or a cam or the crank sprocket is not held.`,
  'counts-off': (f, name) =>
    t`The counts are off between ${midSentence(name(f.from))} and ${midSentence(name(f.to))}: a tooth off at one of them, a miscount, or a wrong chain.`,
  'too-far-in': () =>
    t`It stands further in than it should: the pin is still in or the plunger is stuck, a rail is not seated, or the chain is too short.`,
  'too-far-out': () =>
    t`It stands further out than it should: rails swapped or a worn one back in, the wrong chain, or a tooth off between the marks.`,
  'less-than-a-tooth': (f) =>
    t`${degreesWords(f.off)}, less than a tooth: the cam is not held in its slot, a phaser is not locked at rest, or the mark is another one.`,
  'teeth-off': (f, name) =>
    t`${teethOff(f.teeth)} ${f.at === null ? t`at the crank sprocket, as every cam of this chain is off` : t`at ${midSentence(name(f.at))}`}. Do not start it: set it again.`
}

/** What a difference after two turns can mean. */
export const sayMeaning = sayer(MEANINGS)

export const HOLDS: Catalogue<HoldSays> = {
  'valves-may-have-touched': () => t`The chain jumped and valves can meet pistons: they may have touched.`,
  'left-inside': (f) => t`${ITEMS[f.item]}: ${f.into} went in, ${f.out} came out.`,
  'two-turns-differ': () => t`Marks, counts or extension are not as they should be:`,
  'two-turns-open': (f) =>
    t`After two full turns by hand ${f.open} of ${f.all} ${plural(f.open, t`line is`, t`lines are`)} not read yet.`,
  'steps-open': (f) => t`${countWords(f.open, t`step is`, t`steps are`)} open:`
}

const sayOfHold = sayer({ ...REASONS, ...HOLDS })

/** What holds an engine: on a part by its reason, with what belongs to it. */
export function sayHold({ part, says, more }: Pick<Hold, 'part' | 'says' | 'more'>, name: Names): string {
  const said = sayOfHold(says, name)
  if (part !== null) return t`${name(part)}: ${said}`
  if (says.code === 'two-turns-differ') return [said, ...more.map((one) => sayMeaning(one, name))].join(' ')
  if (says.code !== 'steps-open') return said
  const { open } = says.figures as HoldSays['steps-open']
  return t`${said} ${more.map((one) => midSentence(sayOfTask(one, name))).join('; ')}${open > more.length ? ' …' : '.'}`
}

export const HOLD_RELEASES: Catalogue<HoldReleaseSays> = {
  'note-what-was-found': () => t`Look at it and note what was found.`,
  'compression-entered': () => t`Compression or leak-down entered at station 3, and sound.`,
  'find-and-count': () => t`Find what is missing and count again.`,
  'set-and-turn': () => t`Set it again, turn two full turns by hand and read again.`,
  'turn-and-read': () => t`Turn the crank two full turns by hand and read marks and counts again.`,
  'tick-each': () => t`Do them, and tick each as it is done.`
}

/** What releases a hold of the build-up. */
export const sayHoldRelease = sayer({ ...RELEASES, ...HOLD_RELEASES })
