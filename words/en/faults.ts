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

/** What is wrong with what comes from outside, behind the place that it is wrong at. */

const check: Catalogue<CheckSays> = {
  missing: () => 'is missing',
  'number-between': (f) => `expected a number from ${f.min} to ${f.max}`,
  'whole-between': (f) => `expected a whole number from ${f.min} to ${f.max}`,
  'whole-from-0': () => 'expected a whole number from 0',
  number: () => 'expected a number',
  'two-numbers': () => 'expected two numbers',
  text: () => 'expected text',
  'text-at-most': (f) => `expected at most ${f.max} characters`,
  'broken-text': () => 'holds a character that cannot be kept: type it again',
  'reserved-word': () => 'is a word that names nothing here: choose another',
  email: () => 'expected an e-mail address, such as office@example.org',
  id: () => 'expected an id of letters, digits, dots and dashes',
  uuid: () => 'expected a UUID',
  flag: () => 'expected true or false',
  'one-of': (f) => `expected ${f.words.join(' or ')}`,
  day: (f) => `expected a date as 2026-11-26, from ${f.from} to ${f.to}`,
  moment: (f) => `expected an ISO time as 2026-11-26T08:30:00.000Z, from ${f.from} to ${f.to}`,
  list: () => 'expected a list',
  'list-at-most': (f) => `expected at most ${f.max} entries`,
  object: () => 'expected an object',
  null: () => 'is null: give it a value, or leave it out',
  'ids-at-most': (f) => `expected at most ${f.max} ids of letters, digits, dots and dashes`,
  'numbers-by-id': (f) => `expected numbers from ${f.min} to ${f.max}`,
  'values-by-id': () => 'expected values by id',
  version: (f) => `expected ${f.expected}`,
  'version-newer': (f) =>
    `is ${f.found}, newer than this program reads: expected ${f.expected}. Update Umbrette, or export the file as version ${f.expected}`,
  'too-deep': () => 'lies too deep in other objects or lists',
  'too-much': () => 'holds more than any file of this kind can',
  'field-name': () => 'has a field whose name cannot be kept',
  'unknown-field': () => 'is no field that is known here: remove it'
}

const SHEET_ENTRIES: Readonly<Record<SheetEntry, string>> = {
  component: 'component',
  operation: 'operation',
  part: 'part',
  'always-renewed': 'always-renewed item',
  'operation-or-component': 'operation or component'
}

const sheet: Catalogue<SheetSays> = {
  'none-of-sheet': (f) => `"${f.id}" is no ${SHEET_ENTRIES[f.what]} of this sheet`,
  twice: (f) => `"${f.id}" stands twice`,
  'requires-itself': (f) => `"${f.id}" requires itself in the end`,
  'path-too-short': () => 'expected at least the driver and another',
  clock: () => 'expected a clock position such as 6:00',
  'two-teeth': () => 'expected two numbers of teeth',
  'lists-of-ids': () => 'expected lists of ids',
  'one-step': () => 'expected newtonMetres or degrees, one of them',
  'no-step': () => 'expected at least one step',
  'too-few-sprockets': () => 'expected at least two sprockets',
  'no-chain-at-all': () => 'expected at least one chain',
  'a-drive-sheet': () => 'expected a drive sheet'
}

const drive: Catalogue<DriveSays> = {
  'word-of-findings': (f) => `"${f.id}" is a word that findings use: give the part another id`,
  'id-used': (f) => `"${f.id}" is used already at ${f.at}: give every part its own id`,
  'neither-sprocket-nor-rail': (f) => `"${f.id}" is neither a sprocket nor a rail of this sheet`,
  'met-twice': (f) => `"${f.id}" is met twice`,
  'starts-at-driver': (f) => `expected to start at the driver "${f.driver}"`,
  'no-driven-sprocket': () => 'expected at least one driven sprocket',
  'cam-teeth': (f) =>
    `"${f.id}" has ${f.teeth} teeth; a cam turns at half crank speed, so expected ${Number.isInteger(f.expected) ? f.expected : f.expected.toFixed(2)}`,
  'driven-in-circle': (f) => `"${f.id}" is driven in a circle: stages must start at the crank`,
  'no-sprocket-on-chain': (f) => `"${f.id}" is no sprocket on this chain`,
  'runs-in-order': () => 'expected each run to start where the one before it ends, once round the loop',
  'counts-sum': (f) => `sum to ${f.sum}, but the chain has ${f.links} links`,
  'no-tensioner': (f) => `no tensioner "${f.id}" on this sheet`,
  'no-sprocket': (f) => `"${f.id}" is no sprocket of this sheet`,
  'no-chain': (f) => `"${f.id}" is no chain of this sheet`,
  'no-arm': (f) => `"${f.id}" is no arm of this sheet`,
  'arm-off-chain': (f) => `"${f.arm}" does not lie on chain "${f.chain}"`,
  'second-tensioner': (f) => `chain "${f.chain}" has a tensioner already; at most one works on a chain`,
  'no-sprocket-nor-crank': (f) => `"${f.id}" is no sprocket of this sheet, nor the word ${f.crank}`,
  'drives-no-chain': (f) => `"${f.id}" drives no chain`,
  'limit-unit': (f) => `expected "${f.unit}" for ${f.kind}`,
  'extension-or-drawing': (f) =>
    `is missing: the extension of the new drive in mm; or all that the drawing lacks of ${f.parts.join(' and ')}`,
  'centres-far': (f) =>
    `round its sprockets as they stand the chain takes ${f.taken.toFixed(1)} links and has ${f.links}: measure the centres again`,
  'centres-near': (f) =>
    `round its sprockets as they stand the chain takes only ${f.taken.toFixed(1)} of its ${f.links} links: measure the centres, or count the links, again`,
  'count-centres': (f) =>
    `is ${f.links} links, but as the sprockets stand it can be ${f.least.toFixed(1)} to ${f.most.toFixed(1)}: count again, or look at the marks`,
  'counted-missing': () =>
    'is missing: without coordinates for every sprocket the sheet needs freeLinks and tight links here',
  'free-links': (f) => `expected at most the chain's ${f.links} links`,
  'tight-missing': () => 'is missing: the links on the tight side between this cam and the driver',
  'tight-links': (f) => `expected at most the ${f.links} links that are free all round`,
  'new-extension-missing': () => 'is missing: the extension of the new drive in mm',
  'gain-missing': () => 'is missing: give gain, or gainFrom with a second known point',
  'gain-second-point': () => 'the second point must stand further out than newExtension',
  'neighbours-overlap': () => 'two neighbours on the path overlap, so no chain runs from one to the other',
  'loop-turning': (f) =>
    `turns ${f.turning}° round the loop instead of ${f.expected}°: check the order of the path and the direction of turning`,
  'rail-clear': (f) => `rail "${f.rail}" stands clear of the new chain: move its shoe, or say touches: false`,
  'not-closing': (f) =>
    `the geometry takes ${f.taken.toFixed(2)} links with the arm as new, but the chain has ${f.links}: it must close within ${f.within}`,
  'plunger-along-face': () => "the plunger moves along the arm's face, so it cannot push it: check axis and pad.face",
  'arm-range': () => 'expected [least, greatest] arm angle with 0, the new drive, in between',
  'count-drawn': (f) =>
    `says ${f.links} links, but the marks' clock positions and the geometry give ${f.drawn.toFixed(1)}`,
  reach: (f) =>
    `the geometry reaches ${f.reached.toFixed(2)} % elongation; expected ${f.wanted.toFixed(2)} %, ${f.times} times the limit`,
  'limit-target-missing': (f) => `is missing: say which ${f.field} the limit belongs to`,
  'limit-target': (f) => `"${f.id}" is no ${f.field} of this sheet`
}

const readings: Catalogue<ReadingSays> = {
  'figure-missing': () => 'is missing: expected a number',
  'a-reading': () => 'expected a reading',
  'no-target': (f) => `"${f.id}" is no part of this drive, nor oil, fasteners or engine`,
  'no-finding': (f) => `"${f.finding}" is no finding of ${f.kind}: expected ${f.expected.join(', ')}`,
  'pieces-missing': () => 'is missing: say how many pieces',
  'no-figure': (f) => `"${f.finding}" has no figure: leave it out`,
  'finding-figure': (f) => `is missing: say the figure in ${f.unit}`,
  'figure-range': (f) => `expected ${f.least} to ${f.greatest} ${f.unit}`,
  'which-cylinder': (f) => `expected the number of a cylinder, 1 to ${f.cylinders}`,
  'no-chain-of-drive': (f) => `"${f.id}" is no chain of this drive`,
  'no-sprocket-of-chain': (f) => `"${f.id}" is no sprocket on chain "${f.chain}"`,
  'another-sprocket': () => 'expected another sprocket than the run starts from',
  'no-part-of-kind': (f) => `"${f.id}" is no ${f.field === 'sprocket' ? 'driven sprocket' : f.field} of this drive`,
  'wear-points': () => 'expected lists of { usage, mean, sd }',
  'odds-by-id': () => 'expected odds from 0 to 1',
  'prices-by-id': () => 'expected prices from 0 up',
  'hours-by-id': () => 'expected hours from 0 to 200'
}

const assessment: Catalogue<AssessmentSays> = {
  'an-assessment': () => 'expected an assessment'
}

const learnt: Catalogue<LearntSays> = {
  'a-learnt-file': () => 'expected a file of learnt figures'
}

const practice: Catalogue<CaseSays> = {
  'no-coordinates': () => 'has no coordinates, so it cannot be drawn',
  'no-finding-on': (f) => `"${f.finding}" on "${f.target}" is no finding of this drive`,
  'moves-at-most': (f) => `expected a list of at most ${f.max}`,
  'one-of-moves': (f) => `expected ${f.words.join(' or ')}`,
  'a-case': () => 'expected a practice case',
  'a-move': () => 'expected a move'
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
