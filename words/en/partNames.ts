import { known, spokenNow, t } from '../spoken'

/** What sheets call their parts by habit; a name of the workshop's own stays as it was written. */
export const PART_NAMES: ReadonlySet<string> = new Set([
  'Timing chain',
  'Duplex timing chain',
  'Main chain',
  'Short chain',
  'Short chain from cam to cam',
  'Oil pump chain',
  'Cam chain',
  'Chain',
  'Fixed guide',
  'Front guide',
  'Right rail',
  'Tensioner arm',
  'Left tensioner rail',
  'Rear slipper',
  'Pump chain arm',
  'Top bridge',
  'Upper pad, on the plunger',
  'Lower pad, on the body',
  'Tensioner',
  'Ratchet tensioner',
  'Hydraulic ratchet tensioner',
  'Oil-pressure tensioner',
  'Spring tensioner',
  'Main tensioner',
  'Ratchet lifter',
  'Plunger between the strands',
  'Pump chain spring plunger',
  'Intake phaser',
  'Exhaust phaser',
  'Cam phaser',
  'Phase shift of the short chain',
  'Crank sprocket',
  'Crank sprocket, pump row',
  'Crank sprocket, bank 1 row',
  'Crank sprocket, bank 2 row',
  'Cam sprocket',
  'Intake cam sprocket',
  'Exhaust cam sprocket',
  'Left bank cam sprocket',
  'Right bank cam sprocket',
  'Exhaust cam, short chain',
  'Exhaust cam gear',
  'Oil pump sprocket'
])

const OF_BANK = /^Bank (\d) (.+)$/

/** A part’s name as a sheet gives it: in the language that is spoken where it is a usual one. */
export function sayPartName(name: string): string {
  if (!spokenNow()) return name
  const [, bank, rest = ''] = OF_BANK.exec(name) ?? []
  const usual = rest.charAt(0).toUpperCase() + rest.slice(1)
  if (bank && PART_NAMES.has(usual)) return t`Bank ${bank}: ${known(usual)}`
  return PART_NAMES.has(name) ? known(name) : name
}
