import { figure, lateOrEarly, odds, partName } from '../../wording'
import type { Assessment } from '../../paths'
import { type DriveSheet, limitFor } from '../../sheet'

/** What happened to a drive in plain sentences with their odds: stretch for each chain, what is worn or out past its limit, then jumps, then what is not known. */
export function plainVerdict(sheet: DriveSheet, assessment: Assessment): string[] {
  if (assessment.readings.every(({ predicted }) => predicted === null)) return ['Nothing has been read yet, so nothing can be said of this drive.']
  return [...sheet.chains.map(({ id, name }) => stretch(sheet, assessment, id, name)), ...travel(sheet, assessment), ...wear(sheet, assessment), ...jumps(sheet, assessment)]
}

function stretch(sheet: DriveSheet, { chains }: Assessment, id: string, name: string): string {
  const { elongation } = chains[id]!
  const limit = limitFor(sheet, 'elongation', id)
  const measured = `${name} is ${figure(100 * elongation.mean, 2)} % longer than new, give or take ${figure(50 * (elongation.high - elongation.low), 2)}`
  if (!limit) return `${measured}; the sheet has no limit to hold it against.`
  const over = elongation.overLimit!
  const [past, p] = over >= 0.5 ? ['past', over] : ['within', 1 - over]
  return `${measured}: ${past} its limit of ${limit.value} %, ${odds(p)} likely.`
}

/** Tensioners out past their limit: a chain within its own can have used up the travel together with the rails. */
function travel(sheet: DriveSheet, { tensioners }: Assessment): string[] {
  return sheet.tensioners.flatMap(({ id, name, limit }) => {
    const { read, overLimit } = tensioners[id]!.extension
    if (!limit || read === null || overLimit === null || overLimit < 0.5) return []
    return [`${name} stands ${figure(read, 1)} mm out: past its limit of ${limit.value} mm, ${odds(overLimit)} likely.`]
  })
}

/** Rules that hold a part's own wear against its limit. */
const WORN: readonly string[] = ['groove-limit', 'pad-limit', 'play-limit']

function wear(sheet: DriveSheet, { calls }: Assessment): string[] {
  return calls.flatMap(({ part, reasons }) => reasons.filter(({ rule, call }) => WORN.includes(rule) && call === 'renew').map(({ text }) => `${partName(sheet, part)}: ${text.charAt(0).toLowerCase()}${text.slice(1)}`))
}

function jumps(sheet: DriveSheet, { cams }: Assessment): string[] {
  const told = Object.entries(cams).filter(([, cam]) => cam.jump.told)
  if (told.length === 0) return ['Whether it jumped is not known: no mark and no link count has been read.']
  const moved = told.filter(([, { jump }]) => jump.teeth !== 0)
  if (moved.length === 0) {
    const least = Math.min(...told.map(([, { jump }]) => jump.odds))
    return [`No tooth has jumped on ${told.length === Object.keys(cams).length ? 'any cam' : 'the cams that were read'}, ${odds(least)} likely.`]
  }
  return moved.map(([id, { jump }]) => {
    const name = sheet.sprockets.find((s) => s.id === id)!.name
    return `${name} has jumped ${Math.abs(jump.teeth)} ${Math.abs(jump.teeth) === 1 ? 'tooth' : 'teeth'} ${lateOrEarly(jump.teeth)}, ${odds(jump.odds)} likely.`
  })
}
