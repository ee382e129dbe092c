import type { Estimates } from '../estimate'
import type { JobFile } from '../readings'
import { type Chain, STANDING_TARGETS } from '../sheet'
import { conditions } from './conditionRules'
import { contextOf, type RuleContext } from './context'
import { cylindersTogether, figuredFindings, scanLimit } from './figureRules'
import { newChain, sprocketsFollow, wholeSet } from './couplings'
import {
  chainOnBadTeeth,
  chainOnMetal,
  compression,
  fragments,
  loosePhaser,
  metalShows,
  paintCondemns,
  pinAfterLoosePhaser,
  supersededDesigns
} from './holdRules'
import { jump } from './jumpRule'
import { extensionLimit, grooveLimit, padLimit, playLimit, standingRails } from './partRules'
import {
  elongationLimit,
  lagLimit,
  lagUnexplained,
  measuresAsNew,
  findUnsettled,
  playAtOdds,
  readingsAtOdds,
  unevenWear,
  wrongPlay,
  wrongReadings
} from './stretchRules'
import { type Finding, type PartCall, type Reason, SEVERITY } from './types'

type Rule = (context: RuleContext) => Finding[]
/** A rule that weighs what the others found. */
export type Weigh = (context: RuleContext, found: readonly Finding[]) => Finding[]
type ChainRule = (context: RuleContext, chain: Chain) => Finding[]

/** Rules on what was read and found, for every chain; every school holds them. */
const CHAIN_EVIDENCE: readonly ChainRule[] = [
  elongationLimit,
  measuresAsNew,
  unevenWear,
  lagLimit,
  extensionLimit,
  padLimit,
  grooveLimit,
  jump,
  chainOnMetal,
  metalShows,
  chainOnBadTeeth,
  readingsAtOdds,
  wrongReadings,
  lagUnexplained,
  findUnsettled
]
/** The same for what belongs to no one chain. */
const EVIDENCE: readonly Rule[] = [
  standingRails,
  playLimit,
  playAtOdds,
  wrongPlay,
  conditions,
  figuredFindings,
  cylindersTogether,
  scanLimit,
  paintCondemns,
  supersededDesigns,
  loosePhaser,
  fragments,
  compression
]

/**
 * A call for every part that a rule speaks of, in the sheet's order: chains, rails, tensioners, sprockets, phasers,
 * then what stands beside them, oil side, fasteners and engine. The severest reason makes the call; all are kept, that
 * one first.
 * @param weigh what the weighed school adds to what the evidence says
 */
export function makeCalls(job: JobFile, estimates: Estimates, weigh: Weigh = () => []): PartCall[] {
  const context = contextOf(job, estimates)
  const { chains, rails, tensioners, sprockets, phasers, beside = [] } = context.job.drive
  const evidence = [
    ...chains.flatMap((chain) => CHAIN_EVIDENCE.flatMap((rule) => rule(context, chain))),
    ...EVIDENCE.flatMap((rule) => rule(context))
  ]
  const found = [...evidence, ...chains.flatMap((chain) => wholeSet(context, chain)), ...weigh(context, evidence)]
  const renewed = (part: string) => found.some((finding) => finding.part === part && finding.call === 'renew')
  const coupled = [
    ...chains.flatMap((chain) => [...newChain(context, chain, renewed), ...sprocketsFollow(context, chain)]),
    ...pinAfterLoosePhaser(context, renewed)
  ]
  const all = [...found, ...coupled]
  const parts = [...chains, ...rails, ...tensioners, ...sprockets, ...phasers, ...beside].map(({ id }) => id)
  return [...parts, ...STANDING_TARGETS].flatMap((part) =>
    partCall(
      part,
      all.filter((finding) => finding.part === part)
    )
  )
}

function partCall(part: string, findings: readonly Finding[]): PartCall[] {
  if (findings.length === 0) return []
  const reasons = findings
    .map(({ part: _part, ...reason }): Reason => reason)
    .sort((a, b) => SEVERITY.indexOf(b.call) - SEVERITY.indexOf(a.call))
  const { call } = reasons[0]!
  // What is condemned is asked nothing more.
  return [{ part, call, reasons: call === 'renew' ? reasons.map(({ settle: _settle, ...reason }) => reason) : reasons }]
}
