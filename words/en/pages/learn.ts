import type { Shown } from '../../say'
import { t, texts, plural } from '../../spoken'

export const CALIBRATION_CHART = texts({
  firstEstimatesAgainstBenchLengths: 'First estimates against bench lengths; the same figures stand in the table below',
  onTheBench: 'on the bench, %',
  estimated: 'estimated, %',
  asATable: 'As a table',
  chain: 'Chain',
  estimated2: 'Estimated, %',
  onTheBench2: 'On the bench, %'
})

export const LEARNT = texts({
  hoursTaken: 'Hours taken, against the sheet',
  operation: 'Operation',
  onSheet: 'Sheet',
  took: 'Took (jobs)',
  reckon: 'Reckon',
  hoursSays:
    'Reckoned with: what it took here, drawn to the sheet while few jobs tell. Put it into the sheet, or into a job’s prices.',
  erased: 'A vehicle that was erased',
  learntUmbrette: 'Learnt · Umbrette',
  per: (unit: Shown, unit2: Shown) => t`% per ${unit} ${unit2}`,
  due: (mean: Shown, low: Shown, high: Shown | null, month: Shown | null) =>
    t`${mean} (${low} to ${high ?? t`never`})${month === null ? '' : t`, about ${month}`}`,
  noChainHasBeenMeasured: 'No chain has been measured on the bench after an estimate yet.',
  held: (held: number, of: number) => {
    const share = Math.round((100 * held) / of)
    const which = plural(of, t`estimate`, t`estimates`)
    const said = t`Of ${of} first ${which}, ${held} held the bench length within ${plural(of, t`its`, t`their`)} 90 % interval (${share} %).`
    if (of < 20) return t`${said} Too few to say more.`
    return share < 80 ? t`${said} Fewer than claimed: be careful with estimates that rest on few readings.` : said
  },
  whatTheJobsHaveTaught: 'What the jobs have taught',
  overChains: (engines: Shown) => t`Over ${engines} chains:`,
  ninetyBetween: ', 90 % between',
  and: 'and',
  rate90: 'Rate, 90 %',
  points: 'Points',
  limitReachedAt: 'Limit reached at',
  tensionersTravelEndsAt: "Tensioner's travel ends at",
  to2: (unit: Shown, unit2: Shown) => t`(${unit} to ${unit2})`,
  noLimit: 'no limit',
  notByWear: 'not by wear',
  noChainHasBeenMeasured2: 'No chain has been measured on a known vehicle yet.',
  didFirstEstimatesHold: 'Did first estimates hold?',
  whatCameBack: 'What came back',
  partsOfClosedJobsWhose: 'Parts of closed jobs whose engine was seen again, and how many were condemned then.',
  of: (back: Shown, parts: Shown) => t`${back} of ${parts}`
})

export const OWN_PRIORS = texts({
  title: 'What your own engines are like',
  from: (engines: number) => plural(engines, t`from 1 of your own engines`, t`from ${engines} of your own engines`),
  figure: 'Usual of',
  own: 'here',
  usual: 'by default',
  figures: {
    elongation: 'stretch, %',
    wear: 'rail wear, mm',
    padWear: 'pad wear, mm',
    extensionScatter: 'extension as new, scatter, mm',
    lagScatter: 'cam marks as new, scatter, °'
  },
  noProofYet: 'No chain of these was measured on the bench yet: nothing proves these figures against the defaults.',
  proof: (chains: number, own: Shown, usual: Shown, ownHeld: number, usualHeld: number) =>
    t`Proof on jobs left out: of ${chains} ${plural(chains, t`chain`, t`chains`)} measured on the bench the first estimate was off by ${own} points on average, by the defaults ${usual}; ${ownHeld} lay in the 90 % interval, by the defaults ${usualHeld}.`,
  yourErrors: 'Your own readings, against the methods',
  othersErrors: 'Others’ readings, for the foreman',
  error: (what: string, times: Shown, readings: number) =>
    t`${what}: ${times} times the default error, from ${readings} readings`,
  judgedUnder: (engines: number, others: number) =>
    others === 0
      ? t`Judged by what ${engines} of your own engines taught.`
      : t`Judged by what ${engines} engines taught, ${others} of them other workshops'.`
})

export const SHARED_FIGURES = texts({
  title: 'Figures of other workshops',
  lead: 'What your engines have taught can be given to other workshops as a file, and theirs taken in: it holds figures of types of engine, and no job, customer, vehicle or name.',
  giveAway: 'Give yours away',
  takeIn: 'Take in a file',
  fileToTakeIn: 'File of learnt figures to take in',
  takenIn: (engines: number, types: readonly string[]) =>
    t`From ${engines} ${plural(engines, t`engine`, t`engines`)} elsewhere: ${types.join(', ')}`,
  by: (by: Shown) => t`taken in by ${by}`,
  takenOut: 'Taken out: nothing is judged by them.',
  notProven:
    'New jobs are judged by them together with yours. The proof on jobs left out is of your own figures alone.',
  takeOut: 'Take out',
  putBack: 'Put back',
  tooLarge: 'A file of learnt figures is at most 1 MB.'
})
