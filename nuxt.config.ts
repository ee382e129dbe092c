import tailwindcss from '@tailwindcss/vite'
import { join } from 'node:path'
import { bundleWorker, watchWorker } from './scripts/worker.mjs'

/** Core, words and draw do nothing when they are loaded. */
const treeshake = {
  moduleSideEffects: (id: string) => !/\/(core|words|draw)\//.test(id) || id.includes('node_modules')
}

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  future: { compatibilityVersion: 4 },
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', 'nuxt-security'],
  components: [{ path: '~/components', pathPrefix: false }],
  css: ['~/assets/main.css'],
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Umbrette',
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/umbrette.svg' }]
    }
  },
  experimental: { appManifest: false },
  // What opens now and then is loaded then: links load the pages they lead to ahead, nothing else does.
  hooks: {
    'build:manifest': (manifest) => Object.values(manifest).forEach((entry) => (entry.dynamicImports = [])),
    // The program of the threads that work behind the server lies beside it.
    'nitro:init': (nitro) => {
      const file = join(nitro.options.output.serverDir, 'heavy.mjs')
      if (nitro.options.dev) return watchWorker(file)
      nitro.hooks.hook('compiled', () => bundleWorker(file))
    }
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true, noUnusedLocals: true, noUnusedParameters: true } }
  },
  // What core, words and draw only define is left out where nothing asks for it: the checks of files, say, on the
  // bench.
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es', rollupOptions: { treeshake } },
    build: { rollupOptions: { treeshake } }
  },
  // For who works on it: a change shows within a few seconds, which maps and leaving out would take again.
  $development: { sourcemap: false, nitro: { sourceMap: false, rollupConfig: { treeshake: false } } },
  nitro: {
    esbuild: { options: { target: 'node20' } },
    compressPublicAssets: { gzip: true, brotli: true },
    typescript: { tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } }
  },
  security: {
    headers: {
      crossOriginEmbedderPolicy: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        'style-src-attr': ["'unsafe-inline'"],
        'worker-src': ["'self'"],
        'connect-src': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false
      },
      strictTransportSecurity: false
    },
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false
  }
})
