import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  build: { target: 'es2022', sourcemap: true, chunkSizeWarningLimit: 700, assetsInlineLimit: 0 },
  worker: { format: 'es' },
})
