import type { CheckSays, Fault, Message } from '../../core/check'
import type { DriveSays } from '../../core/drive'
import type { AssessmentSays } from '../../core/paths'
import type { ReadingSays } from '../../core/readings'
import type { SheetEntry, SheetSays } from '../../core/sheet'
import type { LearntSays } from '../../core/views/learn'
import type { CaseSays } from '../../core/views/practice'
import { type Catalogue, sayer } from '../say'
import { untrue } from './leftOut'
import { PICTURE } from './measured'
import { sayProblem } from './problems'
import { RECORD_FAULTS } from './recordFaults'
import { t, texts, known } from '../spoken'
import { fixDigits } from './figures'

/** What is wrong with what comes from outside, behind the place that it is wrong at. */

const check: Catalogue<CheckSays> = {
  missing: () => t`is missing`,
  'number-between': (f) => t`expected a number from ${f.min} to ${f.max}`,
  'whole-between': (f) => t`expected a whole number from ${f.min} to ${f.max}`,
  'whole-from-0': () => t`expected a whole number from 0`,
  number: () => t`expected a number`,
  'two-numbers': () => t`expected two numbers`,
  text: () => t`expected text`,
  'text-at-most': (f) => t`expected at most ${f.max} characters`,
  'broken-text': () => t`holds a character that cannot be kept: type it again`,
  'reserved-word': () => t`is a word that names nothing here: choose another`,
  email: () => t`expected an e-mail address, such as office@example.org`,
  id: () => t`expected an id of letters, digits, dots and dashes`,
  uuid: () => t`expected a UUID`,
  flag: () => t`expected true or false`,
  'one-of': (f) => t`expected ${f.words.join(t` or `)}`,
  day: (f) => t`expected a date as 2026-11-26, from ${f.from} to ${f.to}`,
  moment: (f) => t`expected an ISO time as 2026-11-26T08:30:00.000Z, from ${f.from} to ${f.to}`,
  list: () => t`expected a list`,
  'list-at-most': (f) => t`expected at most ${f.max} entries`,
  object: () => t`expected an object`,
  null: () => t`is null: give it a value, or leave it out`,
  'ids-at-most': (f) => t`expected at most ${f.max} ids of letters, digits, dots and dashes`,
  'numbers-by-id': (f) => t`expected numbers from ${f.min} to ${f.max}`,
  'values-by-id': () => t`expected values by id`,
  version: (f) => t`expected ${f.expected}`,
  'version-newer': (f) =>
    t`is ${f.found}, newer than this program reads: expected ${f.expected}. Update Umbrette, or export the file as version ${f.expected}`,
  'too-deep': () => t`lies too deep in other objects or lists`,
  'too-much': () => t`holds more than any file of this kind can`,
  'field-name': () => t`has a field whose name cannot be kept`,
  'unknown-field': () => t`is no field that is known here: remove it`
}

const SHEET_ENTRIES: Readonly<Record<SheetEntry, string>> = texts({
  component: 'component',
  operation: 'operation',
  part: 'part',
  'always-renewed': 'always-renewed item',
  'operation-or-component': 'operation or component'
})

const sheet: Catalogue<SheetSays> = {
  'none-of-sheet': (f) => t`"${f.id}" is no ${SHEET_ENTRIES[f.what]} of this sheet`,
  twice: (f) => t`"${f.id}" stands twice`,
  'requires-itself': (f) => t`"${f.id}" requires itself in the end`,
  'path-too-short': () => t`expected at least the driver and another`,
  clock: () => t`expected a clock position such as 6:00`,
  'two-teeth': () => t`expected two numbers of teeth`,
  'lists-of-ids': () => t`expected lists of ids`,
  'one-step': () => t`expected newtonMetres or degrees, one of them`,
  'no-step': () => t`expected at least one step`,
  'too-few-sprockets': () => t`expected at least two sprockets`,
  'no-chain-at-all': () => t`expected at least one chain`,
  'a-drive-sheet': () => t`expected a drive sheet`
}

const drive: Catalogue<DriveSays> = {
  'word-of-findings': (f) => t`"${f.id}" is a word that findings use: give the part another id`,
  'id-used': (f) => t`"${f.id}" is used already at ${f.at}: give every part its own id`,
  'neither-sprocket-nor-rail': (f) => t`"${f.id}" is neither a sprocket nor a rail of this sheet`,
  'met-twice': (f) => t`"${f.id}" is met twice`,
  'starts-at-driver': (f) => t`expected to start at the driver "${f.driver}"`,
  'no-driven-sprocket': () => t`expected at least one driven sprocket`,
  'cam-teeth': (f) =>
    t`"${f.id}" has ${f.teeth} teeth; a cam turns at half crank speed, so expected ${Number.isInteger(f.expected) ? f.expected : fixDigits(f.expected, 2)}`,
  'driven-in-circle': (f) => t`"${f.id}" is driven in a circle: stages must start at the crank`,
  'no-sprocket-on-chain': (f) => t`"${f.id}" is no sprocket on this chain`,
  'runs-in-order': () => t`expected each run to start where the one before it ends, once round the loop`,
  'counts-sum': (f) => t`sum to ${f.sum}, but the chain has ${f.links} links`,
  'no-tensioner': (f) => t`no tensioner "${f.id}" on this sheet`,
  'no-sprocket': (f) => t`"${f.id}" is no sprocket of this sheet`,
  'no-chain': (f) => t`"${f.id}" is no chain of this sheet`,
  'no-arm': (f) => t`"${f.id}" is no arm of this sheet`,
  'arm-off-chain': (f) => t`"${f.arm}" does not lie on chain "${f.chain}"`,
  'second-tensioner': (f) => t`chain "${f.chain}" has a tensioner already; at most one works on a chain`,
  'no-sprocket-nor-crank': (f) => t`"${f.id}" is no sprocket of this sheet, nor the word ${f.crank}`,
  'drives-no-chain': (f) => t`"${f.id}" drives no chain`,
  'limit-unit': (f) => t`expected "${known(f.unit)}" for ${f.kind}`,
  'extension-or-drawing': (f) =>
    t`is missing: the extension of the new drive in mm; or all that the drawing lacks of ${f.parts.join(t` and `)}`,
  'centres-far': (f) =>
    t`round its sprockets as they stand the chain takes ${fixDigits(f.taken, 1)} links and has ${f.links}: measure the centres again`,
  'centres-near': (f) =>
    t`round its sprockets as they stand the chain takes only ${fixDigits(f.taken, 1)} of its ${f.links} links: measure the centres, or count the links, again`,
  'count-centres': (f) =>
    t`is ${f.links} links, but as the sprockets stand it can be ${fixDigits(f.least, 1)} to ${fixDigits(f.most, 1)}: count again, or look at the marks`,
  'counted-missing': () =>
    t`is missing: without coordinates for every sprocket the sheet needs freeLinks and tight links here`,
  'free-links': (f) => t`expected at most the chain's ${f.links} links`,
  'tight-missing': () => t`is missing: the links on the tight side between this cam and the driver`,
  'tight-links': (f) => t`expected at most the ${f.links} links that are free all round`,
  'new-extension-missing': () => t`is missing: the extension of the new drive in mm`,
  'gain-missing': () => t`is missing: give gain, or gainFrom with a second known point`,
  'gain-second-point': () => t`the second point must stand further out than newExtension`,
  'neighbours-overlap': () => t`two neighbours on the path overlap, so no chain runs from one to the other`,
  'loop-turning': (f) =>
    t`turns ${f.turning}° round the loop instead of ${f.expected}°: check the order of the path and the direction of turning`,
  'rail-clear': (f) => t`rail "${f.rail}" stands clear of the new chain: move its shoe, or say touches: false`,
  'not-closing': (f) =>
    t`the geometry takes ${fixDigits(f.taken, 2)} links with the arm as new, but the chain has ${f.links}: it must close within ${f.within}`,
  'plunger-along-face': () => t`the plunger moves along the arm's face, so it cannot push it: check axis and pad.face`,
  'arm-range': () => t`expected [least, greatest] arm angle with 0, the new drive, in between`,
  'count-drawn': (f) =>
    t`says ${f.links} links, but the marks' clock positions and the geometry give ${fixDigits(f.drawn, 1)}`,
  reach: (f) =>
    t`the geometry reaches ${fixDigits(f.reached, 2)} % elongation; expected ${fixDigits(f.wanted, 2)} %, ${f.times} times the limit`,
  'limit-target-missing': (f) => t`is missing: say which ${f.field} the limit belongs to`,
  'limit-target': (f) => t`"${f.id}" is no ${f.field} of this sheet`
}

const readings: Catalogue<ReadingSays> = {
  'figure-missing': () => t`is missing: expected a number`,
  'a-reading': () => t`expected a reading`,
  'no-target': (f) => t`"${f.id}" is no part of this drive, nor oil, fasteners or engine`,
  'no-finding': (f) => t`"${f.finding}" is no finding of ${f.kind}: expected ${f.expected.join(', ')}`,
  'pieces-missing': () => t`is missing: say how many pieces`,
  'no-figure': (f) => t`"${f.finding}" has no figure: leave it out`,
  'finding-figure': (f) => t`is missing: say the figure in ${known(f.unit)}`,
  'figure-range': (f) => t`expected ${f.least} to ${f.greatest} ${known(f.unit)}`,
  'which-cylinder': (f) => t`expected the number of a cylinder, 1 to ${f.cylinders}`,
  'no-chain-of-drive': (f) => t`"${f.id}" is no chain of this drive`,
  'no-sprocket-of-chain': (f) => t`"${f.id}" is no sprocket on chain "${f.chain}"`,
  'another-sprocket': () => t`expected another sprocket than the run starts from`,
  'no-part-of-kind': (f) => t`"${f.id}" is no ${f.field === 'sprocket' ? t`driven sprocket` : f.field} of this drive`,
  'wear-points': () => t`expected lists of { usage, mean, sd }`,
  'odds-by-id': () => t`expected odds from 0 to 1`,
  'prices-by-id': () => t`expected prices from 0 up`,
  'hours-by-id': () => t`expected hours from 0 to 200`
}

const assessment: Catalogue<AssessmentSays> = {
  'an-assessment': () => t`expected an assessment`
}

const learnt: Catalogue<LearntSays> = {
  'a-learnt-file': () => t`expected a file of learnt figures`
}

const practice: Catalogue<CaseSays> = {
  'no-coordinates': () => t`has no coordinates, so it cannot be drawn`,
  'no-finding-on': (f) => t`"${f.finding}" on "${f.target}" is no finding of this drive`,
  'moves-at-most': (f) => t`expected a list of at most ${f.max}`,
  'one-of-moves': (f) => t`expected ${f.words.join(t` or `)}`,
  'a-case': () => t`expected a practice case`,
  'a-move': () => t`expected a move`
}

export const FAULTS = {
  ...check,
  ...sheet,
  ...drive,
  ...readings,
  ...RECORD_FAULTS,
  ...assessment,
  ...learnt,
  ...practice,
  ...PICTURE,
  ...untrue
}

const sayOfFault = sayer(FAULTS)

/** What is wrong at a place. */
export function sayFault(fault: Message): string {
  return Object.hasOwn(FAULTS, fault.code) ? sayOfFault(fault) : sayProblem(fault)
}

/** A fault as it is told: where, and what. */
export interface ToldFault {
  readonly place: string
  readonly message: string
}

export function tellFaults(faults: readonly Fault[]): ToldFault[] {
  return faults.map((fault) => ({ place: fault.place, message: sayFault(fault) }))
}
