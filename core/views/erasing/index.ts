export { type ErasedRows, erasedRows, type ErasureKind, erasureKind, leftRows, type PlaceOfMention } from './erased'
export { eraseMentions, excerptOf, mentionPattern, ordersOf, termsOf } from './mentions'
export { withoutPerson } from './withoutPerson'
