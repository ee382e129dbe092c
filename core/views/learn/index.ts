export { coverage, type Learnt, learnFrom, type LearntFrom, type TypeRate } from './learnFrom'
