export { coverage, type Learnt, learnt, type LearntFrom, type TypeRate } from './learnt'
