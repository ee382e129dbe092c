/** Samples of several channels taken at one rate. */
export interface Samples {
  /** Samples a second. */
  rate: number
  /** By name, all of one length. */
  channels: ReadonlyMap<string, Float32Array>
}

/** A crank's trigger wheel. */
export interface CrankWheel {
  /** With those that are missing. */
  teeth: number
  /** Numbers of the teeth that are missing, from 0: the first after the gap. */
  gaps: readonly number[]
  /** Crank degrees from the setting point at which the leading edge of tooth 0 comes. */
  first: number
  sensor: 'hall' | 'inductive'
  edge?: 'rising' | 'falling' | undefined
}

/** High stretches of a cam's signal, crank degrees of a cycle (0 to 720) from the setting point, of a new drive. */
export type CamPattern = readonly (readonly [from: number, to: number])[]

/** What wheels an engine has. */
export interface Triggers {
  crank: CrankWheel
  cams: { readonly [sprocket: string]: CamPattern }
}

/** crank degrees of a four-stroke cycle. */
export const CYCLE = 720
