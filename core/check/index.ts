export { type Fault, faultsOf } from './fault'
export { faultsOfEach, jsonFaults, MOST_FAULTS, schemaFaults } from './faults'
export { knownPart } from './knownPart'
export {
  byIds,
  day,
  elsewhere,
  email,
  figuresShape,
  flag,
  formatVersion,
  id,
  isUuid,
  listOf,
  moment,
  needed,
  num,
  oneOf,
  pageAsked,
  pair,
  shape,
  type Shape,
  text,
  uuid,
  whole,
  word,
  words
} from './rules'
export { isSameJson } from './same'
export { isWellFormed } from './text'
export { type FigureValue, type Figures, type Message, messagesOf } from './message'
export { type CheckSays, say as sayOfCheck } from './says'
