/** A name that any disk takes. */
export function fileName(words: string): string {
  return (
    words
      .normalize('NFKD')
      .replaceAll(/[^\w]+/g, '-')
      .replaceAll(/^-|-$/g, '')
      .toLowerCase()
      .slice(0, 60) || 'job'
  )
}
