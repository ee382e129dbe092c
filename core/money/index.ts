export { NO_TAX, type Tax, taxSchema } from './schema'
export { type Amount, minorDigits, type RateSum, type Sums, sumLines, type Taxed } from './sums'
