import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'

/** The real server, database and Chromium. One worker: the stories share an installation. */
export default defineConfig({
  testDir: 'specs',
  workers: 1,
  timeout: 180_000,
  // a shared machine can stall for half a minute: two more tries, each in a new installation, and `npm test` says so
  retries: 2,
  expect: { timeout: 20_000 },
  outputDir: '../test-results/e2e',
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    browserName: 'chromium',
    actionTimeout: 60_000,
    screenshot: 'only-on-failure',
    launchOptions: CHROMIUM,
  },
})
