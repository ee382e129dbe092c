// The service worker, bundled into the files that the build serves, with the list of those it keeps.
import { build } from 'esbuild'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** @param {string} publicFolder where the build put what browsers load */
export async function bundleServiceWorker(publicFolder) {
  const files = filesIn(publicFolder)
    .filter((path) => !/\.(gz|br|map)$/.test(path) && !path.endsWith('/sw.js'))
    .sort()
  const digest = createHash('sha256')
  for (const path of files) digest.update(path).update(readFileSync(join(publicFolder, path)))
  await build({
    entryPoints: [join(root, 'app', 'offline', 'worker.ts')],
    outfile: join(publicFolder, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'error',
    absWorkingDir: root,
    define: { BUILD: JSON.stringify(digest.digest('hex').slice(0, 16)), FILES: JSON.stringify(files) }
  })
}

function filesIn(folder, under = folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? filesIn(path, under) : [`/${relative(under, path)}`]
  })
}
