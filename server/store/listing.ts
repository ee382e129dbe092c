/** The words of a search, in lower case as they are kept; eight are enough to find anything. */
export function wordsOf(search: string): string[] {
  return search.toLowerCase().trim().split(/\s+/).filter(Boolean).slice(0, 8)
}

/** A word anywhere; what SQL would read as a pattern is taken as it stands. */
export function patternOf(word: string): string {
  return `%${word.replaceAll(/[\\%_]/g, '\\$&')}%`
}

export function pagesOf(count: number, each: number): number {
  return Math.max(1, Math.ceil(count / each))
}
