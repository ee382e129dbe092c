import type { Shape } from '../check'
import type { driveSchema } from './schema'

/** The description of one engine's timing drive, as schema.ts states it. */
export type DriveSheet = Shape<typeof driveSchema>

/** Direction of turning, seen from the front. */
export type Rotation = DriveSheet['rotation']

export type Sprocket = DriveSheet['sprockets'][number]
export type Rail = DriveSheet['rails'][number]
export type Tensioner = DriveSheet['tensioners'][number]
export type Chain = DriveSheet['chains'][number]
export type Count = Chain['counts'][number]
export type Phaser = DriveSheet['phasers'][number]
export type Mark = DriveSheet['marks'][number]
export type Limit = DriveSheet['limits'][number]
export type LimitKind = Limit['kind']

/** A limit's figure with its unit and its source; some go both ways, or move with usage. */
export type LimitValue = Pick<Limit, 'value' | 'unit' | 'source'> & Partial<Pick<Limit, 'least' | 'per'>>

export type Beside = NonNullable<DriveSheet['beside']>[number]

export type Gear = NonNullable<DriveSheet['gears']>[number]
export type Operation = NonNullable<DriveSheet['operations']>[number]
export type SparePart = NonNullable<DriveSheet['parts']>[number]
export type AlwaysRenewed = NonNullable<DriveSheet['alwaysRenewed']>[number]
export type StopGap = NonNullable<DriveSheet['stopGaps']>[number]
export type WayIn = NonNullable<DriveSheet['waysIn']>[number]
export type Torque = NonNullable<DriveSheet['torques']>[number]
