import type { TraceSays } from '../../core/trace'
import { type Catalogue, sayer } from '../say'
import { fixDigits } from './figures'
import { t, plural } from '../spoken'

/** What stands in the way of reading a trace, and what was odd about one. */
export const TRACE: Catalogue<TraceSays> = {
  'no-crank': () => t`no channel is called crank: name it, or put it to a column (--map crank=A)`,
  'no-channel': (f, name) => t`no channel is called ${name(f.channel)}: name it, or put it to a column (--map)`,
  'no-teeth': (f) =>
    t`only ${f.found} teeth of the crank are to be seen: check channel and sensor, and record for longer`,
  'no-pattern': (f) =>
    t`the crank shows no wheel of ${f.teeth} teeth with ${f.missing} missing: check the trigger wheel on the sheet`,
  'too-short': (f) => t`only ${fixDigits(f.turns, 1)} turns are to be read: record at least five`,
  'no-cam': (f, name) => t`${name(f.cam)} does not show its pattern: check channel and trigger wheel on the sheet`,
  'flat-signal': (f, name) => t`${name(f.channel)} shows no signal: check clip and range`,
  'no-triggers': () => t`the sheet has no trigger wheels: add them, or compare with a good trace`,
  'no-wheel': () =>
    t`the good trace shows no trigger wheel: the crank needs a gap that comes round, and each cam the same edges every cycle. Check its channels, or put the wheels on the sheet`,
  'no-columns': () => t`expected a first line that names the columns: time, crank and the cams`,
  'few-samples': (f) => t`only ${f.count} samples: record for longer`,
  'no-time': () => t`no column is a time: name one time_s or time_ms, or give the rate (--rate 50000)`,
  'time-stands': () => t`time stands still or runs back: check the time column`,
  'uneven-time': () => t`samples are not evenly spaced: record without gaps`,
  'bad-row': (f) => t`row ${f.row} is no row of figures like the others: the file may be cut off or damaged`,
  'too-long': (f) => t`more than ${f.most / 1e6} million samples: cut it, or record at a lower rate`,
  'no-wav': () => t`is no WAV file that can be read`,
  'wav-kind': (f) => t`is a WAV file of a kind that is not known (${f.kind}, ${f.bits} bit): save it as PCM`,
  'crank-inverted': () => t`the crank signal was the wrong way up`,
  'cam-inverted': (f, name) => t`the signal of ${name(f.cam)} was the wrong way up`,
  'cams-swapped': (f, name) => t`the channels of ${f.cams.map(name).join(t` and `)} were swapped`,
  'other-half': (f, name) => t`${name(f.cam)} stands in the other half of the cycle: a crank turn out`,
  'turns-left': (f) => t`${f.turns} ${plural(f.turns, t`turn`, t`turns`)} without all teeth left out`,
  'edge-damaged': (f, name) =>
    t`edge ${f.edge + 1} of ${name(f.cam)} alone is off by ${fixDigits(f.shift, 1)}°: a damaged wheel, not the chain`,
  'far-off': (f, name) => t`${name(f.cam)} stands ${fixDigits(f.lag, 1)}° off: check which wheel it is`
}

export const sayTrace = sayer(TRACE)
