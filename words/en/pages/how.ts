import type { Shown } from '../../say'
import type { InspectionKind } from '../../../core/views/practice'
import { t, texts } from '../../spoken'

/** How something is read: with what, how, and the two usual mistakes. */
export interface HowWords {
  tool: string
  how: string
  mistakes: readonly [string, string]
}

/** How each thing is looked at and measured. */
export const HOW: Readonly<Record<InspectionKind, HowWords>> = texts({
  ask: {
    tool: 'Ears, the customer, the code reader',
    how: 'Start it stone cold and listen at the front cover before you ask. Note how long it rattles, and whether it comes back at warm idle.',
    mistakes: [
      'Warming it up first: the seconds after a cold start are gone for the day.',
      'Clearing stored codes before their speed and temperature are noted.'
    ]
  },
  scan: {
    tool: 'Scan tool or adapter, live data',
    how: 'Warm idle, oil hot. Read the cam deviation of each cam over half a minute and note its middle, not its last figure.',
    mistakes: [
      'Reading the wanted angle instead of the deviation.',
      'Reading while a phaser is being moved: hold the idle.'
    ]
  },
  plug: {
    tool: 'Torch, mirror, the plug removed',
    how: 'Look through the plug square to the plunger and count the notches that stand clear of the housing.',
    mistakes: [
      'Turning the engine while the plug is out: the plunger can jump a notch.',
      'Counting the notch that is still half in the housing.'
    ]
  },
  compression: {
    tool: 'Compression gauge, a helper',
    how: 'Battery full, throttle open, fuel and ignition off. Crank until the needle no longer climbs, each cylinder alike.',
    mistakes: [
      'Different numbers of strokes from cylinder to cylinder.',
      'Cranking an engine whose chain may have jumped: turn it by hand first.'
    ]
  },
  pan: {
    tool: 'Clean tray, magnet, sieve',
    how: 'Drain through a sieve, then look at the pan and the filter cut open. Sort what you find: plastic, aluminium, steel.',
    mistakes: ['Rinsing the tray before looking.', 'Throwing the filter away uncut: what the pan lacks is in there.']
  },
  oil: {
    tool: 'Torch, meter for the solenoid',
    how: 'Take the solenoid out and hold its screen against the light. Measure its ohms cold.',
    mistakes: ['Pushing a torn screen’s piece on into the gallery.', 'Measuring ohms with the plug still on.']
  },
  marks: {
    tool: 'Crank bolt, locking pin, your eye straight on',
    how: 'Turn in the running direction only, to the crank’s mark. Look at each cam mark square from the front; half a turn short means one crank turn more.',
    mistakes: [
      'Turning back to meet the mark: the slack goes to the wrong side.',
      'Hunting for the coloured links: they come back to the marks only after many turns.'
    ]
  },
  wheel: {
    tool: 'Degree wheel and pointer on the crank, stop in the first cylinder',
    how: 'Find the dead centre between two equal stops, then read the wheel at which the cam stands at its mark.',
    mistakes: ['Reading after turning back.', 'A pointer that moved: check the dead centre again at the end.']
  },
  count: {
    tool: 'Chalk or this counter, a torch',
    how: 'Standing still, count from mark to mark in the running direction. A link is from pin to pin; a half is a mark between two pins.',
    mistakes: [
      'Counting the first pin as one: begin at nought.',
      'Counting plates seen from the side: inner and outer ones are both links.'
    ]
  },
  extension: {
    tool: 'Calliper, its depth rod or jaws',
    how: 'As found, before anything is loosened: from the face of the housing to the tip of the plunger, along its axis.',
    mistakes: [
      'Measuring from the flange instead of the face that the plunger comes out of.',
      'Loosening or turning first: the plunger moves and the figure is gone.'
    ]
  },
  push: {
    tool: 'Thumb, the pin for the plunger',
    how: 'Push it in slowly and let go. A sound one holds, gives a little and comes back; wait a minute and look again.',
    mistakes: ['Pushing without the ratchet released: a sound one feels stuck.', 'Eyes close by: springs fly.']
  },
  pad: {
    tool: 'Depth gauge across the unworn edges',
    how: 'Lay the gauge across the edges that the chain never touched and read the deepest place of the wear.',
    mistakes: [
      'Laying the gauge into the worn part.',
      'Taking the moulded crown of a new pad for wear: compare with a new one.'
    ]
  },
  rail: {
    tool: 'Depth gauge, a thumbnail, slanting light',
    how: 'Wipe it, hold it to slanting light, and measure the groove where it is deepest, from the unworn edge down.',
    mistakes: [
      'Measuring at the end where the chain only runs in: the deepest place is where it bends.',
      'Missing a crack at the bolt hole: flex it a little by hand.'
    ]
  },
  phaser: {
    tool: 'Dial gauge on a bolt of the sprocket, the cam held',
    how: 'Lock pin in, cam held by its tool. Rock the sprocket to both stops and read the whole swing.',
    mistakes: ['Holding the cam by the chain.', 'Reading with the lock pin out: the whole travel is no play.']
  },
  pin: {
    tool: 'Torch, a probe',
    how: 'Look at the pin and its hole, and feel whether it enters to the bottom.',
    mistakes: ['Judging it with oil in the hole.', 'Taking wear of the hole for wear of the pin: look at both.']
  },
  teeth: {
    tool: 'Torch, a new sprocket beside it',
    how: 'Look along the teeth: worn ones lean one way like hooks, and their gaps are longer than the pin.',
    mistakes: ['Looking at one place: turn it all round.', 'Taking a bright wear line for a hook.']
  },
  bench: {
    tool: 'A new chain, a nail, a rule',
    how: 'Hang both from one pin, clean and dry, the same pull on both. Read by how much the old one is longer over the links you counted.',
    mistakes: ['Different numbers of links.', 'Reading it lying: gravity has to straighten it.']
  },
  length: {
    tool: 'Long calliper, hook and weight',
    how: 'Under the same pull, from the same side of the first pin to the same side of the last, at three places of the chain.',
    mistakes: ['From the outside of one pin to the inside of another.', 'One place only: wear is uneven.']
  },
  trigger: {
    tool: 'Torch, feeler',
    how: 'Look at every tooth of the wheel, at the gap to the sensor, and whether the wheel has turned on its shaft.',
    mistakes: ['Taking swarf on the sensor for a bent tooth.', 'Not turning it all round.']
  },
  cover: {
    tool: 'Torch, straight edge',
    how: 'Look for the shine of a chain that has touched, for a crack by the bolt holes, and lay the edge across its face.',
    mistakes: ['Cleaning before looking.', 'Missing old sealant that holds the cover off its face.']
  },
  camshaft: {
    tool: 'Torch, a hand on the cam',
    how: 'Look at lobes and bearings for scores, and feel whether it turns freely once the chain is off.',
    mistakes: [
      'Turning a cam with pistons up: back the crank off first where the maker says so.',
      'Reading the stain of old oil as a score.'
    ]
  }
})

export const HOW_PANE = texts({
  tool: 'With',
  mistakes: 'The two usual mistakes',
  drawn: (of: Shown) => t`Drawn from this engine’s own sheet, as an example: ${of}`,
  print: 'Print all of this engine',
  seen: 'What it looks like',
  choose: 'Finding'
})

export const HOW_PAGE = texts({
  title: (vehicle: Shown) => t`How it is read · ${vehicle} · Umbrette`,
  heading: (engine: Shown) => t`How it is read: ${engine}`,
  back: 'Bench',
  print: 'Print',
  example:
    'Drawn from the sheet of this engine, moderately worn: an example, not this vehicle. The maker’s manual decides.'
})
