// Small files that others read while they are written, or after the power went.
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeFileSync } from 'node:fs'

/** Writes a file whole or not at all, for its owner alone. @param {string} file @param {string} text */
export function writeWhole(file, text) {
  const made = openSync(`${file}.new`, 'w', 0o600)
  try {
    writeFileSync(made, text)
    fsyncSync(made)
  } finally {
    closeSync(made)
  }
  renameSync(`${file}.new`, file)
}

/** What a file of JSON says; null where there is none, or none that can be read. @param {string} file */
export function readWhole(file) {
  try {
    return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null
  } catch {
    return null
  }
}
