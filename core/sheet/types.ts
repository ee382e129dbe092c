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
  superseded?: readonly SupersededDesign[]
  /** What prices and rates are in; made up unless a shop says otherwise. */
  money?: { currency: string; hourRate: number }
  operations?: readonly Operation[]
  parts?: readonly SparePart[]
  alwaysRenewed?: readonly AlwaysRenewed[]
  waysIn?: readonly WayIn[]
  torques?: readonly Torque[]
  cautions?: readonly SheetCaution[]
}

/** A part's older design, known to be worse. */
export interface SupersededDesign {
  part: string
  design: string
  /** Is the old design renewed as soon as it is seen? */
  onSight: boolean
  source: string
}

/** One thing done to reach a part; what it requires is done before it and paid with it. */
export interface Operation {
  id: string
  name: string
  /** Of its own, without what it requires. */
  hours: number
  requires: readonly string[]
  /** Ids of always-renewed items that it uses up. */
  brings?: readonly string[]
  /** Tools that make or break it. */
  tools?: readonly string[]
}

/** A part that can be bought, for one component of the drive. */
export interface SparePart {
  id: string
  name: string
  /** Id of the chain, rail, tensioner, sprocket or phaser it takes the place of. */
  fits: string
  price: number
  /** To change it once it is reached. */
  hours: number
  /** Operations that reach it. */
  needs: readonly string[]
  /** Ids of always-renewed items that come with it. */
  brings?: readonly string[]
}

/** What never goes back in once it was loosened. */
export interface AlwaysRenewed {
  id: string
  name: string
  kind: 'seal' | 'gasket' | 'washer' | 'o-ring' | 'stretch-bolt' | 'cover' | 'fluid' | 'filter' | 'other'
  price: number
  quantity?: number
}

/** Another way to reach some parts: operations that take the place of what those parts need. */
export interface WayIn {
  id: string
  name: string
  note?: string
  needs: Readonly<Record<string, readonly string[]>>
}

/** How a bolt is tightened: steps one after another, each a torque or an angle. */
export interface Torque {
  id: string
  bolt: string
  operation?: string
  count?: number
  steps: readonly ({ newtonMetres: number } | { degrees: number })[]
  /** Renewed each time, as tightening has stretched it. */
  stretch?: boolean
  leftHand?: boolean
  note?: string
}

export interface SheetCaution {
  /** Id of the operation or part it belongs to; absent for the whole drive. */
  at?: string
  text: string
}

/** One thing wrong with a file, and where: `chains[0].path[2]`. */
export interface Fault {
  place: string
  message: string
}
