/** A number as people write it. */
export interface Written {
  value: number
  /** Were its marks read as thousands? Then it is read back in full before it is kept. */
  grouped: boolean
}

/** Spaces of every width, and the apostrophe, that stand between thousands. */
const GAPS = /[\s\u00A0\u2007\u2009\u202F'’]/g
const GAPPED = /^[1-9]\d{0,2}([\s\u00A0\u2007\u2009\u202F'’]\d{3})+([.,]\d{1,6})?$/

/**
 * Reads a whole or decimal number as a workshop writes it: `148.200`, `148 200` and `148,200` are all one hundred and
 * forty-eight thousand two hundred; of two kinds of marks the last is the decimal's. A single mark before three digits
 * is taken for thousands, as no clock counts in thousandths.
 * @returns null for what is no number, or could be two
 */
export function readWritten(text: string): Written | null {
  const typed = text.trim()
  const plain = typed.replaceAll(GAPS, '')
  const gapped = plain !== typed
  if (gapped && !GAPPED.test(typed)) return null
  if (/^\d{1,12}$/.test(plain)) return { value: Number(plain), grouped: gapped }
  const marks = new Set(plain.replaceAll(/\d/g, ''))
  if (marks.size === 1) {
    if (!gapped && /^[1-9]\d{0,2}([.,]\d{3})+$/.test(plain))
      return { value: Number(plain.replaceAll(/[.,]/g, '')), grouped: true }
    if (/^\d{1,12}[.,]\d{1,6}$/.test(plain)) return { value: Number(plain.replace(',', '.')), grouped: gapped }
    return null
  }
  if (/^[1-9]\d{0,2}(\.\d{3})+,\d{1,6}$/.test(plain))
    return { value: Number(plain.replaceAll('.', '').replace(',', '.')), grouped: true }
  if (/^[1-9]\d{0,2}(,\d{3})+\.\d{1,6}$/.test(plain)) return { value: Number(plain.replaceAll(',', '')), grouped: true }
  return null
}
