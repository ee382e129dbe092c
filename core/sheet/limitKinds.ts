/** What a kind of limit is of: its unit, the part it belongs to, and whether one without a part holds for all. */
export interface LimitKindSpec {
  unit: string
  target: 'chain' | 'rail' | 'tensioner' | 'sprocket' | 'phaser' | null
  everywhere?: true
}

/** Kinds of limits, one line each: what the sheet's check, its editor and the rules know of them. */
export const LIMIT_KINDS = {
  elongation: { unit: '%', target: 'chain' },
  camLag: { unit: 'crank degrees', target: 'sprocket', everywhere: true },
  /** Of what the engine computer says in a warm idle, which is another figure than a mark's. */
  camLagScan: { unit: 'crank degrees', target: 'sprocket', everywhere: true },
  groove: { unit: 'mm', target: 'rail' },
  padWear: { unit: 'mm', target: 'tensioner' },
  springLength: { unit: 'mm', target: 'tensioner' },
  springForce: { unit: 'N', target: 'tensioner' },
  boltTorque: { unit: 'N·m', target: 'sprocket', everywhere: true },
  solenoidResistance: { unit: 'Ω', target: null, everywhere: true },
  oilPressureIdle: { unit: 'bar', target: null, everywhere: true },
  oilPressureWarm: { unit: 'bar', target: null, everywhere: true },
  vacuum: { unit: 'kPa', target: null, everywhere: true },
  compression: { unit: 'bar', target: null, everywhere: true },
  leakDown: { unit: '%', target: null, everywhere: true }
} as const satisfies Record<string, LimitKindSpec>
