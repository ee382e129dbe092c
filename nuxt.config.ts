import tailwindcss from '@tailwindcss/vite'
import { join } from 'node:path'
import { bundleServiceWorker } from './scripts/serviceWorker.mjs'
import { bundleWorker, watchWorker } from './scripts/worker.mjs'

/** Core, words and draw do nothing when they are loaded. */
const treeshake = {
  moduleSideEffects: (id: string) => !/\/(core|words|draw)\//.test(id) || id.includes('node_modules')
}

/**
 * The bench's page in a chunk of its own: what its later parts share with it would otherwise be asked of the page,
 * which is then not told ahead with the document.
 */
const benchAlone = {
  onlyExplicitManualChunks: true,
  experimentalMinChunkSize: 1_000,
  manualChunks: (id: string) => (id.endsWith('/app/pages/jobs/[id]/index.vue') ? 'bench' : undefined)
}

/** Workers go by the policy of their own file: no less strict than the page's. */
const ASSET_HEADERS = {
  'Content-Security-Policy':
    "default-src 'self'; object-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
  'Permissions-Policy': 'camera=(self), microphone=(self), geolocation=()',
  'X-Content-Type-Options': 'nosniff'
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
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/umbrette.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' }
      ]
    }
  },
  experimental: {
    appManifest: false,
    // A page that a link leads to comes as the link is reached for.
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } }
  },
  // What opens now and then is loaded then.
  hooks: {
    'build:manifest': (manifest) => Object.values(manifest).forEach((entry) => (entry.dynamicImports = [])),
    // The program of the threads that work behind the server lies beside it.
    'nitro:build:public-assets': (nitro) => bundleServiceWorker(nitro.options.output.publicDir),
    'nitro:init': (nitro) => {
      const file = join(nitro.options.output.serverDir, 'heavy.mjs')
      if (nitro.options.dev) return watchWorker(file)
      nitro.hooks.hook('compiled', () => bundleWorker(file))
    }
  },
  typescript: {
    strict: true,
    tsConfig: {
      include: ['../core/picture/aruco.d.ts'],
      compilerOptions: { noUncheckedIndexedAccess: true, noUnusedLocals: true, noUnusedParameters: true }
    }
  },
  // What core, words and draw only define is left out where nothing asks for it: the checks of files, say, on the
  // bench.
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es', rollupOptions: { treeshake } },
    build: { rollupOptions: { treeshake } },
    $client: { build: { rollupOptions: { output: benchAlone } } }
  },
  // For who works on it: a change shows within a few seconds, which maps and leaving out would take again.
  $development: { sourcemap: false, nitro: { sourceMap: false, rollupConfig: { treeshake: false } } },
  // What the service worker opens while the server is away: the application without anything on it.
  routeRules: {
    '/shell': { ssr: false },
    '/_nuxt/**': { headers: ASSET_HEADERS },
    '/sw.js': { headers: { ...ASSET_HEADERS, 'Cache-Control': 'no-cache' } }
  },
  nitro: {
    esbuild: { options: { target: 'node20' } },
    // Certificates are made by a package that needs it loaded, for nothing that it exports.
    moduleSideEffects: ['reflect-metadata'],
    compressPublicAssets: { gzip: true, brotli: true },
    typescript: {
      tsConfig: { include: ['../core/picture/aruco.d.ts'], compilerOptions: { noUncheckedIndexedAccess: true } }
    }
  },
  security: {
    headers: {
      crossOriginEmbedderPolicy: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'media-src': ["'self'", 'blob:'],
        'font-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        'style-src-attr': ["'unsafe-inline'"],
        'worker-src': ["'self'"],
        'connect-src': ["'self'"],
        'manifest-src': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false
      },
      strictTransportSecurity: false,
      permissionsPolicy: {
        camera: ['self'],
        microphone: ['self'],
        geolocation: [],
        'display-capture': [],
        fullscreen: ['self']
      }
    },
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false
  }
})
