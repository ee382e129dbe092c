/** Digits behind the point that a currency is counted in: 2 of EUR, 0 of JPY, 3 of KWD; 2 of one that nobody knows. */
export function minorDigits(currency: string): number {
  try {
    const { maximumFractionDigits } = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
    return maximumFractionDigits ?? 2
  } catch {
    return 2
  }
}
