import { PART_LABELS, standingName, sayPartName } from '../../../words/en'
import type { NearJump } from '../../../core/estimate'
import type { Assessment } from '../../../core/paths'
import type { Call } from '../../../core/calls'
import { camsOf, type ChainPicture } from '../../../core/drive'
import { NINETY, type Point } from '../../../core/math'
import { BESIDE_KINDS, type DriveSheet, limitFor, STANDING_KINDS, STANDING_TARGETS } from '../../../core/sheet'
import { lengthFigure, lengthWords, units } from '../../units'
import { fixDigits, lagWords, percent, teethWords } from '../../words'

/** What the map says of one part: its name, what is known of it, its call, and where it is. */
export interface PartLabel {
  part: string
  name: string
  value: string
  call: Call | null
  /** mm; null for a part whose place the sheet does not give. */
  at: Point | null
}

/** Labels for every part of a drive, those with a place first. */
export function partLabels(
  sheet: DriveSheet,
  assessment: Assessment,
  pictures: readonly ChainPicture[],
  near: readonly NearJump[] = []
): PartLabel[] {
  const call = (part: string) => assessment.calls.find((c) => c.part === part)?.call ?? null
  const label = (part: { id: string; name: string }, value: string, at: Point | null): PartLabel => ({
    part: part.id,
    name: sayPartName(part.name),
    value,
    call: call(part.id),
    at
  })
  return sheet.chains
    .flatMap((chain) => {
      const picture = pictures.find((p) => p.chain === chain.id)
      const cams = camsOf(sheet, chain)
      const sprockets = sheet.sprockets.filter((s) => chain.path.includes(s.id) || cams.includes(s.id))
      const rails = sheet.rails.filter((r) => chain.path.includes(r.id))
      const tensioners = sheet.tensioners.filter((t) => t.chain === chain.id)
      return [
        ...sprockets.map((s) =>
          label(
            s,
            camValue(assessment, s) + rideWords(near, s.id),
            picture?.sprockets.find((p) => p.id === s.id)?.centre ?? null
          )
        ),
        ...rails.map((r) => label(r, railValue(sheet, assessment, r.id), railPlace(picture, r.id))),
        ...tensioners.map((t) => label(t, tensionerValue(assessment, t), picture?.tensioner?.seat ?? null)),
        label(chain, chainValue(sheet, assessment, chain.id), chainPlace(picture))
      ]
    })
    .concat(besideLabels(sheet, assessment, pictures))
    .concat(
      sheet.rails
        .filter((r) => r.touches === false && !sheet.chains.some((c) => c.path.includes(r.id)))
        .map((r) => label(r, PART_LABELS.standsClear, null))
    )
}

/** Of the slack that it takes to ride over a sprocket, from which the map says so. */
const WORTH_SAYING = 0.25

/** How near the chain is to riding over a sprocket, where that is worth a word. */
function rideWords(near: readonly NearJump[], id: string): string {
  const share = near.flatMap(({ told, sprockets }) => (told ? sprockets : [])).find(({ sprocket }) => sprocket === id)
  return share && share.mean >= WORTH_SAYING ? `, ${PART_LABELS.toRidingOver(percent(share.mean, 0))}` : ''
}

/** What stands beside the chain, once something was found on it: where its sprocket is. */
function besideLabels(sheet: DriveSheet, { calls }: Assessment, pictures: readonly ChainPicture[]): PartLabel[] {
  const at = (id: string | undefined) =>
    pictures.flatMap(({ sprockets }) => sprockets).find((sprocket) => sprocket.id === id)?.centre ?? null
  return [
    ...(sheet.beside ?? []),
    ...STANDING_TARGETS.filter((id) => BESIDE.has(STANDING_KINDS[id])).map((id) => ({ id, name: standingName(id) }))
  ].flatMap((part: { id: string; name: string; sprocket?: string }) => {
    const call = calls.find((c) => c.part === part.id)?.call
    return call ? [{ part: part.id, name: sayPartName(part.name), value: '', call, at: at(part.sprocket) }] : []
  })
}

const BESIDE: ReadonlySet<string> = new Set(BESIDE_KINDS)

function camValue({ cams }: Assessment, { id, teeth }: { id: string; teeth: number }): string {
  const cam = cams[id]
  if (!cam) return PART_LABELS.teeth(teeth)
  if (cam.jump.told && cam.jump.teeth !== 0) return `${lagWords(cam.lag.mean)}, ${teethWords(cam.jump.teeth)}`
  return `${lagWords(cam.lag.mean)} ±${fixDigits(NINETY * cam.lag.sd, 1)}`
}

function railValue(sheet: DriveSheet, { rails }: Assessment, id: string): string {
  const wear = rails[id]?.wear
  const limit = limitFor(sheet, 'groove', id)
  if (!wear) return PART_LABELS.standsClear
  return PART_LABELS.worn(lengthFigure(wear.mean, 1), limit ? lengthFigure(limit.value, 1) : null, units.value.length)
}

function tensionerValue(
  { tensioners }: Assessment,
  { id, stroke, limit }: { id: string; stroke: number; limit?: { value: number } }
): string {
  const { extension } = tensioners[id]!
  const stands = extension.read ?? extension.predicted
  return PART_LABELS.of(lengthFigure(stands, 1), lengthWords(limit ? limit.value : stroke, 1))
}

function chainValue(sheet: DriveSheet, { chains }: Assessment, id: string): string {
  const limit = limitFor(sheet, 'elongation', id)
  const elongation = percent(chains[id]!.elongation.mean)
  return limit ? PART_LABELS.ofLimit(elongation, limit.value) : elongation
}

function railPlace(picture: ChainPicture | undefined, id: string): Point | null {
  const rail = picture?.rails.find((r) => r.id === id)
  if (!rail) return null
  const middle = (((rail.from + rail.to) / 2) * Math.PI) / 180
  const r = rail.radius - 8
  return [rail.centre[0] + r * Math.cos(middle), rail.centre[1] + r * Math.sin(middle)]
}

/** A pin on the tight side, where no other part is pointed at. */
function chainPlace(picture: ChainPicture | undefined): Point | null {
  if (!picture) return null
  const { pins, colouredLinks } = picture
  return pins[Math.min(pins.length - 1, (colouredLinks.at(-1) ?? 0) + 12)] ?? null
}
