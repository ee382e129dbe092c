import type { PartKind } from '../../core/sheet'
import type {
  CodeSays,
  ComplaintSays,
  DrawnCase,
  FaultId,
  InspectionKind,
  Lesson,
  LessonSays,
  LookedAtFigures,
  PracticeCase,
  Shown,
  UntellableSays
} from '../../core/views/practice'
import { type Catalogue, type Names, sayer } from '../say'
import { fixDigits } from './figures'
import { findingWords, namesOf } from './parts'
import { sayReason } from './reasons'
import { t, texts, midSentence, known } from '../spoken'

/** The practice stand: faults and their lessons, what customers say, what was looked at, what to take along. */

export const FAULT_WORDS: Readonly<Record<FaultId, { name: string; lesson: string }>> = texts({
  stretched: {
    name: 'Chain stretched past its limit',
    lesson:
      'Stretch shows everywhere at once: extension, every cam late, and the length on the bench. Where only one of them shows, it is not the chain.'
  },
  'rail-worn': {
    name: 'Rail worn through its limit',
    lesson:
      "A tensioner far out is as often a rail's doing as the chain's: measure the groove before the chain is blamed."
  },
  'rail-cracked': {
    name: 'Rail cracked',
    lesson:
      'A crack has no figure: a rail within its groove limit can break tomorrow. Look at every face before it goes back in.'
  },
  'jumped-late': {
    name: 'Cam jumped late',
    lesson:
      'Link counts are whole teeth and do not see stretch; degrees see both. A count off by one and degrees off by a tooth are a jump. After one, valves may have touched: compression or leak-down before the starter.'
  },
  advanced: {
    name: 'Cam found early: jumped or set wrong',
    lesson:
      'Wear can only make a cam late. One that stands early has jumped or was set wrong, and wear hides a part of it.'
  },
  'phaser-loose': {
    name: 'Phaser loose',
    lesson:
      'A loose phaser lags when the engine is turned by hand and snaps over the lobe. Read its play at lock, and look at the locating pin behind it.'
  },
  'lock-pin': {
    name: 'Phaser lock pin sticky: noise, not danger',
    lesson: 'A rattle of under a second at a cold start is a lock pin: noise, not danger. It condemns no chain.'
  },
  'rail-broken': {
    name: 'Rail broken, pieces in the engine',
    lesson:
      'Every missing piece is found or accepted in writing before the engine is closed: pan, pickup and the sprockets are where they turn up.'
  },
  'gears-off': {
    name: 'Cam gears set a tooth off',
    lesson:
      'Gears do not jump: a cam that stands whole gear teeth off was set so. The chain is right, and so is the other cam.'
  },
  'pads-swapped': {
    name: 'Pads of the plunger swapped',
    lesson:
      'The upper and the lower pad are not alike: swapped, the plunger stands wrong and what it reads does not hold.'
  },
  'chain-on-metal': {
    name: 'Chain on metal',
    lesson: 'A chain that ran on metal is renewed whatever it measures, and the engine is not run until it is.'
  },
  'tensioner-spent': {
    name: 'Tensioner does not hold',
    lesson:
      'Seconds of noise at a start are a tensioner that bleeds down or slips back. Push it in by hand and see what it does.'
  },
  'bad-new-part': {
    name: 'A new tensioner that is bad',
    lesson: 'New is not good: a part renewed last month is looked at like any other.'
  },
  'pad-worn': {
    name: 'Tensioner pad dug in',
    lesson:
      'What is left of an extension once chain and rails are measured has a cause too: look at the pad and what it presses on.'
  },
  'swapped-guides': {
    name: 'Guides swapped',
    lesson: 'Look at part numbers and places: guides changed over read like wear that nothing explains.'
  },
  'like-new': {
    name: 'Locating pin worn, chain like new',
    lesson:
      'A chain that measures like new has not stretched, whatever the timing says: look at phaser, locating pin and key.'
  },
  'screen-torn': {
    name: 'Oil screen torn',
    lesson: 'A phaser that answers slowly may only be starved: screen, solenoid and O-rings cost minutes to look at.'
  },
  'kick-back': {
    name: 'Slack that was only kick-back',
    lesson:
      'Slack between two cams of a stopped engine is kick-back until it is turned forward: turn in the running direction, then read.'
  },
  'half-turn': {
    name: 'Cam marks half a turn away',
    lesson:
      'Two crank turns are one cam turn: with the crank at its mark and the cam marks half a turn away, it wants one more crank turn, nothing else.'
  },
  'between-links': {
    name: 'A mark between two links',
    lesson:
      "A mark between two links is read as a half. Rounded, it makes a jump that never was; the runs round the loop must come to the chain's links."
  },
  'trigger-chewed': {
    name: 'Trigger wheel chewed',
    lesson:
      'A code that says crank and cam disagree is made of two sensors and a wheel: where marks and links stand right, look at the wheel and its sensor before the chain is blamed.'
  },
  'cover-eaten': {
    name: 'Cover worn through by the chain',
    lesson: 'Glitter in the oil comes from somewhere: look at the inside of the cover where the chain runs past it.'
  },
  'seat-worn': {
    name: "Seat of a camshaft's sprocket worn",
    lesson: 'A sound pin on a fretted seat still lets the cam slip: look at both, and run a fingernail over the seat.'
  },
  'lifter-locked': {
    name: 'Lifter locked by its own worn flank',
    lesson:
      'A plunger that neither gives nor follows has locked: take it out and look at its flank, the spring may be sound.'
  },
  'spring-tired': {
    name: "Tensioner's spring too short",
    lesson:
      'A spring is measured, not looked at: its length against the sheet takes a minute with the tensioner in hand.'
  },
  'head-sheared': {
    name: 'A sheared bolt head inside a phaser',
    lesson: 'A phaser that has a loose head in it is not run again: it comes apart, and the engine with it.'
  },
  'solenoid-open': {
    name: 'Solenoid out of its resistance',
    lesson: 'A cam that does not answer may have nobody to tell it: a meter on the solenoid costs two minutes.'
  },
  'gasket-through': {
    name: 'Gasket blown between two cylinders',
    lesson:
      'Two neighbours low and the rest even is a gasket between them, not a jump: a jumped cam lowers them all, a bent valve one.'
  },
  hearsay: {
    name: 'A wrong count on the card',
    lesson: 'A count somebody else wrote down is hearsay: count again, all the way round.'
  }
})

/** A fault's name and lesson; of one from a later version its id alone. */
export function faultWords(id: string): { name: string; lesson: string } {
  return Object.hasOwn(FAULT_WORDS, id) ? FAULT_WORDS[id as FaultId] : { name: id, lesson: '' }
}

export const COMPLAINTS: Catalogue<ComplaintSays> = {
  'since-the-cams-were-out': () => t`Not right since the cams were out at another workshop.`,
  'down-on-power': () => t`One hard rattle at a start, and down on power ever since.`,
  'rattles-at-idle': () => t`Rattles at idle, gone when revved.`,
  'since-oil-change': () => t`Chain noise at idle since the last oil change.`,
  'no-complaint': () => t`No complaint; looked at while the engine is out.`,
  'hard-knock': () => t`Hard knock all the time, at any speed.`,
  'fears-for-the-chain': () => t`Rattles for less than a second at a cold start. The customer fears for the chain.`,
  'sudden-rattle': () => t`A sudden rattle, then quiet again.`,
  grinds: () => t`Grinds from the front, more every week.`,
  'seconds-of-rattle': () => t`Rattles for some seconds after a night outside.`,
  'new-tensioner': () => t`The tensioner is new, fitted last month by another workshop, and the noise stayed.`,
  'sewing-machine': () => t`Ticks like a sewing machine after some minutes of warm idle.`,
  'rails-renewed-elsewhere': () => t`Noisy since its rails were renewed elsewhere.`,
  'card-says-stretched': () => t`Another workshop read the timing and wrote "chain stretched" on its card.`,
  'warning-light': () => t`Warning light for a cam that is slow to respond.`,
  'cuts-out': () => t`Cuts out now and then; the light says that crank and cam do not agree.`,
  'drips-at-the-front': () => t`Drips oil at the front, and the level keeps falling.`,
  'found-slack': () => t`Somebody has looked under the cover and found slack between the cams.`,
  'card-says-count': (f, name) =>
    t`The last workshop counted ${f.links} links from ${midSentence(name(f.from))} to ${midSentence(name(f.to))} and wrote "jumped" on its card.`
}

const sayComplaint = sayer(COMPLAINTS)

/** A drawn case with its title and what the customer says of it. */
export function tellCase({ says, ...engine }: DrawnCase): PracticeCase {
  const name = namesOf(engine.drive)
  return { ...engine, title: t`Case ${engine.code}`, complaint: says.map((one) => sayComplaint(one, name)).join(' ') }
}

/** What an inspection is called. */
const INSPECTIONS: Readonly<Record<InspectionKind | 'as-told', (part: string, links: number) => string>> = {
  'as-told': (part) => part,
  ask: () => t`Listen, ask, read the codes`,
  scan: () => t`Cam deviation from the engine computer`,
  plug: (part) => t`${part} through its plug`,
  compression: () => t`Compression`,
  pan: () => t`Oil drained: pan and filter`,
  oil: () => t`Oil screen and solenoids`,
  marks: (part) => t`${part} against its mark`,
  wheel: (part) => t`${part} with a degree wheel`,
  count: (part) => t`${part}: links from mark to mark`,
  extension: (part) => t`${part}: extension`,
  push: (part) => t`${part} pushed in by hand`,
  pad: (part) => t`${part}: pad`,
  rail: (part) => part,
  phaser: (part) => t`${part} turned by hand`,
  pin: (part) => t`${part}: locating pin`,
  teeth: (part) => t`${part}: teeth`,
  bench: (part) => t`${part} beside a new one`,
  trigger: (part) => part,
  cover: (part) => t`${part}: its inside`,
  camshaft: (part) => t`${part}: seat and journal`,
  length: (part, links) => t`${part}: length over ${links} links`
}

export function inspectionWords({ kind, part, links }: LookedAtFigures, name: Names): string {
  return INSPECTIONS[kind](name(part), links)
}

/** An entry as it was written, or as it was there. */
export function shownWords(shown: Shown): string {
  if (shown === null) return t`not so`
  if ('told' in shown) return shown.told
  if ('value' in shown) return t`${fixDigits(shown.value, 1)} ${known(shown.unit)}`
  return t`${findingWords(shown.kind, shown.finding)}${shown.count === null ? '' : t`, ${shown.count}`}`
}

/** The plain form that a message carries of an entry, as it is shown. */
function plainWords(plain: string, unit: string, kind: string): string {
  if (plain === '') return t`not so`
  if (unit) return t`${fixDigits(Number(plain), 1)} ${unit}`
  const [finding = '', count] = plain.split(':')
  return t`${findingWords(kind as PartKind, finding)}${count === undefined ? '' : t`, ${count}`}`
}

export const LESSONS: Catalogue<LessonSays> = {
  'of-fault': (f) => faultWords(f.fault).lesson,
  misread: (f, name) =>
    t`${inspectionWords(f, name)}: ${plainWords(f.entered, f.unit, f.findingKind)} was entered, ${plainWords(f.shown, f.unit, f.findingKind)} was there. Look twice before it is written down.`,
  needless: (f, name) => t`${name(f.part)} was sound and went on the bill`,
  'turned-back': () =>
    t`The engine was turned against its running direction: overshoot, and go round again. Slack moves to the wrong side, and on some engines the chain jumps.`,
  'followed-not': (f, name) => t`${inspectionWords(f, name)} was looked at and said so: a call follows what was read.`,
  'would-have-told': (f, name) =>
    t`${inspectionWords(f, name)} would have told: ${f.minutes} minutes for whoever takes it when the software did.`,
  luck: (f, name) =>
    t`${name(f.part)}: the call was right, but nothing was read that it rests on. It would not have stood up to the customer.`,
  idle: (f, name) =>
    t`${inspectionWords(f, name)} cost ${f.minutes} minutes and changed nothing: read what settles something.`,
  'look-in-reach': () =>
    t`What comes off stays paid for: look at everything that is in reach before more is taken off.`,
  'measure-twice': () =>
    t`A figure that two ways of measuring agree on stands up to a customer; one alone is a guess with a number.`
}

const sayOfLesson = sayer(LESSONS)

/** What to take along. One from an older version is kept as it was told. */
export function sayLesson(lesson: Lesson, name: Names): string {
  if (lesson.code === 'as-told') return String(lesson.figures.text)
  const said = sayOfLesson(lesson, name)
  return lesson.reason ? t`${said}: ${sayReason(lesson.reason, name)}` : said
}

export const CODES: Catalogue<CodeSays> = {
  'no-code': (f) => t`"${f.code}" is no case code: it is written like A3-7KQ2MD.`,
  'slip-in-code': (f) => t`"${f.code}" has a slip in it: compare it with the original, character by character.`
}

/** Why a code is none. */
export const sayCode = sayer(CODES)

export const UNTELLABLE: Catalogue<UntellableSays> = {
  'cannot-be-drawn': () =>
    t`This engine's sheet has no coordinates yet, so it cannot be drawn for practice: add them in the editor.`,
  'nothing-to-practise-on': () => t`Nothing was read in this job, so there is no truth to practise on.`
}

/** Why a job cannot be told as a case. */
export const sayUntellable = sayer(UNTELLABLE)
