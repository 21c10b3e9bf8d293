import { serwist } from '@serwist/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'
import { SHARED_FILES } from './shared-files'

/** Where the server is that `npm run dev` started beside this. */
const server = process.env['RUDLO_DEV_SERVER']

/** A list of foul words is left out where nobody asks it anything; the package does not say so of itself. */
const TREESHAKE = { moduleSideEffects: (id: string) => !id.includes('/obscenity/') }

/** The browser keeps the whole application, and opens it while the server is away. */
const kept = serwist({
  swSrc: 'src/app/service-worker.ts',
  swDest: 'service-worker.js',
  globDirectory: 'dist',
  globPatterns: ['index.html', 'assets/*.{js,css,woff2,wasm,svg}', 'icon.svg'],
  injectionPoint: 'self.FILES',
  rollupFormat: 'iife',
  // their names have their hash in them
  dontCacheBustURLsMatching: /^assets\//,
  maximumFileSizeToCacheInBytes: 4e6,
  // the page is asked for as the server writes it
  manifestTransforms: [
    (entries) => ({
      manifest: entries.map((entry) => (entry.url === 'index.html' ? { ...entry, url: '/' } : entry)),
    }),
  ],
})

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), kept],
  build: {
    target: 'es2022',
    sourcemap: true,
    chunkSizeWarningLimit: 700,
    assetsInlineLimit: 0,
    rollupOptions: {
      treeshake: TREESHAKE,
      // files that go along with others need each other in circles: without this, what is not there yet would be called
      output: { codeSplitting: { groups: SHARED_FILES }, strictExecutionOrder: true },
    },
  },
  worker: { format: 'es', rollupOptions: { treeshake: TREESHAKE } },
  server: {
    // shared memory needs a page of its own
    headers: {
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-embedder-policy': 'require-corp',
    },
    // the server is asked under the name of this one: its pages are its own
    ...(server ? { proxy: { '/api': { target: server }, '/schemas': { target: server } } } : {}),
  },
})
