export { ARCHIVE_ROWS, type ArchivedJob, archivedJob, type ArchiveHead, archiveHead, type ArchiveList } from './rows'
export type { ArchiveRow } from './rows'
