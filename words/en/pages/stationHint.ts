import { texts } from '../../spoken'

/** What a station is for, said once. */
export const STATION_HINTS: Readonly<Record<number, string>> = texts({
  1: 'Note what was said and heard before anything is opened: what is behind it shows at the right, and moves with every answer.',
  2: 'What costs minutes and no covers: codes, oil, the plug, a trace. It may spare the covers.',
  3: 'Set to the mark, then read: touch a part on the map, type its figure, save. Links are counted run by run.',
  4: 'Read the tensioner as found, before it is loosened. The ledger at the foot shows what its extension is made of.',
  5: 'Rails out: measure the deepest groove, note cracks and missing pieces, and account for each piece.',
  6: 'Phasers: play at lock, the pin, and the screen before them.',
  7: 'The chain on the bench: the surest figure of all. The same pull, three places.'
})

export const STATION_HINT = texts({ understood: 'Understood' })
