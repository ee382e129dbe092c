import { dayAt } from '../../core/record'
import { type NumericKind, READING_KINDS } from '../../core/readings'
import { banksOf, compileSheet, type DriveSheet, type LimitValue } from '../../core/sheet'
import { type Slot, slotsOf } from '../../core/views/bench'
import type { Rebuild } from '../../core/views/buildup'
import { sayTask, TASK_GROUPS } from './build'
import { thousands } from './figures'
import { KIND_NAMES, namesOf, STATION_NAMES, USAGE_UNITS } from './parts'
import type { PaperOf } from './estimate'
import { t, midSentence, withDecimals, known } from '../spoken'

/** Papers for the wall, in final words: what is to be read on a job, and how it is built up again. */

/** A line to tick, with room for what is written: the unit it is in, or nothing. */
export interface WallLine {
  text: string
  blank: string | null
}

export interface WallPaper {
  title: string
  about: string[]
  groups: { title: string; lines: WallLine[] }[]
  caution: string
  qrSays: string
  pageOf: string
  author: string
  at: string
}

const aboutCaution = () =>
  t`The maker's manual for this engine decides over every figure here; local rules and qualified practice come first.`

/** What is to be read on a job, by station, with room for the figures. */
export function writeWorksheet(sheet: DriveSheet, of: PaperOf): WallPaper {
  const slots = slotsOf(sheet)
  const stations = [...new Set(slots.map(({ station }) => station))].sort((a, b) => a - b)
  return {
    ...wallPaper(of, t`Worksheet`),
    groups: [
      { title: STATION_NAMES[1], lines: [{ text: t`What is heard, and when; codes; oil`, blank: '' }] },
      ...stations.map((station) => ({
        title: STATION_NAMES[station],
        lines: slots.filter((slot) => slot.station === station).map((slot) => slotLine(sheet, slot))
      }))
    ]
  }
}

function slotLine(sheet: DriveSheet, { kind, part, target }: Slot): WallLine {
  const name = namesOf(sheet)
  const { from, to, links } = target
  const asked = kind === 'linkCount' ? sheetLinks(sheet, part, from, to) : null
  const limit = limitOn(sheet, kind, part)
  const between = from && to ? t`, ${midSentence(name(from))} to ${midSentence(name(to))}` : ''
  const over = links ? t` over ${links} links` : ''
  const bound = limit ? t`, limit ${limit.value} ${known(limit.unit)}` : asked === null ? '' : t`, sheet says ${asked}`
  return {
    text: t`${name(part)}: ${midSentence(KIND_NAMES[kind])}${between}${over}${bound}`,
    blank: unitOf(kind)
  }
}

const unitOf = (kind: NumericKind) => (READING_KINDS[kind].unit === 'crank degrees' ? '°' : READING_KINDS[kind].unit)

/** The limit that a reading is held against by itself. */
function limitOn(sheet: DriveSheet, kind: NumericKind, part: string): LimitValue | null {
  const { tensioner, phaser, limit } = compileSheet(sheet)
  if (kind === 'extension') return tensioner(part).limit ?? null
  if (kind === 'phaserPlay') return phaser(part).playLimit ?? null
  return kind === 'camLag' || kind === 'groove' || kind === 'padWear' ? limit(kind, part) : null
}

const sheetLinks = (sheet: DriveSheet, chain: string, from?: string, to?: string) =>
  sheet.chains.find(({ id }) => id === chain)?.counts.find((count) => count.from === from && count.to === to)?.links ??
  null

/** How a drive is built up again: steps to tick, and the check after two turns by hand. */
export function writeBuildSheet(sheet: DriveSheet, { plan, expected, holes }: Rebuild, of: PaperOf): WallPaper {
  const name = namesOf(sheet)
  return {
    ...wallPaper(of, t`Build-up`),
    groups: [
      ...plan.groups.map(({ key, tasks }) => ({
        title: TASK_GROUPS[key],
        lines: tasks.map((task) => ({
          text: [sayTask(task, name), tightened(task.tighten)].filter(Boolean).join(': '),
          blank: task.asks === 'nothing' ? null : task.asks === 'length' ? t`mm` : ''
        }))
      })),
      ...bankTags(sheet),
      ...boltHoles(sheet, holes),
      {
        title: t`After two turns by hand`,
        lines: expected.map(({ kind, target, from, to, value, within }) => ({
          text: t`${name(target)}: ${midSentence(KIND_NAMES[kind])}${from && to ? t`, ${midSentence(name(from))} to ${midSentence(name(to))}` : ''}, expected ${rounded(value)}${within > 0 ? t` ±${rounded(within)}` : ''}`,
          blank: unitOf(kind)
        }))
      }
    ]
  }
}

/** On an engine of two banks a tag for what belongs to each: parts that look alike are not. */
function bankTags(sheet: DriveSheet): WallPaper['groups'] {
  const { chainAt, phasers, tensioners, rails, sprockets } = compileSheet(sheet)
  const banks = banksOf(sheet)
  if (banks.length < 2) return []
  const banksAt = (chain: string | undefined) =>
    new Set(sheet.chains.find(({ id }) => id === chain)?.path.map((id) => sprockets.get(id)?.bank))
  const only = (chain: string | undefined, bank: number) =>
    banksAt(chain).has(bank) && banks.every((other) => other === bank || !banksAt(chain).has(other))
  const of = (bank: number) => [
    ...sheet.chains.filter(({ id }) => only(id, bank)),
    ...[...rails.values()].filter(({ id }) => only(chainAt(id)?.id, bank)),
    ...[...tensioners.values()].filter(({ chain }) => only(chain, bank)),
    ...[...sprockets.values()].filter((sprocket) => sprocket.bank === bank),
    ...[...phasers.values()].filter(({ sprocket }) => sprockets.get(sprocket)?.bank === bank)
  ]
  return [
    {
      title: t`Bank tags: on the part before it comes off`,
      lines: banks.flatMap((bank) => of(bank).map(({ name }) => ({ text: t`Bank ${bank}: ${name}`, blank: null })))
    }
  ]
}

/** Which bolt goes back into which hole of each cover, as they came out. */
function boltHoles(sheet: DriveSheet, holes: Rebuild['holes']): WallPaper['groups'] {
  return [...new Set(holes.map(({ cover }) => cover))].map((cover) => ({
    title: t`Bolts, ${midSentence(sheet.operations?.find(({ id }) => id === cover)?.name ?? cover)}`,
    lines: holes
      .filter((hole) => hole.cover === cover)
      .map(({ x, y, length }, i) => ({
        text: t`Hole ${i + 1}: ${rounded(length)} mm, ${Math.round(100 * x)} % from the left, ${Math.round(100 * y)} % down`,
        blank: null
      }))
  }))
}

const rounded = (value: number) => withDecimals(String(Number(value.toFixed(1))))

function tightened(step: Rebuild['plan']['groups'][number]['tasks'][number]['tighten']): string {
  if (!step) return ''
  return step.newtonMetres === undefined ? t`${step.degrees}°` : t`${step.newtonMetres} N·m`
}

function wallPaper(
  { workshop, vehicle, registration, engine, usage, complaint, by, at, customer }: PaperOf,
  title: string
) {
  const plate = registration ? t` (${registration})` : ''
  return {
    title: t`${title}: ${vehicle}${plate}`,
    about: [
      t`${engine}, ${thousands(usage.value)} ${USAGE_UNITS[usage.unit]}. ${[customer?.name, by, dayAt(at, workshop)].filter(Boolean).join(', ')}. ${workshop.name}.`,
      ...(complaint ? [complaint] : [])
    ],
    caution: aboutCaution(),
    qrSays: t`Opens the job on a phone that is signed in.`,
    pageOf: t`Page {page} of {count}`,
    author: workshop.name,
    at
  }
}

/** What stands on a label for the key or the box of parts. */
export interface LabelPaper {
  vehicle: string
  lines: string[]
}

export function writeLabel({ workshop, vehicle, registration, customer, usage, at }: PaperOf): LabelPaper {
  return {
    vehicle,
    lines: [
      registration,
      customer?.name ?? '',
      t`${thousands(usage.value)} ${USAGE_UNITS[usage.unit]}`,
      dayAt(at, workshop)
    ].filter(Boolean)
  }
}
