import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const NEAR_JUMP = texts({
  title: 'How near it is to jumping',
  nothingRead: 'Nothing that was read tells how far its tensioner stands out or how long it is: no claim.',
  free: (mean: Shown, high: Shown, ratchet: boolean) =>
    t`With the plunger bled down ${ratchet ? t`to its last notch` : t`all the way, as nothing holds it`}, ${mean} of chain come free, ${high} at the most.`,
  between: (low: Shown, high: Shown) => t`(${low} to ${high})`,
  later: (usage: Shown, share: Shown, between: Shown) =>
    t`At ${usage}, if it wears on as it did: ${share} ${between} at the nearest.`,
  firstOrder:
    'Of the slack that a chain needs to ride over all the teeth it lies on, from the geometry alone, to first order: a jerk, a worn tooth or a stiff link needs less. It passes no part, and the maker decides whether it may be driven.'
})
