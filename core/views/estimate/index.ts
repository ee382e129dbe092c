export {
  type Basis,
  type ChosenAndDone,
  chosenAndDone,
  type Estimate,
  type EstimateLine,
  estimateOf,
  orderOf,
  renewalsOf
} from './estimate'
