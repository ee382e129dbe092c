/** A figure of a message: a number, a word or id, yes or no, several ids; null for one that is not there. */
export type FigureValue = number | string | boolean | null | readonly string[]

export type Figures = { readonly [name: string]: FigureValue }

/**
 * What the core says: a code out of a closed list with its figures. The words for it stand in the words folder alone.
 */
export type Message = { readonly code: string; readonly figures: Figures }

/** The figures of a code; none are passed for a code without any. */
type Given<F> = keyof F extends never ? [] : [figures: F]

/** Makes messages of one list of codes, each with the figures that its code has. */
export function messagesOf<List>() {
  return <C extends keyof List & string>(code: C, ...given: Given<List[C]>): Message => ({
    code,
    figures: (given as Figures[])[0] ?? {}
  })
}
