import type { Estimates } from '../estimate/estimate'
import type { JobFile } from '../job/types'
import type { Chain } from '../sheet/types'
import { contextOf, type RuleContext } from './context'
import { newChain, sprocketsFollow, weighedByOdds, wholeSet } from './couplings'
import { jump } from './jumpRule'
import { extensionLimit, grooveLimit, padLimit, playLimit, standingRails } from './partRules'
import { elongationLimit, lagLimit, notSettled, readingsAtOdds } from './stretchRules'
import { SEVERITY, type Finding, type PartCall, type Reason } from './types'

type ChainRule = (context: RuleContext, chain: Chain) => Finding[]

/** Rules on what was read, for every chain. */
const EVIDENCE: readonly ChainRule[] = [elongationLimit, lagLimit, extensionLimit, padLimit, grooveLimit, jump, readingsAtOdds, notSettled]
/** What schools add. */
const SCHOOL: readonly ChainRule[] = [wholeSet, weighedByOdds]

/**
 * A call for every part that a rule speaks of, in the sheet's order: chains, rails, tensioners, sprockets, phasers.
 * The severest reason makes the call; all are kept, that one first.
 */
export function makeCalls(job: JobFile, estimates: Estimates): PartCall[] {
  const context = contextOf(job, estimates)
  const chains = job.drive.chains
  const found = [
    ...chains.flatMap((chain) => EVIDENCE.flatMap((rule) => rule(context, chain))),
    ...standingRails(context), ...playLimit(context),
    ...chains.flatMap((chain) => SCHOOL.flatMap((rule) => rule(context, chain)))
  ]
  const renewed = (part: string) => found.some((finding) => finding.part === part && finding.call === 'renew')
  const coupled = chains.flatMap((chain) => [...newChain(context, chain, renewed), ...sprocketsFollow(context, chain)])
  const all = [...found, ...coupled]
  const { rails, tensioners, sprockets, phasers } = job.drive
  return [...chains, ...rails, ...tensioners, ...sprockets, ...phasers].flatMap(({ id }) => partCall(id, all.filter((finding) => finding.part === id)))
}

function partCall(part: string, findings: readonly Finding[]): PartCall[] {
  if (findings.length === 0) return []
  const reasons = findings
    .map(({ part: _part, ...reason }): Reason => reason)
    .sort((a, b) => SEVERITY.indexOf(b.call) - SEVERITY.indexOf(a.call))
  return [{ part, call: reasons[0]!.call, reasons }]
}
