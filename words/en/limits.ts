import type { LimitKind } from '../../core/sheet'
import { texts } from '../spoken'

/** Kinds of limits, as the sheet's pages name them. */
export const LIMIT_NAMES: Readonly<Record<LimitKind, string>> = texts({
  elongation: 'Elongation',
  camLag: 'Cam lag at the marks',
  camLagScan: 'Cam deviation by the engine computer, warm idle',
  groove: 'Groove depth',
  padWear: 'Pad wear',
  springLength: 'Free length of the spring, at least',
  springForce: 'Force of the spring, at least',
  boltTorque: 'Bolt torque as found, at least',
  solenoidResistance: 'Solenoid resistance',
  oilPressureIdle: 'Oil pressure in a warm idle, at least',
  oilPressureWarm: 'Oil pressure warm at speed, at least',
  vacuum: 'Vacuum at idle, at least',
  compression: 'Compression, at least',
  leakDown: 'Leak-down'
})
