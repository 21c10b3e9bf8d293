import { join } from 'node:path'
import vue from '@vitejs/plugin-vue'
import { playwright } from '@vitest/browser-playwright'
import { register } from 'tsx/esm/api'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'
import { pinch, stroke } from './packages/web/test/desk/stroke.mjs'
import { buildKernels } from './scripts/kernels.mjs'
import { CHROMIUM } from './scripts/lib/chromium.mjs'
import { COMPONENT_TESTS } from './scripts/lib/paths.mjs'
import { shortLived } from './scripts/lib/short-lived.mjs'
import { WHOLE } from './scripts/lib/whole.mjs'

await buildKernels()

/** Run as Node runs modules, which takes two thirds of the time; tsx takes the types out of them. */
const NATIVE = {
  experimental: { viteModuleRunner: false, nodeLoader: false },
  execArgv: ['--import', 'tsx/esm', ...shortLived()],
}
/** Where tsx reads what decorators are made into. */
process.env['TSX_TSCONFIG_PATH'] = join(import.meta.dirname, 'tsconfig.units.json')
// what comes before all of the server's tests is TypeScript as they are
register()

/** Patience costs nothing where all is well: the machines that this runs on are shared. Whoever mends tests has less of it. */
const PATIENT = Number(process.env['RUDLO_PATIENCE'] ?? 240_000)

/** Whether tests of components are run as few files. */
const FEW_FILES = Boolean(process.env['RUDLO_FEW_FILES'])
const KIND = FEW_FILES ? 'js' : 'ts'

/** What is done by keys alone, and workers, sound and rooms that are read: they know nothing of mice and fingers. */
const HANDLESS = [
  `**/keys.component.test.${KIND}`,
  `**/engine/*.component.test.${KIND}`,
  `**/files/*.component.test.${KIND}`,
  `**/{features,ui}/**/*.component.test.${KIND}`,
]

/** Tests of components as they are, or as the few files that `npm test` has made of them (scripts/component-tests.mjs). */
const COMPONENTS = FEW_FILES
  ? {
      setupFiles: ['styles.css', 'signed-in.js'].map((name) => join(COMPONENT_TESTS, name)),
      include: [`${COMPONENT_TESTS}/**/*.component.test.js`],
    }
  : {
      setupFiles: ['packages/web/test/signed-in.ts'],
      include: ['packages/web/src/**/*.component.test.ts'],
    }

/** Packages that components load. */
const BUNDLED = [
  'vue',
  'pinia',
  'vue-router',
  'vuetify',
  'vuetify/components/*',
  'vuetify/directives/*',
  'vuetify/iconsets/mdi-svg',
  '@mdi/js',
  'hono/client',
  'class-transformer',
  'class-validator',
  'reflect-metadata',
  'comlink',
  'idb',
  'fast-json-patch',
  'sortablejs',
  'papaparse',
  'fflate',
  'markdown-it',
  '@intlify/core-base',
  'vue-i18n',
  'uqr',
  'date-fns',
  '@date-fns/tz',
]

/**
 * Chromium as somebody with a mouse has it, or with a finger, who wants nothing to move by itself: a test would only wait for
 * it. There is room for every screen that something is tried on (test/desk/screens.ts).
 */
const chromium = (hasTouch: boolean) =>
  playwright({
    launchOptions: CHROMIUM,
    contextOptions: { viewport: { width: 1366, height: 840 }, hasTouch, reducedMotion: 'reduce' },
    actionTimeout: Math.min(40_000, PATIENT),
  })

export default defineConfig({
  test: {
    // as many as there are cores on the machine that this is measured on: one core less would be half of them
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          ...NATIVE,
          // pure functions: nothing of one file is seen by another
          isolate: false,
          setupFiles: ['packages/core/test/properties.ts'],
          globalSetup: ['packages/demo/test/played-folder.ts'],
          testTimeout: PATIENT,
          hookTimeout: PATIENT,
          include: ['packages/{words,core,sentences,contract,demo}/src/**/*.test.ts'],
        },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          execArgv: [...shortLived()],
          // one worker for many files, each of which gets the modules of the application anew
          isolate: false,
          setupFiles: ['packages/web/test/fresh-modules.ts', 'packages/core/test/properties.ts'],
          // what extends Date is made anew with each file: another one may have put a clock in its place
          server: { deps: { inline: [/@date-fns\/tz/] } },
          testTimeout: PATIENT,
          hookTimeout: PATIENT,
          include: ['packages/web/src/**/*.test.ts'],
          exclude: ['**/*.component.test.ts'],
        },
      },
      {
        plugins: [vue(), vuetify({ autoImport: true })],
        resolve: { dedupe: ['vue', 'pinia'] },
        // known beforehand: one that is found on the way would load every page anew
        optimizeDeps: { include: FEW_FILES ? [] : BUNDLED },
        server: {
          headers: {
            'cross-origin-opener-policy': 'same-origin',
            'cross-origin-embedder-policy': 'require-corp',
          },
        },
        test: {
          name: 'components',
          ...COMPONENTS,
          provide: { whole: WHOLE },
          // a desk is put up for each test, and nothing of it is left: files need no page of their own
          isolate: false,
          testTimeout: PATIENT,
          expect: { poll: { timeout: Math.min(30_000, PATIENT / 2) } },
          browser: {
            enabled: true,
            headless: true,
            screenshotFailures: false,
            locators: { testIdAttribute: 'data-test' },
            commands: { pinch, stroke },
            viewport: { width: 1280, height: 800 },
            instances: [
              { browser: 'chromium', name: 'mouse', provider: chromium(false), exclude: HANDLESS },
              { browser: 'chromium', name: 'finger', provider: chromium(true), exclude: HANDLESS },
              { browser: 'chromium', name: 'keys', provider: chromium(false), include: HANDLESS },
            ],
          },
        },
      },
      {
        test: {
          // not a part of `npm test`: what it needs is installed by `npm run test:real`
          name: 'real',
          ...NATIVE,
          isolate: false,
          include: ['packages/server/real/**/*.test.ts'],
          globalSetup: ['packages/server/test/database.ts'],
          testTimeout: PATIENT,
          hookTimeout: PATIENT,
        },
      },
      {
        test: {
          name: 'server',
          ...NATIVE,
          // each file has a database and a server of its own
          isolate: false,
          setupFiles: ['packages/core/test/properties.ts'],
          include: ['packages/server/{src,test}/**/*.test.ts'],
          globalSetup: ['packages/server/test/database.ts'],
          testTimeout: PATIENT,
          hookTimeout: PATIENT,
        },
      },
    ],
  },
})
