import type { Shown } from '../../say'
import { countWords } from '../figures'

const people = (count: number) => countWords(count, 'customer', 'customers')
const boats = (count: number) => countWords(count, 'vehicle', 'vehicles')
const counted = (customers: number, vehicles: number, jobs: number) =>
  `${people(customers)}, ${boats(vehicles)}, ${countWords(jobs, 'past job', 'past jobs')}`

export const INTAKE = {
  title: 'Take in older records',
  umbrette: 'Older records · Umbrette',
  says: 'Customers, vehicles and past jobs from a CSV file or a spreadsheet. First it is only tried: nothing is kept until you say so, and it can be taken out again as one.',
  choose: 'Choose a file',
  file: 'File of older records',
  columns: (rows: Shown) => `${rows} rows. What is each column?`,
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
  rowsTaken: (taken: Shown) => `${taken} rows can be taken in.`,
  brings: (customers: number, vehicles: number, jobs: number) => `New: ${counted(customers, vehicles, jobs)}.`,
  known: (customers: number, vehicles: number) =>
    `Known already, and left as they are: ${people(customers)}, ${boats(vehicles)}.`,
  out: (rows: number) => `${countWords(rows, 'row', 'rows')} cannot be taken in`,
  noted: (rows: number) =>
    `${countWords(rows, 'row is', 'rows are')} taken in all the same, but look at ${rows === 1 ? 'it' : 'them'}`,
  row: 'Row',
  why: 'Why',
  andMore: (rows: Shown) => `… and ${rows} more.`,
  take: (rows: Shown) => `Take in all ${rows} rows`,
  takeGood: (rows: Shown) => `Take in ${rows} rows without the others`,
  taking: (done: Shown, all: Shown) => `${done} of ${all} kept …`,
  callOff: 'Call it off',
  took: (rows: Shown) => `${rows} rows were taken in.`,
  calledOff: 'Called off: nothing was taken in.',
  brokeOff: 'The server broke off: look below whether it was taken in.',
  earlier: 'Taken in so far',
  none: 'Nothing yet.',
  counts: (customers: number, vehicles: number, jobs: number) => counted(customers, vehicles, jobs),
  undo: 'Take it out again',
  undone: 'taken out again',
  stay: (stay: number) =>
    stay === 0
      ? 'All of it was taken out again.'
      : `It was taken out again; ${stay} of its customers and vehicles stay, as they were used since.`,
  link: 'Take in older records'
}
