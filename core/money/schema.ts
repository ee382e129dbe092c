import { flag, id, listOf, needed, num, oneOf, shape, type Shape, words } from '../check'

const rateOf = () => id().nullable()

/**
 * Tax on what a workshop sells: its rates, whether its prices hold it already, what is rounded, and which rate each
 * kind of line has (null: none).
 */
export const taxSchema = shape({
  rates: listOf(
    shape({
      id: id().required(needed),
      name: words(40),
      percent: num(0, 100).required(needed)
    }).required(needed),
    8
  ).required(needed),
  included: flag().required(needed),
  /** The tax of each line, or of the sum at each rate. */
  rounded: oneOf('line', 'sum').required(needed),
  labour: rateOf(),
  parts: rateOf(),
  items: rateOf()
}).required(needed)

export type Tax = Shape<typeof taxSchema>

/** A workshop that sells without tax, or has not said. */
export const NO_TAX: Tax = { rates: [], included: false, rounded: 'sum', labour: null, parts: null, items: null }
