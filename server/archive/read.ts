import { promisify } from 'node:util'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { type Fault, MOST_FAULTS, sayOfCheck, schemaFaults } from '../../core/check'
import { sheetFaults } from '../../core/drive'
import { importJob, type Act, type KeptJob } from '../../core/record'
import type { DriveSheet } from '../../core/sheet'
import {
  ARCHIVE_ROWS,
  archivedJob,
  type ArchivedJob,
  archiveHead,
  type ArchiveHead,
  type ArchiveList,
  type ArchiveRow
} from '../../core/views/archive'
import { randomUUID } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** Bytes that a file of an archive may come to unpacked, by what it is. */
const LIMITS = { list: 512 * 1024 * 1024, job: 64 * 1024 * 1024, picture: 32 * 1024 * 1024 } as const
/** Files that an archive may hold. */
const MOST_FILES = 5_000_000

const openZip = promisify<string, yauzl.Options, ZipFile>(yauzl.open)

/** An archive that is open: its files by name, each read when it is asked for. */
export interface OpenArchive {
  has: (name: string) => boolean
  /** @throws Problem bad-input without such a file, or for one that is too large or broken */
  read: (name: string, kind: keyof typeof LIMITS) => Promise<Buffer>
  close: () => void
}

/** What is wrong with an archive, and where. */
export const archiveProblem = (faults: readonly Fault[]) =>
  new Problem('bad-input', told('archive-not-taken'), faults.slice(0, MOST_FAULTS))

/** @throws Problem bad-input for what is no archive */
export async function openArchive(path: string): Promise<OpenArchive> {
  const zip = await openZip(path, { lazyEntries: true, autoClose: false, validateEntrySizes: true }).catch(notZip)
  const entries = await entriesOf(zip).catch((error: unknown) => {
    zip.close()
    return notZip(error)
  })
  return {
    has: (name) => entries.has(name),
    async read(name, kind) {
      const entry = entries.get(name)
      if (!entry) throw archiveProblem([{ place: name, ...told('archive-lacks', { file: name }) }])
      if (entry.uncompressedSize > LIMITS[kind])
        throw archiveProblem([{ place: name, ...told('archive-file-large', { file: name }) }])
      return contentOf(zip, entry).catch(notZip)
    },
    close: () => zip.close()
  }
}

function notZip(cause: unknown): never {
  throw new Problem('bad-input', told('archive-not-zip'), [], { cause })
}

function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  return new Promise((done, failed) => {
    const entries = new Map<string, Entry>()
    if (zip.entryCount > MOST_FILES) return failed(new Error('too many files'))
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry)
      zip.readEntry()
    })
    zip.on('end', () => done(entries))
    zip.on('error', failed)
    zip.readEntry()
  })
}

function contentOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((done, failed) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) failed(error)
      else buffer(stream).then(done, failed)
    })
  })
}

function parsed(bytes: Uint8Array, name: string): unknown {
  try {
    return JSON.parse(Buffer.from(bytes).toString('utf8'))
  } catch {
    throw archiveProblem([{ place: name, ...told('not-json') }])
  }
}

const within = (name: string, faults: readonly Fault[]) =>
  faults.map((fault) => ({ ...fault, place: [name, fault.place].filter(Boolean).join(': ') }))

/** What the workshop holds once, checked. @throws Problem bad-input */
export function readHead(bytes: Uint8Array): ArchiveHead {
  const value = parsed(bytes, 'workshop.json')
  const faults = schemaFaults(archiveHead, value)
  if (faults.length > 0) throw archiveProblem(within('workshop.json', faults))
  return value as ArchiveHead
}

/** The rows of a list, each checked. @throws Problem bad-input with the place of each fault */
export function readRows<L extends ArchiveList>(bytes: Uint8Array, list: L, name: string): ArchiveRow<L>[] {
  const value = parsed(bytes, name)
  if (!Array.isArray(value)) throw archiveProblem([{ place: name, ...sayOfCheck('list') }])
  const faults: Fault[] = []
  for (const [i, row] of value.entries()) {
    faults.push(...within(`${name} [${i}]`, schemaFaults(ARCHIVE_ROWS[list], row)))
    if (faults.length >= MOST_FAULTS) break
  }
  if (faults.length > 0) throw archiveProblem(faults)
  return value as ArchiveRow<L>[]
}

/** A revision of a sheet, checked as any that is taken in. @throws Problem bad-input */
export function readDrive(bytes: Uint8Array, name: string): DriveSheet {
  const value = parsed(bytes, name)
  const faults = sheetFaults(value)
  if (faults.length > 0) throw archiveProblem(within(name, faults))
  return value as DriveSheet
}

/** A job of an archive, checked as any that is taken in. @throws Problem bad-input */
export function readArchivedJob(
  file: Uint8Array,
  beside: Uint8Array,
  { name, by, at }: { name: string; by: string; at: string }
): { job: KeptJob; acts: Act[]; kept: ArchivedJob } {
  const { job, acts, faults } = importJob(parsed(file, name), { by, at, newId: randomUUID })
  const kept = parsed(beside, name)
  const all = [...faults, ...schemaFaults(archivedJob, kept)]
  if (!job || all.length > 0) throw archiveProblem(within(name, all))
  return { job, acts, kept: kept as ArchivedJob }
}
