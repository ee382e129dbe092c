import type { ScanSays } from '../../core/views/scan'
import { type Catalogue, sayer } from '../say'
import { t } from '../spoken'

/** Why a scan log cannot be read. */
export const SCANS: Catalogue<ScanSays> = {
  'empty-log': () => t`The log is empty: it needs a line of column names and samples below it.`,
  'lacks-columns': (f) =>
    t`This log lacks ${[...f.missing, ...(f.cams ? [t`the cams of this engine`] : [])].join(t` and `)}: its columns must be named ${f.columns.join(', ')}.`,
  'too-few-samples': (f) =>
    t`Only ${f.samples} samples at a warm idle (coolant from ${f.coolant} °C, up to ${f.rpm} rpm): let it warm up and log again.`,
  'no-cam-figures': () => t`No cam has figures at a warm idle in this log.`
}

export const sayScan = sayer(SCANS)
