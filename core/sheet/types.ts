/**
 * The drive sheet: the description of one engine's timing drive.
 * Plane seen from the front (chain end), x to the right, y up, mm. Angles in degrees, anticlockwise positive from +x.
 */

/** [x, y] in mm, seen from the front. */
export type Point = readonly [number, number]

/** Direction of turning, seen from the front. */
export type Rotation = 'clockwise' | 'anticlockwise'

/** A limit with its unit and the source that every call shows. */
export interface LimitValue {
  value: number
  unit: string
  source: string
}

export interface Sprocket {
  id: string
  name: string
  teeth: number
  /** Absent on a counted sheet. */
  centre?: Point
  bank?: number
  shaft?: string
  /** `back`: driven by the chain's outer face. */
  side?: 'back'
}

export interface Rail {
  id: string
  name: string
  kind: 'guide' | 'arm' | 'bridge'
  side?: 'outside' | 'inside'
  /** Circle of the chain's pitch line on a new shoe; wear w makes it radius − w. */
  shoe?: { centre: Point; radius: number }
  /** An arm's shoe turns about this point by the arm angle. */
  pivot?: Point
  /** `false`: stands clear of a tight chain and has no part in the model. */
  touches?: boolean
}

export interface Tensioner {
  id: string
  name: string
  chain: string
  arm: string
  /** Arm angles that can be reached, degrees, 0 = as new. */
  armRange?: readonly [number, number]
  /** Direction in which the plunger moves, degrees from +x. */
  axis?: number
  /** Plunger tip when fully retracted. */
  seat?: Point
  /** Contact face of the arm at angle 0: a point on it and the direction of the face, degrees. */
  pad?: { point: Point; face: number }
  /** mm from fully retracted to fully out. */
  stroke: number
  type: string
  /** Extension at which the first notch shows, and mm from notch to notch. */
  ratchet?: { first: number; pitch: number }
  limit?: LimitValue
  /** Counted sheet: extension of the new drive, mm. */
  newExtension?: number
  /** Counted sheet: mm of extension per mm of slack. */
  gain?: number
  /** Counted sheet: a second known point instead of `gain`; elongation as a fraction, extension in mm. */
  gainFrom?: { elongation: number; extension: number }
  /** Counted sheet: mm of extension per mm of wear, by rail. */
  railGain?: Record<string, number>
}

/** Two gears in mesh: the driven shaft turns the other way, teeth[0]/teeth[1] times as fast. */
export interface Gear {
  id: string
  name: string
  /** A sprocket on the shaft that drives, or `crank`. */
  driver: string
  /** A sprocket on the shaft that is driven. */
  driven: string
  /** Of the driving and of the driven gear. */
  teeth: readonly [number, number]
}

export interface Count {
  from: string
  to: string
  links: number
}

export interface Chain {
  id: string
  name: string
  /** mm. */
  pitch: number
  links: number
  type: string
  strands?: number
  driver: string
  /** Sprockets and rails in the order the chain meets them, starting at the driver. */
  path: readonly string[]
  /** Whole links from mark to mark in the direction of travel, at the setting point. */
  counts: readonly Count[]
  /** Counted sheet: links not on sprockets, all round and on the tight side between a cam and the driver. */
  counted?: { freeLinks: number; tight: Record<string, number> }
}

export interface Phaser {
  id: string
  name: string
  sprocket: string
  rest: 'retarded' | 'advanced'
  /** crank degrees. */
  range: number
  playLimit?: LimitValue
}

export interface Mark {
  sprocket: string
  /** Clock position at the setting point, 12:00 up. */
  at: string
}

export type LimitKind = 'elongation' | 'camLag' | 'groove' | 'padWear'

export interface Limit extends LimitValue {
  kind: LimitKind
  chain?: string
  rail?: string
  tensioner?: string
  sprocket?: string
}

export interface DriveSheet {
  format: 'umbrette-drive'
  version: 1
  id: string
  name: string
  note?: string
  rotation: Rotation
  engine: { cylinders: number; layout: string; interference: boolean; fuel: string; [more: string]: unknown }
  sprockets: readonly Sprocket[]
  rails: readonly Rail[]
  tensioners: readonly Tensioner[]
  chains: readonly Chain[]
  phasers: readonly Phaser[]
  marks: readonly Mark[]
  limits: readonly Limit[]
  gears?: readonly Gear[]
}

/** One thing wrong with a file, and where: `chains[0].path[2]`. */
export interface Fault {
  place: string
  message: string
}
