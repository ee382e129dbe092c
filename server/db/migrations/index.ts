import type { Migration } from './types'
import { workshop } from './0001-workshop'
import { known } from './0002-known'
import { photos } from './0003-photos'
import { state } from './0004-state'
import { vehicles } from './0005-vehicles'
import { shares } from './0006-shares'
import { checks } from './0007-checks'
import { practice } from './0008-practice'
import { keepAct } from './0009-keep-act'
import { unharmed } from './0010-unharmed'
import { codes } from './0011-codes'
import { doors } from './0012-doors'
import { passkeys } from './0013-passkeys'
import { books } from './0014-books'
import { goodTraces } from './0018-good-traces'
import { customersLanguage } from './0019-language'
import { seen } from './0017-seen'
import { mail } from './0016-mail'
import { erasing } from './0015-erasing'

/** All migrations in their order. */
export const migrations: readonly Migration[] = [
  workshop,
  known,
  photos,
  state,
  vehicles,
  shares,
  checks,
  practice,
  keepAct,
  unharmed,
  codes,
  doors,
  passkeys,
  books,
  erasing,
  mail,
  seen,
  goodTraces,
  customersLanguage
]
