// Runs a command from one bundled file, so that a job, or a fleet of them, does not wait for a compiler. The bundle is
// made again when a source is newer than it.
import { existsSync, mkdirSync, readdirSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Folders that commands are made of. */
const SOURCES = ['core', 'words', 'cli', 'package-lock.json']

/** Runs cli/NAME.ts. */
export async function runBundled(name) {
  const bundle = join(root, 'node_modules', '.cache', 'umbrette', `${name}.mjs`)
  if (!existsSync(bundle) || statSync(bundle).mtimeMs < newest(SOURCES.map((source) => join(root, source))))
    await makeBundle(name, bundle)
  await import(pathToFileURL(bundle).href)
}

/** Time of the newest file among these files and folders. */
function newest(paths) {
  return Math.max(
    ...paths.map((path) => {
      const stat = statSync(path)
      return stat.isDirectory() ? newest(readdirSync(path).map((name) => join(path, name))) : stat.mtimeMs
    })
  )
}

/** Written beside and then moved into place: two commands started at once may both make it. */
async function makeBundle(name, bundle) {
  const { build } = await import('esbuild')
  const { outputFiles } = await build({
    entryPoints: [join(root, 'cli', `${name}.ts`)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // They load what lies beside them.
    external: ['sharp', 'exifr'],
    write: false,
    logLevel: 'error',
    absWorkingDir: root
  })
  mkdirSync(dirname(bundle), { recursive: true })
  const beside = `${bundle}.${process.pid}`
  writeFileSync(beside, outputFiles[0].contents)
  renameSync(beside, bundle)
}
