import type { ScanSays } from '../../core/views/scan'
import { type Catalogue, sayer } from '../say'

/** Why a scan log cannot be read. */
export const SCANS: Catalogue<ScanSays> = {
  'empty-log': () => 'The log is empty: it needs a line of column names and samples below it.',
  'lacks-columns': (f) =>
    `This log lacks ${[...f.missing, ...(f.cams ? ['the cams of this engine'] : [])].join(' and ')}: its columns must be named ${f.columns.join(', ')}.`,
  'too-few-samples': (f) =>
    `Only ${f.samples} samples at a warm idle (coolant from ${f.coolant} °C, up to ${f.rpm} rpm): let it warm up and log again.`,
  'no-cam-figures': () => 'No cam has figures at a warm idle in this log.'
}

export const sayScan = sayer(SCANS)
