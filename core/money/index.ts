export { NO_TAX, type Tax, taxSchema } from './schema'
export { minorDigits } from './currency'
export { type Amount, type RateSum, type Sums, sumLines, type Taxed } from './sums'
