/**
 * Makes few files of the tests of components and of all that they need. Three browsers, one for each hand, that ask for nine hundred
 * modules and have each made ready for them are a third of what the suite does. `npm run test:components` runs them as they are.
 */
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import vue from '@vitejs/plugin-vue'
import { build } from 'vite'
import vuetify from 'vite-plugin-vuetify'
import { COMPONENT_TESTS, ROOT } from './lib/paths.mjs'

const WEB = join(ROOT, 'packages/web')
const SOURCES = join(WEB, 'src')
/** How long which plugin takes is nobody's matter here. */
const QUIET = { pluginTimings: false }

const names = readdirSync(SOURCES, { recursive: true }).filter((name) => name.endsWith('.component.test.ts'))

// Vue says what is used wrongly, and rooms of developers are there
process.env.NODE_ENV = 'test'
await build({
  configFile: false,
  root: WEB,
  mode: 'test',
  // files lie wherever a test's page finds them
  base: './',
  publicDir: false,
  logLevel: 'warn',
  plugins: [vue(), vuetify({ autoImport: true })],
  worker: { format: 'es', rollupOptions: { checks: QUIET } },
  build: {
    outDir: COMPONENT_TESTS,
    emptyOutDir: true,
    target: 'esnext',
    minify: false,
    sourcemap: true,
    modulePreload: false,
    // a test names no style sheet of its own
    cssCodeSplit: false,
    assetsInlineLimit: 0,
    reportCompressedSize: false,
    rollupOptions: {
      checks: QUIET,
      external: /^vitest/,
      input: {
        'signed-in': join(WEB, 'test/signed-in.ts'),
        ...Object.fromEntries(names.map((name) => [name.slice(0, -'.ts'.length), join(SOURCES, name)])),
      },
      preserveEntrySignatures: 'strict',
      output: {
        entryFileNames: '[name].js',
        assetFileNames: ({ names }) =>
          names.some((name) => name.endsWith('.css')) ? 'styles.css' : 'assets/[name]-[hash][extname]',
        strictExecutionOrder: true,
      },
    },
  },
})
