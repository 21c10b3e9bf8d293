import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

/** Where the server is that `npm run dev` started beside this. */
const server = process.env['RUDLO_DEV_SERVER']

/** A list of foul words is left out where nobody asks it anything; the package does not say so of itself. */
const TREESHAKE = { moduleSideEffects: (id: string) => !id.includes('/obscenity/') }

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  build: {
    target: 'es2022',
    sourcemap: true,
    chunkSizeWarningLimit: 700,
    assetsInlineLimit: 0,
    rollupOptions: { treeshake: TREESHAKE },
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
