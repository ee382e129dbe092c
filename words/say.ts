import type { Message } from '../core/check'

/** What a part is called. */
export type Names = (id: string) => string

/** A figure, or words that another entry gave, to be set into a sentence. */
export type Shown = string | number

/** Words for every code of a list; the compiler names one that is missing. */
export type Catalogue<List> = { readonly [C in keyof List & string]: (figures: List[C], names: Names) => string }

/** Where nothing is told of a drive: a part is called by its id. */
export const NO_NAMES: Names = (id) => id

/**
 * Puts messages in words.
 * @returns for a code that this version does not know, or figures that are none of its own (a file can bring both), the
 *   code itself
 */
export function sayer<List>(catalogue: Catalogue<List>): (message: Message, names?: Names) => string {
  const known = catalogue as { readonly [code: string]: (figures: never, names: Names) => string }
  return ({ code, figures }, names = NO_NAMES) => {
    if (!Object.hasOwn(known, code)) return code
    try {
      return known[code]!(figures as never, names)
    } catch {
      return code
    }
  }
}
