import type { Migration } from './types'
import { workshop } from './0001-workshop'
import { known } from './0002-known'
import { photos } from './0003-photos'
import { state } from './0004-state'

/** All migrations in their order. */
export const migrations: readonly Migration[] = [workshop, known, photos, state]
