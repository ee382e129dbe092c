import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const FRONT_CHART = texts({
  against: { comeBack: 'odds of coming back', expected: 'expected cost' },
  pathNowComesBackExpected: (i: Shown, currency: Shown, comeBack: Shown, currency2: Shown) =>
    t`Path ${i}: ${currency} now, comes back ${comeBack}, expected ${currency2}`,
  priceNowAgainst: 'Price now against',
  pathsByPriceNowThe: 'Paths by price now; the same figures stand in the table above',
  priceNow: (currency: Shown) => t`price now, ${currency}`
})

export const PATH_BUILDER = texts({
  partByPart: 'Part by part',
  aPathBuiltByHand: 'A path built by hand',
  comesWithWhatIsChosen: 'comes with what is chosen',
  condemnedByTheReadings: 'condemned by the readings',
  kept: (odds: Shown) => t`kept: ${odds}`,
  gettingThereOnce: 'Getting there, once',
  nothingToTakeOff: 'nothing to take off',
  atThePartsThemselves: 'At the parts themselves',
  labour: 'Labour',
  alwaysRenewed: 'Always renewed',
  comesBack: 'Comes back',
  expectedCost: 'Expected cost'
})

export const PRICING_SHEET = texts({
  from: { job: 'this job', shop: 'shop', sheet: 'sheet', default: 'default', measured: 'measured', usage: 'by usage' },
  heldAgainstFromNow: 'Held against, from now',
  labourAnHour: 'Labour, an hour',
  oddsThatANewPart: 'Odds that a new part comes back',
  whatAFailureBreaksBesides: 'What a failure breaks besides',
  kept: (id: Shown) => t`${id} kept`,
  assumptions: 'Assumptions',
  oddsOfComingBackPart: 'Odds of coming back, part by part',
  prices: 'Prices',
  writeTheMonthsAndThe: 'Write the months, and the usage in one of them.',
  keptJobsOpenedFromNow: 'Kept: jobs opened from now on are weighed with these.',
  expectedANumberFrom0: (list: Shown) => t`Expected a number from 0 to ${list}.`,
  pricesHoursAndOddsThese: 'Prices, hours and odds these paths are weighed with',
  orInMonths: 'Or in months',
  aMonth: (unit: Shown) => t`${unit} a month`,
  holdAgainstThat: 'Hold against that',
  useTheseAssumptionsForNew: 'Use these assumptions for new jobs',
  anEmptiedFieldGoesBack:
    "An emptied field goes back to what the shop, its sheet or the default says. Prices and hours for every job are changed on the engine's sheet."
})

export const PATHS_PAGE = texts({
  nextMinutes: (what: Shown, minutes: Shown, worth: Shown) =>
    t`Before deciding: ${what}, ${minutes} min, is worth about ${worth}.`,
  enough: 'Nothing that is left to read is worth its minutes: decide.',
  onTheFront: 'On the front',
  withTax: (gross: Shown) => t`${gross} with tax`,
  paths: (usage: Shown) => t`paths, ${usage}`,
  theSheetHasNoParts: 'The sheet has no parts and prices, so there is nothing to weigh.',
  addThemToTheSheet: 'Add them to the sheet',
  andMoveTheJobTo: ', and move the job to that revision.',
  thePathsCouldNotBe: 'The paths could not be weighed.',
  tryAgain: 'Try again',
  calledOff: 'Called off.',
  weighThePaths: 'Weigh the paths',
  weighingEveryAllowedSetOf: 'Weighing every allowed set of renewals:',
  callOff: 'Call off',
  pathsSideBySide: 'Paths side by side',
  repairPathsByPriceNow: 'Repair paths by price now',
  path: 'Path',
  renews: 'Renews',
  comesBack: 'Comes back',
  expected: 'Expected',
  advised: 'Advised',
  nothing: 'nothing',
  oddsThatTheCoverComes: (unit: Shown) =>
    t`Odds that the cover comes off again within ${unit}. Expected: price now, and what coming back would cost at those odds. The customer decides.`,
  inNoPriceTheSheet: (id: Shown) => t`In no price: ${id}. The sheet has no part for it.`,
  notWeighedBeyondFifteenParts: (id: Shown) => t`Not weighed, beyond fifteen parts: ${id}.`,
  chose: (by: Shown) => t`${by} chose`,
  at: (renewed: string, price: Shown) => t`${renewed || t`nothing to be renewed`} at ${price}.`,
  thisIsWhatWeAdvise: 'This is what we advise',
  adviseThisPath: 'Advise this path'
})

export const PARTIAL_WAYS = texts({
  title: 'Stop-gaps and partial ways',
  says: 'Each does less than a repair. It is chosen knowingly, by name, and looked at again.',
  kinds: {
    'rolled-in': 'Chain rolled in with the covers on',
    'tensioner-alone': 'Tensioner alone',
    'stop-gap': 'Stop-gap',
    'look-again': 'Nothing now, looked at again'
  },
  renews: (parts: Shown) => t`New: ${parts}.`,
  looksAt: (parts: Shown) => t`Looked at and kept: ${parts}.`,
  leaves: (parts: Shown) => t`Leaves open: ${parts}.`,
  leavesNothing: 'Leaves nothing open that was found.',
  odds: (odds: Shown) => t`${odds} that it comes back`,
  again: (usage: Shown, months: number | null) =>
    t`Looked at again at ${usage}${months === null ? '' : t` or after ${months} months`} at the latest.`,
  hours: (hours: Shown) => t`${hours} h`,
  choose: 'Choose this knowingly',
  acceptedBy: 'Accepted by (name of who decides)',
  date: 'Looked at again by',
  keep: 'Keep as stop-gap',
  kept: (name: Shown) => t`Chosen as a stop-gap, accepted by ${name}.`,
  writeWho: 'Write who accepts what it leaves open.',
  notOpen: 'Not open here',
  caution: 'A stop-gap is never recorded as a repair. The maker and local rules may not allow one at all.'
})

export const OTHER_WORK = texts({
  title: 'Other work behind the same covers',
  says: 'A pump, a gasket, seals: typed in once, with what reaches it. It costs its own hours now and all of the access later.',
  name: 'Work',
  hours: 'Hours of its own',
  price: 'Parts',
  inHours: (hours: Shown) => t`${hours} h`,
  reachedBy: 'Reached by',
  add: 'Add',
  remove: (name: Shown) => t`Remove ${name}`,
  now: 'With this path',
  later: 'By itself later',
  saves: (money: Shown) => t`saves ${money}`,
  writeAName: 'Write what it is.',
  writeHours: 'Write its hours, 0 to 200.',
  writePrice: 'Write what its parts cost, or nothing.'
})
