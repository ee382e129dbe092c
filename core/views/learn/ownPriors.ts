import { estimate, learnPriors, PRIORS } from '../../estimate'
import { combineByHand, elongationRead, isBenchLength, type JobFile, type LearntPriors } from '../../readings'
import { compileSheet } from '../../sheet'
import { NINETY } from '../../math'

/** How estimates without the bench agreed with chains that were measured there afterwards. */
export interface Agreement {
  /** Mean distance from the bench length, fraction of elongation. */
  error: number
  /** How many of the chains lay in the 90 % interval. */
  held: number
}

/** What a workshop has learnt of one type of engine, with the proof that it is worth more than the defaults. */
export interface OwnPriors {
  sheet: { id: string; name: string }
  /** Of the engines alone: this may be given to other workshops. */
  priors: LearntPriors
  /** People's real errors: shown to themselves alone; a job carries those that count. */
  people: NonNullable<LearntPriors['people']>
  /** On chains measured on the bench, each judged by what the other jobs had taught. */
  proof: { chains: number; defaults: Agreement; own: Agreement }
}

/** Engines from which a job is judged under what the workshop has learnt. */
export const ENOUGH_ENGINES = 3

/** Readings from which a person's error counts, and how far it must be from the method's own. */
const COUNTS = { readings: 20, off: 0.1 }

/** People's errors that change how their readings are judged. */
export function countingErrors(people: LearntPriors['people'] = []): NonNullable<LearntPriors['people']> {
  return people.filter(({ readings, times }) => readings >= COUNTS.readings && Math.abs(times - 1) > COUNTS.off)
}

/** Parts that jobs are left out in. */
const FOLDS = 5

/** What finished jobs on one type of engine teach, and how well that holds on jobs left out. */
export function learnOwn(sheet: OwnPriors['sheet'], jobs: readonly JobFile[]): OwnPriors {
  const { people = [], ...priors } = learnPriors(jobs)
  return { sheet, priors, people, proof: proveBy(jobs) }
}

/** What estimates made of one chain that was measured afterwards. */
interface Trial {
  defaults: Agreement
  own: Agreement
}

function proveBy(jobs: readonly JobFile[]): OwnPriors['proof'] {
  const trials = Array.from({ length: Math.min(FOLDS, jobs.length) }, (_, fold) => {
    const left = jobs.filter((job, i) => i % FOLDS === fold && job.readings.some(isBenchLength))
    if (left.length === 0) return []
    const { people, ...learnt } = learnPriors(jobs.filter((_, i) => i % FOLDS !== fold))
    const priors = { ...learnt, people: countingErrors(people) }
    return left.flatMap((job) => tryOn(job, priors))
  }).flat()
  const over = (name: keyof Trial): Agreement => ({
    error: trials.reduce((sum, trial) => sum + trial[name].error, 0) / Math.max(trials.length, 1),
    held: trials.reduce((sum, trial) => sum + trial[name].held, 0)
  })
  return { chains: trials.length, defaults: over('defaults'), own: over('own') }
}

/** What a job's readings say of its chains without the bench, by the defaults and by what others taught. */
function tryOn(job: JobFile, priors: LearntPriors): Trial[] {
  const { priors: _under, ...rest } = job
  const before: JobFile = { ...rest, readings: job.readings.filter((reading) => !isBenchLength(reading)) }
  const seen = { defaults: estimate(before).chains, own: estimate({ ...before, priors }).chains }
  return benchLengths(job).map(({ id, mean, sd }) => {
    const agree = (name: keyof Trial): Agreement => {
      const { elongation } = seen[name][id]!
      const slack = NINETY * sd
      const held = mean > elongation.low - slack && mean < elongation.high + slack
      return { error: Math.abs(elongation.mean - mean), held: held ? 1 : 0 }
    }
    return { defaults: agree('defaults'), own: agree('own') }
  })
}

function benchLengths({ drive, readings }: JobFile): { id: string; mean: number; sd: number }[] {
  return [...compileSheet(drive).chains.values()].flatMap((chain) => {
    const bench = combineByHand(
      readings.filter(isBenchLength).flatMap((reading) => {
        if (reading.chain !== chain.id) return []
        const { elongation: value, sigma } = elongationRead(drive, chain, reading)
        return [{ reading, value, sigma }]
      })
    )
    return bench ? [{ id: chain.id, ...bench }] : []
  })
}

/** The figures of what was learnt beside the defaults that they take the place of. */
export function learntFigures({ priors }: Pick<OwnPriors, 'priors'>) {
  return (['elongation', 'wear', 'padWear', 'extensionScatter', 'lagScatter'] as const).flatMap((figure) => {
    const own = priors[figure]
    return own === undefined ? [] : [{ figure, own, usual: PRIORS[figure] }]
  })
}
