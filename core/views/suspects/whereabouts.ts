import type { JobFile, Of } from '../../readings'
import { type CompiledSheet, compileSheet, type DriveSheet } from '../../sheet'
import type { Bearing, SuspectId } from './table'

/** Of a suspect that several parts could be: how the odds of it fall to each, 0 to 1, the likeliest first. */
export type PartShare = { part: string; share: number }

/** Parts of a drive that each suspect may be. */
const PARTS_OF: Readonly<Partial<Record<SuspectId, (sheet: DriveSheet) => readonly { id: string }[]>>> = {
  'stretched-chain': ({ chains }) => chains,
  jumped: ({ chains }) => chains,
  'worn-rail': ({ rails }) => rails,
  'arm-contact': ({ rails }) => rails.filter(({ kind }) => kind === 'arm'),
  'weak-tensioner': ({ tensioners }) => tensioners,
  'loose-phaser': ({ phasers }) => phasers,
  'lock-pin': ({ phasers }) => phasers,
  'phaser-oil': ({ phasers }) => phasers
}

/** A part stands out from its fellows from this many times an even share on. */
const STANDS_OUT = 1.25

/** What bears on a suspect at all makes the part it was told of at least so many times likelier than its fellows. */
const LOCATES = 3

/**
 * Which part of its kind a suspect most likely is: what was found on a part speaks for that part, and what was heard or
 * stored at a bank or a cam for the parts of that bank and cam. Empty where nothing tells them apart.
 */
export function whereabouts(job: JobFile, suspect: SuspectId, bearings: readonly Bearing[]): PartShare[] {
  const parts = PARTS_OF[suspect]?.(job.drive) ?? []
  if (parts.length < 2) return []
  const sheet = compileSheet(job.drive)
  const speaking = bearings.filter((bearing) => bearing.suspect === suspect && bearing.factor > 1)
  const told = job.readings.flatMap((reading) => {
    if (reading.kind !== 'condition') return []
    const factor = Math.max(1, ...speaking.filter(({ finding }) => says(finding, reading)).map((b) => b.factor))
    return factor > 1 ? [{ reading, factor: Math.max(LOCATES, factor) }] : []
  })
  const weights = parts.map(({ id }) =>
    told.reduce((weight, { reading, factor }) => weight * (isAt(sheet, reading, id) ? factor : 1), 1)
  )
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const shares = parts.map(({ id }, i) => ({ part: id, share: weights[i]! / total }))
  return shares.some(({ share }) => share * parts.length > STANDS_OUT) ? shares.sort((a, b) => b.share - a.share) : []
}

const says = (finding: string, reading: Of<'condition'>) => finding.split(':')[0] === reading.finding

/** Is a finding of this part, of what it sits on, or of its bank and cam? */
function isAt(sheet: CompiledSheet, { target, bank, sensor }: Of<'condition'>, part: string): boolean {
  if (target === part || sheet.tensioners.get(target)?.arm === part || sheet.phasers.get(target)?.sprocket === part)
    return true
  if (bank === undefined && sensor === undefined) return false
  const sprockets = sprocketsOf(sheet, part)
  return sprockets.some((id) => {
    const sprocket = sheet.sprockets.get(id)
    const sameBank = bank === undefined || sprocket?.bank === bank
    const sameCam =
      sensor === undefined || sensor === 'crank' || sprocket?.valves === undefined || sprocket.valves === sensor
    return sameBank && sameCam
  })
}

/** The sprockets that a part sits on, or that its chain drives. */
function sprocketsOf(sheet: CompiledSheet, part: string): readonly string[] {
  const phaser = sheet.phasers.get(part)
  if (phaser) return [phaser.sprocket]
  const tensioner = sheet.tensioners.get(part)
  const chain = tensioner ? sheet.chains.get(tensioner.chain) : (sheet.chains.get(part) ?? sheet.chainAt(part))
  return chain?.path.filter((id) => sheet.sprockets.has(id)) ?? []
}
