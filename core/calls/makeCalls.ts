import type { Estimates } from '../estimate/estimate'
import type { JobFile } from '../job/types'
import { STANDING_TARGETS } from '../readings/conditions'
import type { Chain } from '../sheet/types'
import { conditions } from './conditionRules'
import { contextOf, type RuleContext } from './context'
import { newChain, sprocketsFollow, wholeSet } from './couplings'
import { chainOnBadTeeth, chainOnMetal, compression, fragments, loosePhaser, pinAfterLoosePhaser, supersededDesigns } from './holds'
import { jump } from './jumpRule'
import { extensionLimit, grooveLimit, padLimit, playLimit, standingRails } from './partRules'
import { elongationLimit, lagLimit, lagUnexplained, measuresAsNew, notSettled, readingsAtOdds, unevenWear } from './stretchRules'
import { SEVERITY, type Finding, type PartCall, type Reason } from './types'
import { weighed } from './weighed'

type Rule = (context: RuleContext) => Finding[]
type ChainRule = (context: RuleContext, chain: Chain) => Finding[]

/** Rules on what was read and found, for every chain; every school holds them. */
const CHAIN_EVIDENCE: readonly ChainRule[] = [
  elongationLimit, measuresAsNew, unevenWear, lagLimit, extensionLimit, padLimit, grooveLimit, jump, chainOnMetal, chainOnBadTeeth, readingsAtOdds, lagUnexplained, notSettled
]
/** The same for what belongs to no one chain. */
const EVIDENCE: readonly Rule[] = [standingRails, playLimit, conditions, supersededDesigns, loosePhaser, fragments, compression]

/**
 * A call for every part that a rule speaks of, in the sheet's order: chains, rails, tensioners, sprockets, phasers, then
 * oil side, fasteners and engine. The severest reason makes the call; all are kept, that one first.
 */
export function makeCalls(job: JobFile, estimates: Estimates): PartCall[] {
  const context = contextOf(job, estimates)
  const { chains, rails, tensioners, sprockets, phasers } = job.drive
  const evidence = [...chains.flatMap((chain) => CHAIN_EVIDENCE.flatMap((rule) => rule(context, chain))), ...EVIDENCE.flatMap((rule) => rule(context))]
  const found = [...evidence, ...chains.flatMap((chain) => wholeSet(context, chain)), ...weighed(context, evidence)]
  const renewed = (part: string) => found.some((finding) => finding.part === part && finding.call === 'renew')
  const coupled = [
    ...chains.flatMap((chain) => [...newChain(context, chain, renewed), ...sprocketsFollow(context, chain)]),
    ...pinAfterLoosePhaser(context, renewed)
  ]
  const all = [...found, ...coupled]
  const parts = [...chains, ...rails, ...tensioners, ...sprockets, ...phasers].map(({ id }) => id)
  return [...parts, ...STANDING_TARGETS].flatMap((part) => partCall(part, all.filter((finding) => finding.part === part)))
}

function partCall(part: string, findings: readonly Finding[]): PartCall[] {
  if (findings.length === 0) return []
  const reasons = findings
    .map(({ part: _part, ...reason }): Reason => reason)
    .sort((a, b) => SEVERITY.indexOf(b.call) - SEVERITY.indexOf(a.call))
  return [{ part, call: reasons[0]!.call, reasons }]
}
