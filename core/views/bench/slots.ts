import { camsOf, phasersOn, touchingRails } from '../../drive'
import { type NumericKind, isSameThing, type Unread } from '../../readings'
import { BENCH_LINKS, type NextReading } from '../../estimate'
import type { DriveSheet } from '../../sheet'

/** Stations at which figures are read. */
export type FigureStation = 3 | 4 | 5 | 6 | 7

/** One thing that can be read on a drive: a reading without its figure. */
export interface Slot {
  key: string
  station: FigureStation
  kind: NumericKind
  /** Id of the part it is read on; a run's is that of its chain. */
  part: string
  /** The fields that name the target in a reading. */
  target: Partial<Unread>
}

/** Everything that can be read on a drive, in the order of the stations. */
export function slotsOf(sheet: DriveSheet): Slot[] {
  const slots: Slot[] = []
  const add = (station: FigureStation, kind: NumericKind, part: string, target: Partial<Unread>) =>
    slots.push({ key: [kind, ...Object.values(target)].join(':'), station, kind, part, target })
  for (const chain of sheet.chains) {
    for (const cam of camsOf(sheet, chain)) add(3, 'camLag', cam, { sprocket: cam })
    for (const { from, to } of chain.counts) add(3, 'linkCount', chain.id, { chain: chain.id, from, to })
    for (const { id } of sheet.tensioners.filter((t) => t.chain === chain.id)) {
      add(4, 'extension', id, { tensioner: id })
      add(4, 'padWear', id, { tensioner: id })
    }
    for (const rail of touchingRails(sheet, chain)) add(5, 'groove', rail, { rail })
    for (const phaser of phasersOn(sheet, chain)) add(6, 'phaserPlay', phaser.id, { phaser: phaser.id })
    const links = Math.min(BENCH_LINKS, chain.links)
    add(7, 'chainLength', chain.id, { chain: chain.id, links })
    add(7, 'chainCompare', chain.id, { chain: chain.id, links })
  }
  return slots
}

/** Does a reading fill a slot? A length over another number of links does too. */
export function fills(slot: Slot, reading: Unread): boolean {
  return isSameThing(reading, { kind: slot.kind, ...slot.target } as Unread)
}

/** Is a slot what a next reading is read in? */
export function readsSlot(next: Pick<NextReading, 'kind' | 'target' | 'from' | 'to'>, slot: Slot): boolean {
  return (
    slot.kind === next.kind &&
    Object.values(slot.target).includes(next.target) &&
    (next.from === undefined || (slot.target.from === next.from && slot.target.to === next.to))
  )
}
