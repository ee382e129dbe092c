import type { EvidenceSays, LookId, OpeningSays, SuspectId } from '../../core/views/suspects'
import { type Catalogue, sayer } from '../say'
import { lowerFirst, oddsWords, upperFirst } from './figures'
import { findingWords } from './parts'
import { t, texts, known } from '../spoken'

/** What may be behind a complaint, what speaks for it, and whether to open the covers. */

/** A suspect's name, and what to look at first. */
export const SUSPECT_WORDS: Readonly<Record<SuspectId, { name: string; look: string }>> = texts({
  'stretched-chain': { name: 'Chain stretched', look: 'tensioner extension, then cam lag at the marks' },
  'worn-rail': { name: 'Rail worn through or broken', look: 'pan and filter for plastic, rails by borescope' },
  'arm-contact': { name: 'Contact of arm and tensioner worn', look: 'where the plunger presses on the arm' },
  'weak-tensioner': { name: 'Tensioner bleeds down or is weak', look: 'plunger and ratchet, oil feed, design' },
  jumped: { name: 'Chain has jumped', look: 'marks and link counts, before the starter turns it again' },
  'loose-phaser': { name: 'Phaser loose, able to come apart', look: 'phaser play, its cover bolts and locating pin' },
  'lock-pin': { name: 'Phaser lock pin lets go at a start', look: 'phaser locked at rest? It is noise only' },
  'phaser-oil': {
    name: 'Oil side of a phaser: screen, solenoid, O-rings',
    look: 'solenoid and screen, reached from outside'
  },
  'oil-supply': { name: 'Oil level, grade or pressure', look: 'dipstick, grade, pressure at the gallery' },
  sensor: { name: 'Sensor or wiring, not the drive', look: 'cam and crank sensors, their wiring and trigger wheels' },
  'wrong-fitting': {
    name: 'Set or fitted wrong last time',
    look: 'marks and link counts, and what was renewed last'
  },
  'bad-new-part': { name: 'A new part that is no good', look: 'make and number of what was renewed last' },
  head: { name: 'Valve, gasket or ring, not the drive', look: 'leak-down of each cylinder, and where it leaks to' },
  auxiliary: {
    name: 'Balance or pump drive, or what is driven beside the cams',
    look: 'the other chains, with a stethoscope at their end'
  },
  nothing: { name: 'Nothing wrong with the drive', look: 'nothing before something is heard, stored or found' }
})

/** Why an answer speaks for or against a suspect, by both. */
const BECAUSE = texts<Readonly<Record<string, string>>>({
  'noise-under-a-second lock-pin': "under a second at a cold start is typical of a phaser's lock pin",
  'noise-under-a-second stretched-chain': 'a slack chain rattles longer than that',
  'noise-under-a-second loose-phaser': 'a loose phaser does not go quiet so soon',
  'noise-seconds weak-tensioner': 'it lasts until the tensioner has filled',
  'noise-seconds oil-supply': 'it lasts until oil pressure is there',
  'noise-seconds stretched-chain': 'a long chain needs more travel before it is quiet',
  'noise-idle-only stretched-chain': 'a slack chain slaps at idle and is pulled taut when revved',
  'noise-idle-only weak-tensioner': 'oil pressure at idle does not hold the plunger',
  'noise-warm-idle arm-contact': 'like a sewing machine in a warm idle: arm and tensioner contact',
  'noise-always loose-phaser': 'hard and all the time: a loose phaser',
  'noise-always worn-rail': 'hard and all the time: chain on metal',
  'noise-none loose-phaser': 'a loose phaser is heard',
  'noise-none arm-contact': 'worn contact of arm and tensioner is heard',
  'noise-none weak-tensioner': 'a weak tensioner is mostly heard',
  'noise-none nothing': 'nothing is heard',
  'code-none nothing': 'nothing is stored',
  'oil-clean nothing': 'nothing in pan or filter',
  'oil-regular nothing': 'it was looked after',
  'vacuum-right nothing': 'vacuum is right',
  'trace-alike nothing': 'the trace is as it should be',
  'noise-none lock-pin': 'a lock pin is heard at cold starts',
  'noise-none sensor': 'a sensor makes no noise',
  'loudest-bank loose-phaser': 'one bank louder: a phaser or tensioner of that bank',
  'loudest-bank weak-tensioner': 'one bank louder: a phaser or tensioner of that bank',
  'loudest-front stretched-chain': 'loudest where the chain runs',
  'loudest-front worn-rail': 'loudest where the rails are',
  'loudest-top lock-pin': 'loudest where the phasers sit',
  'loudest-top loose-phaser': 'loudest where the phasers sit',
  'code-correlation jumped': 'cam and crank do not agree: a tooth',
  'code-correlation stretched-chain': 'cam and crank do not agree: stretch retards the cams',
  'code-correlation loose-phaser': 'cam and crank do not agree: a phaser moved on its cam',
  'code-correlation sensor': 'cam and crank do not agree: one of them is read wrongly',
  'code-over-advanced phaser-oil': 'a phaser held advanced by its oil side',
  'code-over-advanced jumped': 'early can only be a jump or a wrong setting',
  'code-over-advanced stretched-chain': 'wear retards, it never advances',
  'code-over-retarded stretched-chain': 'stretch retards the cams',
  'code-over-retarded phaser-oil': 'a phaser that does not leave its rest',
  'code-slow phaser-oil': 'slow to respond: too little oil reaches the phaser',
  'code-slow oil-supply': 'slow to respond: pressure or grade',
  'code-none jumped': 'a jumped tooth mostly sets a code',
  'code-none sensor': 'a bad sensor sets a code',
  'oil-overdue stretched-chain': 'old oil wears pins and bushes',
  'oil-overdue phaser-oil': 'old oil clogs screens',
  'oil-low oil-supply': 'too little oil',
  'oil-low weak-tensioner': 'too little oil starves the tensioner',
  'oil-wrong-grade oil-supply': 'the wrong grade',
  'oil-wrong-grade lock-pin': 'the wrong grade is slow to reach the phasers',
  'oil-regular stretched-chain': 'regular oil changes are kind to a chain',
  'oil-glitter worn-rail': 'glitter: metal is being worn',
  'oil-glitter loose-phaser': 'glitter: metal is being worn',
  'oil-plastic worn-rail': 'plastic in the pan comes from a rail',
  'oil-clean worn-rail': 'a broken rail leaves plastic',
  'renewed-chain stretched-chain':
    'renewed before, which makes it less likely but does not rule it out: new is not good',
  'renewed-rails worn-rail': 'renewed before, which makes it less likely but does not rule it out: new is not good',
  'renewed-tensioner weak-tensioner':
    'renewed before, which makes it less likely but does not rule it out: new is not good',
  'renewed-phaser loose-phaser': 'renewed before, which makes it less likely but does not rule it out: new is not good',
  'vacuum-low jumped': 'low vacuum: a cam stands wrong',
  'vacuum-low stretched-chain': 'low vacuum: the cams are late',
  'vacuum-right jumped': 'with a tooth off, vacuum is low',
  'trace-shifted jumped': 'the trace is shifted: a tooth',
  'trace-shifted stretched-chain': 'the trace is shifted: stretch',
  'trace-shifted loose-phaser': 'the trace is shifted: a phaser moved on its cam',
  'trace-alike jumped': 'a jump would shift the trace',
  'trace-alike stretched-chain': 'much stretch would shift the trace',
  'lifter-gap stretched-chain': 'a gap remains when the lifter is pushed in: the chain is fine',
  'lifter-gap weak-tensioner': 'a gap remains: the lifter is suspect',
  'lifter-flush stretched-chain': 'the lifter goes home flush: the chain is long',
  'lifter-flush worn-rail': 'the lifter goes home flush: chain or rails',
  'plunger-slips-back weak-tensioner': 'its plunger slips back',
  'noise-comes-and-goes weak-tensioner': 'a worn chain does not heal overnight; a tensioner that sticks does',
  'noise-comes-and-goes stretched-chain': 'a long chain is long every day',
  'noise-gone-at weak-tensioner': 'from there on oil pressure holds the plunger',
  'starts-badly jumped': 'cams that stand wrong do not fill the cylinders',
  'rough-idle phaser-oil': 'a phaser off its rest spoils the idle',
  'lacks-power jumped': 'a tooth off takes the power',
  'code-solenoid phaser-oil': "the circuit of the phaser's own solenoid",
  'code-sensor sensor': 'the signal itself is missing',
  'code-oil-pressure oil-supply': 'the engine itself found the pressure low',
  'code-misfire head': 'one cylinder does not burn',
  'cylinders jumped': 'all cylinders alike: that is timing',
  'cylinders head': 'of one cylinder, or two side by side: not the drive',
  'witness-mark jumped': 'it moved just now: something let the chain go slack',
  'witness-mark worn-rail': 'it moved just now: a rail may have broken',
  'superseded weak-tensioner': 'a design that the maker has given up',
  'superseded stretched-chain': 'a design that the maker has given up',
  'renewed-chain wrong-fitting': 'what was fitted last is looked at first',
  'renewed-rails wrong-fitting': 'what was fitted last is looked at first',
  'renewed-tensioner wrong-fitting': 'what was fitted last is looked at first',
  'renewed-phaser wrong-fitting': 'what was fitted last is looked at first',
  'renewed-tensioner bad-new-part': 'the same noise with a new one: new is not good',
  'filter-metal worn-rail': 'metal comes off a rail that is worn through',
  'loudest-rear auxiliary': 'the drive is at the other end'
})

export const EVIDENCE: Catalogue<EvidenceSays> = {
  answer({ kind, finding, suspect }) {
    const because = BECAUSE[`${finding} ${suspect}`]
    return t`${upperFirst(findingWords(kind, finding))}${because ? t`: ${because}` : ''}.`
  },
  'stretched-by-figures': (f, name) =>
    t`${name(f.chain)}: the figures make it ${oddsWords(f.odds)} likely ${f.byTravel ? t`to have taken its tensioner past its limit` : t`to be past its limit`}.`,
  'jumped-by-figures': (f, name) =>
    t`${name(f.cam)}: ${oddsWords(f.odds)} likely to have jumped, by what was read on it.`,
  'worn-by-figures': (f, name) => t`${name(f.rail)}: ${oddsWords(f.odds)} likely to be past its limit, by its groove.`,
  'loose-by-figures': (f, name) => t`${name(f.phaser)}: ${oddsWords(f.odds)} likely to be past its limit, by its play.`,
  usage: (f) =>
    t`Usage of ${Math.round(f.value)} ${known(f.unit)}: a chain this old is ${f.more ? t`more` : t`less`} often long; usage alone condemns nothing.`
}

/** What speaks for or against a suspect. */
export const sayEvidence = sayer(EVIDENCE)

/** Looks that need no cover off. */
export const LOOK_WORDS: Readonly<Record<LookId, string>> = texts({
  vacuum: 'Vacuum at idle',
  trace: 'Cam and crank trace against a good one',
  pan: 'Pan and filter for plastic',
  lifter: 'Removed lifter pushed in by hand',
  extension: 'Tensioner extension through the plug or filler',
  camLag: 'Cam deviation from the engine computer, warm idle'
})

export const OPENINGS: Catalogue<OpeningSays> = {
  'likely-jumped': () =>
    t`It has likely jumped, and this is an interference engine: do not turn it by the starter, open it.`,
  plastic: () => t`Plastic in pan or filter comes from a rail: open it, and find every piece.`,
  'behind-covers': (f) =>
    t`What is wrong most likely lies behind the covers, ${lowerFirst(SUSPECT_WORDS[f.suspect].name)} first of all.`,
  'likelier-outside': (f) =>
    t`${SUSPECT_WORDS[f.suspect].name} is likelier, and is reached without opening: ${SUSPECT_WORDS[f.suspect].look}.`,
  'only-noise': (f) =>
    t`${SUSPECT_WORDS[f.suspect].name} (${oddsWords(f.odds)}): its cause lies behind the covers, but it does no harm. Opening buys quiet and nothing else; that is the customer's to choose.`,
  'nothing-noticed': (f) =>
    t`Nothing was heard, stored or found (nothing wrong: ${oddsWords(f.odds)}). A worn rail is silent all the same: look again when the usage says so.`,
  'one-look': (f) => t`It is not clear yet. ${LOOK_WORDS[f.look]} would tell most.`,
  'no-look': () => t`It is not clear yet, and no cheap look is left.`
}

/** Why the covers come off or stay on. */
export const sayOpening = sayer(OPENINGS)
