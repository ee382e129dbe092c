import { messagesOf } from '../../check'
import type { PartKind } from '../../sheet'
import type { UsageUnit } from '../../readings'
import type { SuspectId } from './table'

/** Looks that need no cover off. */
export type LookId = 'vacuum' | 'trace' | 'pan' | 'lifter' | 'extension' | 'camLag'

/** What speaks for or against a suspect. */
export interface EvidenceSays {
  answer: { kind: PartKind; finding: string; suspect: SuspectId }
  /** `byTravel`: the stretch has used up the tensioner's travel rather than reached its own limit. */
  'stretched-by-figures': { chain: string; odds: number; byTravel: boolean }
  'jumped-by-figures': { cam: string; odds: number }
  'worn-by-figures': { rail: string; odds: number }
  'loose-by-figures': { phaser: string; odds: number }
  usage: { value: number; unit: UsageUnit; more: boolean }
}

/** Why the covers come off or stay on. */
export interface OpeningSays {
  'likely-jumped': {}
  plastic: {}
  'behind-covers': { suspect: SuspectId }
  'likelier-outside': { suspect: SuspectId }
  /** Noise that does no harm. */
  'only-noise': { suspect: SuspectId; odds: number }
  'nothing-noticed': { odds: number }
  'one-look': { look: LookId }
  'no-look': {}
}

export const evidence = messagesOf<EvidenceSays>()
export const say = messagesOf<OpeningSays>()
