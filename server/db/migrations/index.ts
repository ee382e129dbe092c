import type { Migration } from './types'
import { workshop } from './0001-workshop'

/** All migrations in their order. */
export const migrations: readonly Migration[] = [workshop]
