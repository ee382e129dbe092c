import type { ReasonSays, ReleaseSays, RuledFinding } from '../../core/calls'
import type { CylinderPattern } from '../../core/readings'
import type { PartKind } from '../../core/sheet'
import { type Catalogue, NO_NAMES, sayer } from '../say'
import { ARGUMENTS } from './leftOut'
import { sayCorrected, saySlip } from './slips'
import { degreesWords, fixDigits, oddsWords, teethOff, upperFirst } from './figures'
import { figureFinding, figureUnit } from './parts'
import { t, texts, midSentence, plural, known } from '../spoken'

/** Why a part is called as it is, and what releases a hold. */

const FOUND_RAIL = {
  sound: 'Looked at and found sound.',
  cracked: 'Cracked: it breaks next.',
  broken: 'Broken.',
  'piece-missing': 'Pieces of it are missing.',
  'metal-showing': 'Its lining is worn through to the metal.',
  'chain-on-metal': 'The chain has run on its metal.',
  brittle: 'Brittle or discoloured: heat and age have done it; it breaks without wearing.',
  'bolts-loose': 'Its mounting bolts were loose: find out why (length, thread, a wallowed hole) before it goes back.',
  'bolts-sheared': 'A mounting bolt has sheared.',
  'bolts-missing': 'A mounting bolt is missing.',
  'hole-wallowed': 'Its mounting hole is wallowed: it moves on its bolt.',
  swapped: 'Upper and lower are swapped: what was read with it so does not hold.'
}

/** What each finding that makes a call says by itself. */
const FOUND: { readonly [K in PartKind]: { readonly [F in RuledFinding<K>]: string } } = texts({
  chain: {
    sound: 'Looked at and found sound.',
    'as-new-beside-new': 'It lies exactly as long as a new one: no stretch, whatever the timing said.',
    'stiff-links': 'Stiff links: pins and bushes are damaged.',
    'loose-links': 'Loose links: its pins move in the plates.',
    'side-plates-worn': 'Its side plates are worn or bent.',
    'ran-on-metal': 'It has run on metal: its plates and rollers are scored.',
    'paint-clear': 'The paint on its coloured links is clear: it was not overheated.',
    'paint-faded': 'The paint on its coloured links has faded: a sign of heat with some makers. Measure its length.',
    'paint-gone':
      'The paint on its coloured links is gone: a sign of heat with some makers. Measure its length and look at the oil supply.',
    'link-total-wrong': 'It has another number of links than the sheet: it is the wrong chain.',
    'slack-taken-up':
      'The slack between the cams goes when the engine is turned forward: the cams only kicked back, that is not wear.',
    'slack-stays': 'Slack stays when the engine is turned forward: the tensioner is out of travel or does not hold.'
  },
  guide: FOUND_RAIL,
  arm: { ...FOUND_RAIL, 'contact-dug-in': 'The plunger has dug into it: the extension reads long and the arm sticks.' },
  bridge: { ...FOUND_RAIL, 'chain-marks': 'The chain has touched it: it went slack, or the bridge stands too low.' },
  tensioner: {
    sound: 'Looked at and found sound.',
    'plunger-stuck': 'Its plunger sticks.',
    'plunger-slips-back': 'Its plunger slips back: the ratchet does not hold.',
    'spring-short': 'Its spring is shorter than a new one.',
    'ratchet-worn': 'Its ratchet is worn.',
    'oil-feed-blocked': 'Its oil feed is blocked: a new one would fail as this one did.',
    'witness-mark':
      'A bright mark stands ahead of an old stain: it moved recently, so the chain has just jumped or a rail just broke. Count the links and look at the rails.',
    'pad-dug-in': 'Its contact pad has dug into the arm.',
    'lifter-gap': 'Pushed in by hand it leaves a gap at its hole: the chain is fine, the lifter is suspect.',
    'lifter-flush': 'Pushed in by hand it goes home flush: the chain is long, or a rail is worn.',
    'lifter-locked': 'Locked by its own worn flank: it holds where it is and takes up nothing more.',
    modified:
      "A modified or foreign lifter is fitted: its figures are not the sheet's. Find out what it is before its extension is believed.",
    're-tensioned':
      'Re-tensioned: a stop-gap, not a repair, and its extension no longer tells how long the chain is. Write down when it is looked at again.',
    'stop-gap':
      'Re-tensioned or held by an adjuster: that is a stop-gap, not a repair. Write down when it is looked at again.'
  },
  phaser: {
    sound: 'Looked at and found sound.',
    'not-locked': "Not locked at rest: its lock pin or its oil side. Its cam's lag reads anywhere within its range.",
    'snaps-back': 'Snaps when turned by hand: read its free play at lock.',
    lags: 'Lags when turned by hand: read its free play at lock.',
    'cold-start-rattle':
      'Rattles for under a second at a cold start: its lock pin. Noise only, it does no harm; the customer says whether it is worth the money.',
    'lock-pin-sticky': 'Its lock pin is sticky: noise, not danger. Clean oil and a look at the screen come first.',
    'lock-pin-bore-worn':
      'The bore of its lock pin is worn: noise, not danger. It will not get better; the customer decides.',
    'cover-bolts-loose': 'Its cover bolts are loose: it can come apart.',
    'free-on-cam': 'The cam turns free of it: timing is not held, and it can come apart.',
    'bolt-torque-low':
      'Its bolt was found below torque: look at the locating pin and for metal transfer before a new bolt goes in.',
    'retainer-broken': 'A retainer inside it is broken: it can come apart.',
    'head-sheared-inside': 'A bolt head has sheared off inside it: it can come apart, and the head is in the engine.',
    'metal-transfer': 'Metal has been carried over at its joint: it has moved on its cam.'
  },
  sprocket: {
    sound: 'Looked at and found sound.',
    'teeth-hooked': 'Its teeth are hooked.',
    'teeth-damaged': 'Its teeth are chipped or marked: they spoil a new chain.',
    'pin-sheared': 'Its locating pin has sheared: its timing is not held.',
    'pin-worn': 'Its locating pin or notch is worn.',
    'pin-sound': 'Its locating pin and notch are sound.',
    'free-on-shaft': 'It turns free on its shaft: its timing is not held.',
    'bolt-torque-low': 'Its bolt was found below torque: look at the locating pin before a new bolt goes in.'
  },
  camshaft: {
    sound: 'Looked at and found sound.',
    'pin-sheared': 'Its pin has sheared: its timing is not held.',
    'pin-worn': 'Its pin or notch is worn: what sits on it can turn.',
    'seat-worn': 'The seat of its sprocket or phaser is worn: a new one would not run true.',
    'flats-rounded': 'Its holding flats are rounded: hold it another way, or it snaps round when the bolt lets go.',
    'journal-scored': 'A bearing journal is scored.',
    'bridge-scored': 'A cam bearing bridge is scored: look at oil supply and clearance before the engine runs.'
  },
  cover: {
    sound: 'Looked at and found sound.',
    grooved: 'The chain has cut grooves into it: it went slack. Look how deep they are, and for the metal in the pan.',
    'worn-through': 'It is worn through.',
    hole: 'It has a hole.',
    'oil-leak': 'Oil leaks by it: gasket, seal, or a crack.'
  },
  trigger: {
    sound: 'Looked at and found sound.',
    'teeth-chewed': 'Its teeth are chewed or bent: codes come from it, not from the chain.',
    loose: 'It is loose on its shaft: what is read by it does not hold.',
    'gap-wrong': 'The gap to its sensor is off: set it before a code is believed.'
  },
  auxiliary: {
    sound: 'Looked at and found sound.',
    'ate-into-cover': 'It has eaten into the cover: both are looked at, and its metal is in the oil.',
    'bearing-play': 'Its bearing has play.',
    'drive-slack': 'Its own chain or gear is slack: measure it like the timing chain.'
  },
  oil: {
    'screen-clear': 'The screen is whole and clear.',
    'screen-torn': 'A torn screen lets grit into the phaser.',
    'screen-clogged': 'A clogged screen starves the phaser.',
    'solenoid-works': 'The solenoid clicks and its resistance is right.',
    'solenoid-silent': 'The solenoid does not click.',
    'solenoid-resistance': "The solenoid's resistance is off.",
    'o-rings-hard': 'Hard O-rings let the pressure past.',
    'feed-clear': 'The feed hole is clear.',
    'feed-blocked': 'A feed hole is blocked: what it feeds runs dry.'
  },
  fasteners: {
    sound: 'All accounted for.',
    'stretch-bolt-used': 'A stretch bolt is used once.',
    'bolt-sheared': 'A bolt has sheared.',
    'bolt-missing': 'A bolt is missing.',
    'thread-damaged': 'A thread is damaged: mend it before anything is tightened in it.'
  },
  engine: {}
})

const RELEASED_RAIL = {
  'bolts-sheared': 'Stub out, broken piece found, new bolts fitted.',
  'bolts-missing': 'The bolt found, new bolts fitted.',
  swapped: 'Rails in their own places, and the extension read again.'
}

/** What releases the findings that stop an engine. */
const RELEASED: { readonly [K in PartKind]: { readonly [finding: string]: string } } = texts({
  chain: {
    'link-total-wrong': "A chain with the sheet's number of links."
  },
  guide: RELEASED_RAIL,
  arm: RELEASED_RAIL,
  bridge: RELEASED_RAIL,
  tensioner: {
    'oil-feed-blocked': 'Feed hole cleared and seen to run.'
  },
  phaser: {
    'cover-bolts-loose': 'A new phaser, and its locating pin and notch looked at.',
    'retainer-broken': 'A new phaser, and every piece of the old one accounted for.',
    'head-sheared-inside': 'A new phaser, and the sheared head found.',
    'free-on-cam': 'A new phaser and bolt, its locating pin and notch looked at, the cam set to its mark.'
  },
  sprocket: {
    'pin-sheared': 'A new pin, the notch looked at, the cam set to its mark.',
    'free-on-shaft': 'Locating pin, notch and bolt renewed as needed, set to its mark.'
  },
  oil: {
    'feed-blocked': 'Feed hole cleared and seen to run.'
  },
  fasteners: {
    'bolt-sheared': 'Stub out, broken piece found, new bolt fitted.',
    'bolt-missing': 'The bolt found, or known never to have been there.'
  },
  camshaft: {
    'pin-sheared': 'A new pin or camshaft, set to its mark.',
    'bridge-scored': "Clearance measured and within the maker's limits, oil supply seen to run."
  },
  cover: {},
  trigger: {},
  auxiliary: {},
  engine: {}
})

function foundIn(
  tables: { readonly [K in PartKind]: { readonly [finding: string]: string } },
  { kind, finding }: { kind: PartKind; finding: string }
): string {
  return Object.hasOwn(tables[kind], finding) ? (tables[kind][finding] ?? finding) : finding
}

type Spread = { mean: number; low: number; high: number }
type Extension = { read: number; stroke: number; limit: number; odds: number }

const between = ({ low, high }: Spread, unit: string) =>
  t`(90 % between ${fixDigits(low, 2)} and ${fixDigits(high, 2)} ${unit})`
const pastIt = (odds: number) => t`${oddsWords(odds)} likely past it.`
const groove = (f: Spread) => t`Groove ${fixDigits(f.mean, 2)} mm ${between(f, t`mm`)}`
const extension = (f: { read: number; stroke: number }) =>
  t`Extension ${fixDigits(f.read, 1)} mm of ${f.stroke} mm stroke`
const extensionPast = (f: Extension) => t`${extension(f)}, limit ${f.limit} mm: ${pastIt(f.odds)}`
const noLimit = (measured: string, what: string) =>
  t`${measured}, but the sheet has no ${what} for it: look it up in the maker's manual and enter it.`
const stands = (lag: number) => t`It stands ${degreesWords(lag)}`
const jumpedHow = (teeth: number) => (teeth === 0 ? t`may have jumped` : t`has jumped ${teethOff(teeth)}`)
const weighed = (f: ReasonSays['weighed-keep']) =>
  t`saves an expected ${Math.round(f.saves)}${f.currency ? t` ${f.currency}` : ''} over ${f.horizon} ${known(f.unit)}.`

/** Why nothing that was read tells whole teeth. */
const BLIND: Readonly<Record<ReasonSays['jump-not-seen']['why'], string>> = texts({
  'not-locked': 'its phaser is not locked',
  'half-link': 'the count ends between two links',
  both: 'its phaser is not locked, and the count ends between two links'
})

/** How a reading is taken, inside a sentence. */
const METHODS: Readonly<Record<string, string>> = texts({
  calliper: 'with a calliper',
  photo: 'from a photo',
  eye: 'by eye',
  gauge: 'with a depth gauge',
  feeler: 'with a feeler',
  thumbnail: 'by thumbnail',
  hand: 'by hand',
  dial: 'with a dial gauge'
})
const methodName = (method: string) => METHODS[method] ?? method

/** What follows from a jump. */
const THEN: Readonly<Record<ReasonSays['jumped']['then'], string>> = texts({
  'compression-sound': 'Compression or leak-down is sound: set it to its marks and count.',
  'set-again': 'Set it to its marks again and count.',
  hold: 'On an interference engine valves may have touched: set it to its marks, then compression or leak-down before the engine is turned by the starter.'
})

/** What a pattern of cylinders is, and whose doing. */
const CYLINDER_PATTERNS: Readonly<Record<CylinderPattern, { is: string; then: string }>> = texts({
  even: { is: 'The cylinders are alike', then: '' },
  'all-low': {
    is: 'All cylinders are low together',
    then: 'that is timing (a jump, a cam set wrong) before it is rings or valves; read the marks'
  },
  'one-low': {
    is: 'One cylinder is low',
    then: 'a valve or a ring of that one, not the chain, unless a piston has met its valve'
  },
  'neighbours-low': {
    is: 'Two cylinders side by side are low',
    then: 'the gasket between them before anything of the drive'
  },
  'some-low': { is: 'Some cylinders are low', then: 'after a jump that is how bent valves show' }
})

function cylinderWords({ pattern, low, complete }: ReasonSays['cylinders']): string {
  const { is, then } = CYLINDER_PATTERNS[pattern]
  const open =
    complete || pattern !== 'even'
      ? ''
      : t`; not every cylinder is measured against a limit of the sheet, so it passes nothing`
  return t`${is}${low.length > 0 ? t` (${low.join(', ')})` : ''}${then ? t`: ${then}` : ''}${open}.`
}

export const REASONS: Catalogue<ReasonSays> = {
  found: (f) => foundIn(FOUND, f),
  figure: (f) =>
    t`${upperFirst(figureFinding(f.finding, f.value))}, limit ${f.least === null ? '' : t`${f.least} to `}${f.limit} ${figureUnit(f.finding)}: ${f.past ? t`past it.` : t`within it.`}`,
  'figure-no-limit': (f) => noLimit(upperFirst(figureFinding(f.finding, f.value)), t`limit`),
  cylinders: (f) => cylinderWords(f),
  'scan-limit': (f) =>
    t`The engine computer has it ${degreesWords(f.lag)} in a warm idle, past its own limit of ${f.limit}°: read the marks before anything is condemned.`,
  'paint-condemns': (f) => t`The paint on its coloured links is gone, and that condemns it here, by ${f.source}.`,
  'new-chain': (f, name) => t`Follows ${name(f.chain)}: a new chain gets new rails and tensioner.`,
  'sprockets-follow': (f) =>
    t`Sprockets follow a chain past its limit (${oddsWords(f.odds)}): their teeth have worn to the longer pitch.`,
  'whole-set': () =>
    t`Whole set: with the cover off, access costs more than the part, and a worn part spoils the new ones.`,
  'pieces-missing': (f) =>
    t`${f.still} of ${f.missing} missing ${plural(f.missing, t`piece is`, t`pieces are`)} not accounted for: ${plural(f.still, t`it turns`, t`they turn`)} up in the pickup or a sprocket.`,
  'pieces-accounted': (f) => t`All ${f.missing} missing pieces are found or accepted in writing.`,
  'pieces-unknown': () =>
    t`Something has broken: lay its pieces together, count what is missing and hunt for it, pan and pickup too.`,
  'compression-low': () => t`Compression or leak-down is low: valves may be bent.`,
  'ran-on-metal': () => t`It has run on metal: a chain that did is renewed, whatever it measures.`,
  'runs-on-metal': () => t`The chain runs on metal: do not run the engine so.`,
  'metal-shows': (f, name) =>
    t`${name(f.rail)} is worn through to the metal: look whether the chain ran on it (scored plates and rollers, bright metal on the rail). A chain that did is renewed.`,
  'pin-after-loose-phaser': (f, name) =>
    t`${name(f.phaser)} was loose: a damaged locating pin or notch follows it. Look at both.`,
  'loose-phaser': () => t`Able to come apart, which is another thing than noise: it is renewed.`,
  'superseded-unknown': () =>
    t`A superseded design, of which the sheet says nothing: look it up in the maker's manual.`,
  'superseded-on-sight': (f) => t`Superseded (${f.design}): renewed on sight, by ${f.source}.`,
  'superseded-by-readings': (f) =>
    t`Superseded (${f.design}), not renewed on sight by ${f.source}: its readings decide.`,
  'chain-on-bad-teeth': () =>
    t`A sprocket it runs on has hooked or damaged teeth: measure its length, and it is not laid on new sprockets without.`,
  'jump-unread': () => t`Neither its mark nor a link count has been read.`,
  'no-jump': (f) => t`${stands(f.lag)}; no tooth jumped (${oddsWords(f.odds)}).`,
  'jump-not-seen': (f) =>
    t`${stands(f.lag)}, which does not tell whole teeth: ${BLIND[f.why]}. A jump is ${oddsWords(f.odds)} likely: count the links from mark to mark.`,
  'jump-undecided': (f) =>
    t`${stands(f.lag)}; it ${jumpedHow(f.teeth)} (${oddsWords(f.odds)}): count the links from mark to mark.`,
  'jump-or-mark': (f) =>
    [
      t`${stands(f.lag)}: it ${jumpedHow(f.teeth)} (${oddsWords(f.odds)}), or its mark was read wrongly (${oddsWords(f.wrong)}).`,
      ...(f.argued ? [ARGUMENTS.moved({ hidden: f.hidden }, NO_NAMES)] : []),
      t`Count the links from mark to mark before the starter turns this engine: if it jumped, valves may have touched, and compression or leak-down comes first.`
    ].join(' '),
  jumped: (f) =>
    [
      t`${stands(f.lag)}: it ${jumpedHow(f.teeth)} (${oddsWords(f.odds)}).`,
      ...(f.argued ? [ARGUMENTS.moved({ hidden: f.hidden }, NO_NAMES)] : []),
      THEN[f.then]
    ].join(' '),
  'gears-off': (f) =>
    t`${stands(f.lag)}: ${f.teeth === 0 ? t`its gears may be set off` : t`its gears are set ${teethOff(f.teeth)}`} (${oddsWords(f.odds)}). Gears do not jump: look at their marks tooth to tooth, and at what was last fitted. On an interference engine compression or leak-down comes before the starter.`,
  'shaft-off': (f) =>
    t`${stands(f.lag)}, ${f.teeth === 0 ? t`which may be teeth` : teethOff(f.teeth)} (${oddsWords(f.odds)}): it turns no cam, so no valve is touched, but it shakes or starves. Set it to its mark.`,
  'why-it-jumped': (f, name) =>
    t`${name(f.cam)} has jumped: find what let the chain go slack (ratchet, oil feed, a broken rail).`,
  'groove-unread': () => t`Its groove has not been measured.`,
  'groove-looked': (f) =>
    t`Found sound by looking, which is a coarse reading: a groove shows from about ${f.limit === null ? t`half a millimetre` : t`half its limit of ${f.limit} mm`} on, give or take ${f.coarse} mm. A depth gauge would tell it to ${f.fine} mm.`,
  'coarse-past-limit': (f) =>
    t`Read at ${f.method === 'hand' ? t`${fixDigits(f.value, 1)}°` : t`${fixDigits(f.value, 2)} mm`} ${methodName(f.method)}, past its limit; by what is usual that is ${oddsWords(f.odds)} likely. Read it again ${methodName(f.finer)} before it goes back in.`,
  'groove-no-limit': (f) => noLimit(groove(f), t`groove limit`),
  groove: (f) => t`${groove(f)}, limit ${f.limit} mm: ${pastIt(f.odds)}`,
  'stands-clear': () =>
    t`Stands clear of a tight chain and has no figure: look for chain marks, cracks and missing pieces.`,
  'extension-unread': () => t`Its extension has not been read.`,
  'extension-no-limit': (f) => noLimit(extension(f), t`limit`),
  extension: extensionPast,
  'out-of-travel': (f) => t`The arm is at the end of its reach and ${fixDigits(f.slack, 1)} mm of chain is left over.`,
  'extension-unexplained': (f) =>
    t`${extensionPast(f)} ${fixDigits(f.unexplained, 1)} of the ${fixDigits(f.grown, 1)} mm it has grown no other reading explains: read it again, then measure chain and rails.`,
  'extension-cause': (f, name) =>
    t`${extensionPast(f)} ${fixDigits(f.mm, 1)} of the ${fixDigits(f.grown, 1)} mm it has grown ${f.cause === 'stretch' ? t`is stretch` : t`comes from ${name(f.cause)}`}.`,
  'extension-of-other': (f, name) =>
    t`${extensionPast(f)} That is ${midSentence(name(f.cause))}'s doing more than its own.`,
  'pad-no-limit': (f) => noLimit(t`Pad worn ${fixDigits(f.mean, 2)} mm`, t`limit`),
  pad: (f) => t`Pad worn ${fixDigits(f.mean, 2)} mm, limit ${f.limit} mm: ${pastIt(f.odds)}`,
  'play-unread': () => t`Its play has not been read.`,
  'play-no-limit': (f) => noLimit(t`Play ${fixDigits(f.play, 1)}°`, t`limit`),
  play: (f) => t`Play ${fixDigits(f.play, 1)}° at lock, limit ${f.limit}°: ${pastIt(f.odds)}`,
  'elongation-no-limit': () =>
    t`The sheet has no elongation limit for this chain: look it up in the maker's manual and enter it.`,
  'elongation-unread': () => t`Nothing read so far tells how long the chain is.`,
  elongation: (f) => t`Elongation ${fixDigits(f.mean, 2)} % ${between(f, '%')}, limit ${f.limit} %: ${pastIt(f.odds)}`,
  'late-by-wear': (f, name) =>
    t`${name(f.cam)} stands ${degreesWords(f.lag)}, limit ${f.limit}°, without a jump: wear makes it so (${oddsWords(f.odds)} likely past the limit).`,
  'late-not-stretched': (f, name) =>
    t`${name(f.cam)} stands late beyond its limit, but the chain measures within its own: look at its phaser and locating pin, the mark it was read at, and whether the head was skimmed.`,
  'measures-as-new': () => t`It measures like a new one: no stretch, whatever the timing said.`,
  'uneven-wear': (f) =>
    t`Worn unevenly: ${f.places} places differ by ${fixDigits(f.spread, 2)} points. Look for stiff links and a run that was dry; the longest place counts against the limit.`,
  'readings-at-odds': (f) =>
    t`${plural(f.count, t`A reading is`, t`${f.count} readings are`)} at odds with the rest: measure again before anything is ordered.`,
  'reading-wrong': (f) => t`${saySlip(f)}: it should then read ${sayCorrected(f)}. Read it again, or enter it as that.`,
  'lag-unexplained': (f, name) =>
    t`${name(f.cam)} reads ${fixDigits(Math.abs(f.off), 1)}° ${f.off > 0 ? t`later` : t`earlier`} than chain, rails and counts explain, and no tooth has jumped: look at its phaser, locating pin and key, and at which mark it was read.`,
  'not-settled': () => t`The estimate did not settle on these readings: take another before deciding.`,
  'weighed-by-odds': () => t`Weighed by odds alone: the sheet has no prices or hours to weigh.`,
  'weighed-renew': (f) => t`Weighed: with the access paid, renewing it ${weighed(f)}`,
  'weighed-keep': (f) => t`Weighed: keeping it ${weighed(f)}`,
  'as-signed': (f) => f.text
}

/** Why a part is called as it is. */
export const sayReason = sayer(REASONS)

export const RELEASES: Catalogue<ReleaseSays> = {
  found: (f) => foundIn(RELEASED, f),
  'pieces-found': () => t`Every piece found, or accepted in writing by name.`,
  'head-looked-at': () => t`The head looked at, and compression or leak-down sound.`,
  'chain-and-rails-renewed': () => t`Chain and rails renewed, glitter washed out, oil and filter changed.`,
  'gears-set': () => t`The gears set by their marks, then compression or leak-down found sound.`,
  'links-counted': () => t`The links counted from mark to mark, and they say that no tooth jumped.`,
  'set-and-compression': () => t`Set to its marks, then compression or leak-down found sound.`,
  'as-signed': (f) => f.text
}

/** What releases a hold. */
export const sayRelease = sayer(RELEASES)
