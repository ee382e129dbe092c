export { coverage, type Learnt, learnFrom, type LearntFrom, type TypeRate } from './learnFrom'
export { ENOUGH_ENGINES, learntFigures, learnOwn, type OwnPriors } from './ownPriors'
