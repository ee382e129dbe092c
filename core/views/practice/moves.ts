import type { AnySchema } from 'yup'
import { CALLS } from '../../calls'
import { elsewhere, flag, id, needed, num, oneOf, shape, type Shape, whole, word } from '../../check'
import { say } from './says'
import type { Reading } from '../../readings'

/**
 * What a learner does at the stand, by type: turns the crank (below 0 against its running direction), inspects, enters
 * what was read or found (of one thing the last entry stands), takes an entry back by its place, calls a part, puts one
 * on the path.
 */
export const MOVES = {
  turn: shape({ type: oneOf('turn').required(needed), degrees: num(-7200, 7200).required(needed) }).required(
    say('a-move')
  ),
  inspect: shape({ type: oneOf('inspect').required(needed), inspection: word(140).required(needed) }).required(
    say('a-move')
  ),
  read: shape({
    type: oneOf('read').required(needed),
    inspection: word(140).required(needed),
    reading: elsewhere<Reading>().required(needed)
  }).required(say('a-move')),
  unread: shape({ type: oneOf('unread').required(needed), reading: whole(0, 2000).required(needed) }).required(
    say('a-move')
  ),
  call: shape({
    type: oneOf('call').required(needed),
    part: id().required(needed),
    call: oneOf(...CALLS)
      .nullable()
      .defined(needed)
  }).required(say('a-move')),
  renew: shape({
    type: oneOf('renew').required(needed),
    part: id().required(needed),
    on: flag().required(needed)
  }).required(say('a-move'))
} satisfies { [type: string]: AnySchema }

export type Move = { [T in keyof typeof MOVES]: Shape<(typeof MOVES)[T]> }[keyof typeof MOVES]
