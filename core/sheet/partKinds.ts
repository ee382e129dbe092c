import type { DriveSheet } from './types'

/** Kinds of things that findings are of; the last three are no part of the sheet and name themselves as target. */
export type PartKind = 'chain' | 'guide' | 'arm' | 'bridge' | 'tensioner' | 'phaser' | 'sprocket' | 'oil' | 'fasteners' | 'engine'

/** Targets that are no part of a sheet. */
export const STANDING_TARGETS = ['oil', 'fasteners', 'engine'] as const

/** What kind of part a finding's target is; null when the sheet has no such part. */
export function partKindOf({ chains, rails, tensioners, phasers, sprockets }: DriveSheet, target: string): PartKind | null {
  if (chains.some(({ id }) => id === target)) return 'chain'
  const rail = rails.find(({ id }) => id === target)
  if (rail) return rail.kind
  if (tensioners.some(({ id }) => id === target)) return 'tensioner'
  if (phasers.some(({ id }) => id === target)) return 'phaser'
  if (sprockets.some(({ id }) => id === target)) return 'sprocket'
  return STANDING_TARGETS.find((word) => word === target) ?? null
}
