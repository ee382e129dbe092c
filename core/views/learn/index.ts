export { coverage, type Learnt, learnFrom, type LearntFrom, type TypeRate } from './learnFrom'
export { type LearntFile, learntFileSchema } from './learntFile'
export type { LearntSays } from './says'
export { countingErrors, ENOUGH_ENGINES, learntFigures, learnOwn, type OwnPriors } from './ownPriors'
