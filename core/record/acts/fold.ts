import type { School } from '../../readings'
import { ACT_VIEWS, type Act, type ActType } from './registry'
import type { ActView } from './define'
import { emptyRecord, type JobRecord } from './record'

/**
 * What a job's acts come to, growing with each act that is added: only one that takes another back has all of them
 * folded anew. An act taken back counts for nothing, and so does the taking back when it is itself taken back.
 */
export class Folding {
  readonly acts: Act[] = []
  readonly byId = new Map<string, Act>()
  /** Moves to another sheet, and takings back that end at one: kept as they come, as such a chain can be long. */
  private readonly moves = new Set<string>()
  private stale = false
  private folded: JobRecord

  constructor(
    private readonly school: School,
    acts: readonly Act[] = []
  ) {
    this.folded = emptyRecord(school)
    for (const act of acts) this.add(act)
  }

  add(act: Act): this {
    this.acts.push(act)
    this.byId.set(act.id, act)
    if (act.type === 'sheet' || (act.type === 'undo' && this.moves.has(act.act))) this.moves.add(act.id)
    if (act.type === 'undo') this.stale = true
    else if (!this.stale) fold(this.folded, act)
    return this
  }

  /** Does an act move the job to another sheet, or take such a move back or forth? */
  readonly movesSheet = (id: string): boolean => this.moves.has(id)

  get record(): JobRecord {
    if (this.stale) this.refold()
    return this.folded
  }

  private refold(): void {
    const record = emptyRecord(this.school)
    for (const act of this.acts.toReversed())
      if (act.type === 'undo' && !record.undone.has(act.id)) record.undone.add(act.act)
    // A correction can stand before what it corrects only in a file that was put together by hand; then it still
    // corrects it.
    for (const act of this.acts) if (!record.undone.has(act.id)) fold(record, act)
    this.folded = record
    this.stale = false
  }
}

/** Each folds its own act alone. */
const FOLDS: { readonly [T in ActType]: ActView<never, JobRecord> } = ACT_VIEWS

function fold(record: JobRecord, act: Act): void {
  FOLDS[act.type].fold?.(record, act as never)
}

/** Acts that were folded already, as long as somebody holds them: a request folds once what many ask for. */
const known = new WeakMap<readonly Act[], { school: School; folding: Folding }>()

/** What acts come to, in their order. A list that has grown since it was last asked for is folded on from there. */
export function foldActs(acts: readonly Act[], school: School): JobRecord {
  const before = known.get(acts)
  const same =
    before?.school === school &&
    before.folding.acts.length <= acts.length &&
    before.folding.acts.at(-1) === acts[before.folding.acts.length - 1]
  const folding = same ? before.folding : new Folding(school)
  for (const act of acts.slice(folding.acts.length)) folding.add(act)
  known.set(acts, { school, folding })
  return folding.record
}
