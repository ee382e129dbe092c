import type { Point } from '../math'
import type { Loop } from './loops'
import type { Ways } from './propagate'
import type { SceneState } from './scene'
import type { Known, Measure } from './schema'

/** A circle of known teeth, and what tells of it. */
export interface Circle {
  owner: Known | Measure
  id: string
  radius: number
  sigma: number
  points: readonly Point[]
}

/** What of a picture belongs to which measure: circles, curves and chains. */
export interface Tapped {
  circles: readonly Circle[]
  arcs: readonly { owner: Measure; id: string; points: readonly Point[] }[]
  loops: readonly (Loop & { owner: Measure; chain: number })[]
}

/** A picture seen through: every way to see it, the likeliest, and what was tapped. */
export interface Seen {
  ways: Ways
  state: SceneState
  tapped: Tapped
}
