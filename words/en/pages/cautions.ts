import type { NumericKind } from '../../../core/readings'
import { t, texts } from '../../spoken'

/** Before what is said of it. */
export const cautionLead = () => t`Caution.`

/** What can hurt someone or cost an engine, beside the act it belongs to. */
export const CAUTIONS: Readonly<Partial<Record<NumericKind, string>>> = texts({
  camLag:
    'Battery off. Turn by the crank bolt, in the running direction only; past the mark, go round again. Keep hands off the chain while it turns: valve springs can snap a cam round.',
  linkCount: 'Battery off. Count with the engine standing still; never reach for the chain while it is turned.',
  extension:
    'Read it as found, before anything is loosened. Springs and plungers fly: eye protection, and a rag over the opening.',
  padWear: 'Pin the plunger before the tensioner comes out: springs and plungers fly. Eye protection.',
  groove: 'Account for every missing piece of rail before closing. Brake cleaner: air, and eye protection.',
  phaserPlay:
    'Hold the cam with its tool, not with the chain. The phaser may snap round under spring load: fingers clear.',
  chainLength: 'Same pull at every place, chain clean and dry of grit. Brake cleaner: air, and eye protection.',
  chainCompare: 'Hang both from the same pin, same pull. Brake cleaner: air, and eye protection.'
})
