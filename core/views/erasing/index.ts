export { type ErasedRows, erasedRows, type ErasureKind, erasureKind, leftRows } from './erased'
export { eraseMentions, excerptOf, findsMention, mentionPattern, ordersOf, termsOf } from './mentions'
export { withoutPerson } from './withoutPerson'
