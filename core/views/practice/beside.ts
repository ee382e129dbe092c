import { type BesideKind, type DriveSheet, STANDING_KINDS } from '../../sheet'

/**
 * The part of a kind that stands beside a sprocket: the sheet's own, or the one that every engine has.
 * @returns its id
 */
export function besideAt({ beside = [] }: DriveSheet, kind: BesideKind, sprocket: string): string {
  const own = beside.filter((part) => part.kind === kind)
  const at = own.find((part) => part.sprocket === sprocket) ?? own[0]
  return at?.id ?? Object.entries(STANDING_KINDS).find(([, of]) => of === kind)![0]
}
