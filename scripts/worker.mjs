// The program of the threads that do long work behind the server, in one file.
import { build } from 'esbuild'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Bundles it into a file; packages stay where they are installed. */
export async function bundleWorker(file) {
  await build({ entryPoints: [join(root, 'server', 'heavy', 'worker.ts')], outfile: file, bundle: true, platform: 'node', format: 'esm', target: 'node20', packages: 'external', logLevel: 'error', absWorkingDir: root })
}
