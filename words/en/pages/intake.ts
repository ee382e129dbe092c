import type { Shown } from '../../say'
import { countWords } from '../figures'
import { t, texts, plural } from '../../spoken'

const people = (count: number) => countWords(count, t`customer`, t`customers`)
const boats = (count: number) => countWords(count, t`vehicle`, t`vehicles`)
const counted = (customers: number, vehicles: number, jobs: number) =>
  t`${people(customers)}, ${boats(vehicles)}, ${countWords(jobs, t`past job`, t`past jobs`)}`

export const INTAKE = texts({
  title: 'Take in older records',
  umbrette: 'Older records · Umbrette',
  says: 'Customers, vehicles and past jobs from a CSV file or a spreadsheet. First it is only tried: nothing is kept until you say so, and it can be taken out again as one.',
  choose: 'Choose a file',
  file: 'File of older records',
  columns: (rows: Shown) => t`${rows} rows. What is each column?`,
  heads: ['Heading in the file', 'In it', 'Is'],
  leftOut: 'left out',
  usageIn: 'Usage is in',
  days: 'Days like 5/4/2024 are',
  dayOrder: [
    { value: 'day-first', label: '5 April' },
    { value: 'month-first', label: 'May 4' }
  ] as const,
  try: 'Try it',
  trying: 'Trying …',
  would: 'What it would bring',
  rowsTaken: (taken: Shown) => t`${taken} rows can be taken in.`,
  brings: (customers: number, vehicles: number, jobs: number) => t`New: ${counted(customers, vehicles, jobs)}.`,
  known: (customers: number, vehicles: number) =>
    t`Known already, and left as they are: ${people(customers)}, ${boats(vehicles)}.`,
  out: (rows: number) => t`${countWords(rows, t`row`, t`rows`)} cannot be taken in`,
  noted: (rows: number) =>
    t`${countWords(rows, t`row is`, t`rows are`)} taken in all the same, but look at ${plural(rows, t`it`, t`them`)}`,
  row: 'Row',
  why: 'Why',
  andMore: (rows: Shown) => t`… and ${rows} more.`,
  take: (rows: Shown) => t`Take in all ${rows} rows`,
  takeGood: (rows: Shown) => t`Take in ${rows} rows without the others`,
  taking: (done: Shown, all: Shown) => t`${done} of ${all} kept …`,
  callOff: 'Call it off',
  took: (rows: Shown) => t`${rows} rows were taken in.`,
  calledOff: 'Called off: nothing was taken in.',
  brokeOff: 'The server broke off: look below whether it was taken in.',
  earlier: 'Taken in so far',
  none: 'Nothing yet.',
  counts: (customers: number, vehicles: number, jobs: number) => counted(customers, vehicles, jobs),
  undo: 'Take it out again',
  undone: 'taken out again',
  stay: (stay: number) =>
    stay === 0
      ? t`All of it was taken out again.`
      : t`It was taken out again; ${stay} of its customers and vehicles stay, as they were used since.`,
  link: 'Take in older records'
})
