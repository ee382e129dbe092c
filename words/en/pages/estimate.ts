import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const ESTIMATE_PAGE = texts({
  estimate: 'estimate',
  title: 'Estimate',
  comesTo: 'What it comes to',
  empty: 'Nothing is on it yet: advise a path under Paths, or type its lines here.',
  order: 'To be ordered',
  papers: 'On paper and as files',
  estimatePdf: 'Estimate, PDF',
  estimateCsv: 'Estimate, CSV',
  orderPdf: 'Order list, PDF',
  orderCsv: 'Order list, CSV',
  worksheetPdf: 'Worksheet, PDF',
  buildPdf: 'Build-up, PDF',
  labelPdf: 'Label, PDF',
  typedTitle: 'Typed lines',
  typedSays: 'Beside the path’s operations and parts, or in their place where the engine sheet has none.',
  kind: 'Kind',
  kinds: { labour: 'Labour', part: 'Part', item: 'Other' },
  text: 'What',
  quantity: 'How many',
  hours: 'Hours',
  price: 'Price each',
  rate: 'Tax',
  usualRate: 'as usual',
  number: 'Part number',
  supplier: 'Supplier',
  addLine: 'Add a line',
  removeLine: (line: Shown) => t`Remove line ${line}`,
  alone: 'These lines alone, without the path’s',
  keep: 'Keep these lines',
  kept: 'Kept.',
  notANumber: 'Write each line’s text, how many and its price as numbers.',
  chosenTitle: 'Chosen and done',
  chosenBy: (by: Shown, price: Shown) => t`${by} chose this at ${price}.`,
  chosenHeads: ['Part', 'Chosen', 'Fitted'],
  yes: 'yes',
  notChosen: 'not chosen',
  notFitted: 'not fitted',
  beyond: (parts: Shown) => t`Fitted without having been chosen: ${parts}. Ask before it is charged.`
})

export const TAX_FORM = texts({
  title: 'Money and tax',
  says: 'On estimates, order lists and the prices in reports. Ask whoever does your books which holds for you.',
  rates: 'Tax rates',
  rateName: 'Name',
  percent: 'Per cent',
  addRate: 'Add a rate',
  removeRate: (name: Shown) => t`Remove ${name}`,
  noRates: 'None: prices stand without tax.',
  included: 'Prices on engine sheets',
  includedWays: [
    { value: 'no', label: 'without tax' },
    { value: 'yes', label: 'tax included' }
  ] as const,
  rounded: 'Tax is rounded',
  roundedWays: [
    { value: 'sum', label: 'on the sum' },
    { value: 'line', label: 'on each line' }
  ] as const,
  labour: 'Rate of labour',
  parts: 'Rate of parts',
  items: 'Rate of what is always renewed',
  none: 'no tax',
  newRate: 'Tax'
})
