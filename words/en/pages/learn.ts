import type { Shown } from '../../say'

export const CALIBRATION_CHART = {
  firstEstimatesAgainstBenchLengths: 'First estimates against bench lengths; the same figures stand in the table below',
  onTheBench: 'on the bench, %',
  estimated: 'estimated, %',
  asATable: 'As a table',
  chain: 'Chain',
  estimated2: 'Estimated, %',
  onTheBench2: 'On the bench, %'
}

export const LEARNT = {
  learntUmbrette: 'Learnt · Umbrette',
  per: (unit: Shown, unit2: Shown) => `% per ${unit} ${unit2}`,
  due: (mean: Shown, low: Shown, high: Shown | null, month: Shown | null) =>
    `${mean} (${low} to ${high ?? 'never'})${month === null ? '' : `, about ${month}`}`,
  noChainHasBeenMeasured: 'No chain has been measured on the bench after an estimate yet.',
  held: (held: number, of: number) => {
    const share = Math.round((100 * held) / of)
    const which = of === 1 ? 'estimate' : 'estimates'
    const said = `Of ${of} first ${which}, ${held} held the bench length within ${of === 1 ? 'its' : 'their'} 90 % interval (${share} %).`
    if (of < 20) return `${said} Too few to say more.`
    return share < 80 ? `${said} Fewer than claimed: be careful with estimates that rest on few readings.` : said
  },
  whatTheJobsHaveTaught: 'What the jobs have taught',
  overChains: (engines: Shown) => `Over ${engines} chains:`,
  ninetyBetween: ', 90 % between',
  and: 'and',
  rate90: 'Rate, 90 %',
  points: 'Points',
  limitReachedAt: 'Limit reached at',
  tensionersTravelEndsAt: "Tensioner's travel ends at",
  to2: (unit: Shown, unit2: Shown) => `(${unit} to ${unit2})`,
  noLimit: 'no limit',
  notByWear: 'not by wear',
  noChainHasBeenMeasured2: 'No chain has been measured on a known vehicle yet.',
  didFirstEstimatesHold: 'Did first estimates hold?',
  whatCameBack: 'What came back',
  partsOfClosedJobsWhose: 'Parts of closed jobs whose engine was seen again, and how many were condemned then.',
  of: (back: Shown, parts: Shown) => `${back} of ${parts}`
}
