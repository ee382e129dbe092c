import Papa from 'papaparse'
import type { Estimate, EstimateLine } from '../../core/views/estimate'

const COLUMNS = ['kind', 'text', 'number', 'supplier', 'quantity', 'price', 'net', 'tax', 'gross', 'rate', 'currency']

/** An estimate, a line each and what they come to last. Cells that a spreadsheet would run are made harmless. */
export function estimateCsv({ lines, sums, currency, tax }: Estimate): string {
  const rows = lines.map(({ kind, text, number, supplier, quantity, price, rate }, i) => ({
    kind,
    text,
    number,
    supplier,
    quantity,
    price,
    ...sums.lines[i],
    rate: tax.rates.find(({ id }) => id === rate)?.percent ?? '',
    currency
  }))
  const { net, tax: taxed, gross } = sums
  return unparse([...rows, { kind: 'sum', net, tax: taxed, gross, currency }], COLUMNS)
}

/** What is to be ordered, a line each. */
export function orderCsv(lines: readonly EstimateLine[], currency: string): string {
  return unparse(
    lines.map(({ supplier, number, text, quantity, stock, price }) => ({
      supplier,
      number,
      text,
      quantity,
      stock,
      price,
      currency
    })),
    ['supplier', 'number', 'text', 'quantity', 'stock', 'price', 'currency']
  )
}

function unparse(rows: readonly object[], columns: string[]): string {
  return `${Papa.unparse([...rows], { escapeFormulae: true, columns })}\r\n`
}
