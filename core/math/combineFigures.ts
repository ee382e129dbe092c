/** A figure with its uncertainty. */
interface Figure {
  value: number
  sigma: number
}

/**
 * Several readings of one thing as one: the mean weighted by 1/sigma², with its sd 1/√Σ(1/sigma²); null without any.
 */
export function combineFigures(figures: readonly Figure[]): { mean: number; sd: number } | null {
  const total = figures.reduce((sum, { sigma }) => sum + 1 / sigma ** 2, 0)
  if (total === 0) return null
  return {
    mean: figures.reduce((sum, { value, sigma }) => sum + value / sigma ** 2, 0) / total,
    sd: 1 / Math.sqrt(total)
  }
}
