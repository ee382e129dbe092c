import { compileSheet, partKindOf } from '../../core/sheet'
import type { JobFile, Of } from '../../core/readings'
import { isFinding } from '../../core/readings'
import type { SuspectId } from '../../core/views/suspects'
import { jobOf } from './jobs'
import { sheet } from './sheets'

/** A complaint as it was told and looked at before or while opening, and what it turned out to be. */
export interface ToldCase {
  cause: SuspectId
  story: string
  job: JobFile
}

type Engine = 'ardmere-a18' | 'vellora-v28' | 'quillon-q40' | 'hexley-h46' | 'torvane-d26'

/**
 * One finding: `noise-seconds`, of the engine; `tensioner/plunger-slips-back`; with a figure `noise-seconds=4`, a
 * cylinder `compression-figure@2=7`, a bank `code-correlation#2`.
 */
function finding(engine: Engine, written: string): Of<'condition'> {
  const [, target = 'engine', name = '', cylinder, bank, value] =
    /^(?:([\w-]+)\/)?([a-z-]+)(?:@(\d+))?(?:#(\d+))?(?:=([\d.]+))?$/.exec(written) ?? []
  const kind = partKindOf(sheet(engine), target)
  if (!kind || !isFinding(kind, name)) throw new RangeError(`${written}: no finding of ${engine}`)
  return {
    kind: 'condition',
    target,
    finding: name,
    ...(cylinder ? { cylinder: Number(cylinder) } : {}),
    ...(bank ? { bank: Number(bank) } : {}),
    ...(value ? { value: Number(value) } : {})
  }
}

function told(cause: SuspectId, usage: number, story: string, found: string, engine: Engine = 'ardmere-a18'): ToldCase {
  const drive = sheet(engine)
  const readings = found.split(' ').map((one) => finding(engine, one))
  compileSheet(drive)
  return { cause, story, job: jobOf(readings, { drive, usage: { value: usage, unit: 'km' } }) }
}

/** Sixty complaints, made up, with what was told and found */
export const TOLD_CASES: readonly ToldCase[] = [
  told('stretched-chain', 236_000, 'Slaps at idle, oil every 40 000', 'noise-idle-only oil-overdue code-over-retarded'),
  told(
    'stretched-chain',
    189_000,
    'Correlation code, no power uphill',
    'code-correlation lacks-power oil-overdue noise-idle-only'
  ),
  told('stretched-chain', 254_000, 'Rattles six seconds every morning', 'noise-seconds=6 loudest-front oil-regular'),
  told('stretched-chain', 171_000, 'Late cam code, trace shifted', 'code-over-retarded trace-shifted noise-none'),
  told('stretched-chain', 143_000, 'Neglected taxi', 'oil-overdue noise-idle-only noise-seconds=5 code-correlation'),
  told('stretched-chain', 61_000, 'Lifter pushes home flush', 'lifter/lifter-flush noise-idle-only', 'quillon-q40'),
  told(
    'stretched-chain',
    48_000,
    'Single, slap at idle, oil black',
    'oil-overdue noise-idle-only lifter/lifter-flush',
    'quillon-q40'
  ),
  told(
    'stretched-chain',
    221_000,
    'Vacuum low but steady, late',
    'vacuum-low vacuum-steady code-over-retarded rough-idle'
  ),
  told(
    'stretched-chain',
    198_000,
    'Both banks late',
    'code-over-retarded#1 code-over-retarded#2 noise-idle-only',
    'vellora-v28'
  ),
  told('worn-rail', 204_000, 'Brown crumbs in the filter', 'oil-plastic noise-seconds=3'),
  told('worn-rail', 176_000, 'Grinds all the time at the front', 'noise-always loudest-front oil-glitter'),
  told('worn-rail', 231_000, 'Guide seen cracked through the filler', 'guide/cracked noise-none'),
  told('worn-rail', 158_000, 'Piece of guide in the pickup, oil light', 'oil-plastic code-oil-pressure noise-always'),
  told('worn-rail', 167_000, 'Scrapes, cover grooved', 'noise-always front-cover/grooved loudest-front'),
  told('worn-rail', 142_000, 'Top bridge broken', 'bridge/broken noise-seconds=2 oil-plastic'),
  told('worn-rail', 249_000, 'Quiet, but plastic in the pan', 'noise-none oil-plastic code-none'),
  told('worn-rail', 188_000, 'Bright witness mark, plastic', 'tensioner/witness-mark oil-plastic noise-seconds=4'),
  told('arm-contact', 117_000, 'Sewing machine after ten minutes', 'noise-warm-idle code-none oil-regular'),
  told(
    'arm-contact',
    134_000,
    'Ticking warm idle, gone when revved',
    'noise-warm-idle noise-gone-at=1500 vacuum-right'
  ),
  told('arm-contact', 98_000, 'Warm tick, dug in where it presses', 'noise-warm-idle tensioner/pad-dug-in'),
  told('weak-tensioner', 89_000, 'Three seconds in the morning, then quiet', 'noise-seconds=3 code-none oil-regular'),
  told('weak-tensioner', 112_000, 'Some mornings, not all', 'noise-seconds=2.5 noise-comes-and-goes trace-alike'),
  told('weak-tensioner', 76_000, 'Plunger slips back in the hand', 'noise-seconds tensioner/plunger-slips-back'),
  told(
    'weak-tensioner',
    103_000,
    'Old design of tensioner in the engine',
    'noise-seconds=4 tensioner/superseded oil-regular'
  ),
  told('weak-tensioner', 28_000, 'Single: gap left at the hole', 'lifter/lifter-gap noise-idle-only', 'quillon-q40'),
  told(
    'weak-tensioner',
    35_000,
    'Single: lifter locked',
    'lifter/lifter-locked lifter/lifter-gap noise-seconds',
    'quillon-q40'
  ),
  told(
    'weak-tensioner',
    97_000,
    'Second bank after a night',
    'noise-seconds#2=3 loudest-bank#2 code-none',
    'vellora-v28'
  ),
  told(
    'weak-tensioner',
    121_000,
    'Clatters at hot idle, gone at 1200',
    'noise-idle-only noise-gone-at=1200 vacuum-right trace-alike'
  ),
  told('weak-tensioner', 84_000, 'Spring is short', 'noise-seconds=2 tensioner/spring-short'),
  told('jumped', 167_000, 'Bang, then no start', 'starts-badly code-correlation noise-always'),
  told('jumped', 182_000, 'Runs rough since a push start', 'rough-idle lacks-power code-correlation trace-shifted'),
  told(
    'jumped',
    154_000,
    'All cylinders low alike',
    'compression-figure@1=6 compression-figure@2=6.2 compression-figure@3=5.9 compression-figure@4=6.1 vacuum-low starts-badly'
  ),
  told(
    'jumped',
    211_000,
    'Early cam code after a rattle',
    'code-over-advanced code-correlation noise-seconds rough-idle'
  ),
  told(
    'jumped',
    139_000,
    'Fresh bright mark on the plunger, no power',
    'tensioner/witness-mark lacks-power vacuum-low'
  ),
  told(
    'jumped',
    52_000,
    'Single jumped while the lifter was out',
    'starts-badly rough-idle trace-shifted',
    'quillon-q40'
  ),
  told('jumped', 190_000, 'One bank flat', 'lacks-power code-correlation#2 vacuum-low vacuum-swings', 'vellora-v28'),
  told('loose-phaser', 128_000, 'Hard knock at the top, all speeds', 'noise-always loudest-top'),
  told(
    'loose-phaser',
    146_000,
    'Knock, code comes and goes, glitter',
    'noise-always code-correlation oil-glitter loudest-top'
  ),
  told('loose-phaser', 93_000, 'Phaser snaps when turned by hand', 'phaser-in/snaps-back noise-always'),
  told('loose-phaser', 161_000, 'Cover bolts of the phaser loose', 'phaser-in/cover-bolts-loose noise-seconds'),
  told('loose-phaser', 137_000, 'One bank knocks', 'noise-always loudest-bank#1 code-correlation#1', 'vellora-v28'),
  told('lock-pin', 64_000, 'Brrp at the first start of the day', 'noise-under-a-second code-none oil-regular'),
  told('lock-pin', 107_000, 'Half a second, cold only', 'noise-seconds=0.7 code-none'),
  told('lock-pin', 71_000, 'Rattle for a blink, thin oil', 'noise-under-a-second oil-wrong-grade code-none'),
  told('lock-pin', 118_000, 'Pin seen sticky', 'noise-under-a-second phaser-in/lock-pin-sticky'),
  told('phaser-oil', 92_000, 'Slow cam code, rough idle', 'code-slow rough-idle noise-none'),
  told('phaser-oil', 124_000, 'Solenoid code', 'code-solenoid code-slow noise-none'),
  told('phaser-oil', 136_000, 'Screen torn', 'oil/screen-torn code-over-advanced noise-none'),
  told('phaser-oil', 109_000, 'Held advanced, stalls warm', 'code-over-advanced rough-idle noise-none oil-overdue'),
  told('oil-supply', 131_000, 'Oil two litres down', 'oil-low noise-seconds=4 code-oil-pressure'),
  told('oil-supply', 87_000, 'Wrong oil put in last week', 'oil-wrong-grade noise-seconds=2 oil-low'),
  told(
    'oil-supply',
    162_000,
    'Oil light at hot idle, everything rattles',
    'code-oil-pressure noise-idle-only code-slow'
  ),
  told('sensor', 74_000, 'Signal missing, runs well', 'code-sensor noise-none trace-alike'),
  told('sensor', 101_000, 'Correlation code, all else right', 'code-correlation noise-none trace-alike vacuum-right'),
  told(
    'wrong-fitting',
    122_000,
    'Chain done last month, code ever since',
    'renewed-chain=121500 code-correlation noise-none lacks-power'
  ),
  told(
    'wrong-fitting',
    96_000,
    'New tensioner fitted, early cam since',
    'renewed-tensioner=95800 code-over-advanced rough-idle'
  ),
  told(
    'bad-new-part',
    140_000,
    'New tensioner, same rattle again',
    'renewed-tensioner=137000 noise-seconds=3 oil-regular'
  ),
  told(
    'head',
    118_000,
    'One cylinder low, quiet',
    'compression-figure@1=12 compression-figure@2=12.1 compression-figure@3=6 compression-figure@4=12 code-misfire@3 noise-none'
  ),
  told(
    'head',
    143_000,
    'Two neighbours low, coolant goes',
    'compression-figure@1=12 compression-figure@2=5 compression-figure@3=5.2 compression-figure@4=11.8 noise-none rough-idle'
  ),
  told('nothing', 45_000, 'Wants to know if all is well', 'noise-none code-none oil-regular oil-clean vacuum-right')
]
