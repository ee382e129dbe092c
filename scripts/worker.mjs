// The program of the threads that do long work behind the server, in one file.
import { build, context } from 'esbuild'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = dirname(dirname(fileURLToPath(import.meta.url)))

const options = {
  entryPoints: [join(root, 'server', 'heavy', 'worker.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
  absWorkingDir: root
}

/** Bundles it into a file; packages stay where they are installed. */
export async function bundleWorker(outfile) {
  await build({ ...options, outfile })
}

/** Bundles it, and again as its sources change, until this program ends. */
export async function watchWorker(outfile) {
  const bundling = await context({ ...options, outfile })
  await bundling.watch()
}
