import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'

const EDITING = ['3-drawing.spec.ts', '9-lane-desk.spec.ts', '10-editing.spec.ts']

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
  // every way of editing is tried on all three screens, everything else on the usual one
  projects: [
    { name: '1280×800', use: { viewport: { width: 1280, height: 800 } } },
    { name: '1366×640', use: { viewport: { width: 1366, height: 640 } }, testMatch: EDITING },
    { name: '1024×768', use: { viewport: { width: 1024, height: 768 } }, testMatch: EDITING },
  ],
})
