import Papa from 'papaparse'
import { readSheet } from 'read-excel-file/node'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** Rows of a file: the headings, and each row's cells as text. */
export interface Table {
  headings: string[]
  rows: string[][]
}

/** Most rows and columns that a file of older records has. */
export const MOST_ROWS = 50_000
const MOST_COLUMNS = 60

/** Reads a table out of CSV, whatever it is separated by, or out of a spreadsheet's first sheet. @throws Problem */
export async function readTable(bytes: Buffer): Promise<Table> {
  const all = isSpreadsheet(bytes) ? await spreadsheetRows(bytes) : csvRows(bytes)
  const first = all.findIndex((row) => row.some((cell) => cell.trim() !== ''))
  const [headings = [], ...rows] = first < 0 ? [] : all.slice(first)
  if (headings.length === 0 || rows.length === 0) throw new Problem('bad-input', told('table-empty'))
  if (headings.length > MOST_COLUMNS || rows.length > MOST_ROWS)
    throw new Problem('too-large', told('table-too-large', { rows: MOST_ROWS, columns: MOST_COLUMNS }))
  return { headings: headings.map((cell) => cell.trim().slice(0, 80)), rows }
}

/** Spreadsheets are archives: their first bytes say so. */
const isSpreadsheet = (bytes: Buffer) => bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]))

/** Characters that a cell of a spreadsheet is shown with, its days as 2026-11-26. */
async function spreadsheetRows(bytes: Buffer): Promise<string[][]> {
  if (unpackedSize(bytes) > MOST_UNPACKED) throw new Problem('bad-input', told('table-unreadable'))
  try {
    const rows = await readSheet(bytes)
    return rows.map((row) =>
      row.map((cell) => (cell instanceof Date ? cell.toISOString().slice(0, 10) : cell === null ? '' : String(cell)))
    )
  } catch (cause) {
    throw new Problem('bad-input', told('table-unreadable'), [], { cause })
  }
}

/** Bytes that an archive may unpack to. */
const MOST_UNPACKED = 200 * 1024 * 1024
const ENTRY = Buffer.from([0x50, 0x4b, 1, 2])

/** What an archive says that it unpacks to, by its table of contents. */
function unpackedSize(bytes: Buffer): number {
  let sum = 0
  for (let at = bytes.indexOf(ENTRY); at >= 0 && at + 28 <= bytes.length; at = bytes.indexOf(ENTRY, at + 4))
    sum += bytes.readUInt32LE(at + 24)
  return sum
}

function csvRows(bytes: Buffer): string[][] {
  const { data } = Papa.parse<string[]>(textOf(bytes), { skipEmptyLines: false })
  return data
}

/** As UTF-8 or UTF-16 where it is that, else as what older programs of western Europe write. */
function textOf(bytes: Buffer): string {
  const [a, b] = bytes
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
