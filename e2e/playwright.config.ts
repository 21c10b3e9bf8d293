import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'

const PATIENT = Number(process.env['RUDLO_PATIENCE'] ?? 60_000)

/** The real server, database and Chromium: an installation a worker, and a class of its own for every story. */
export default defineConfig({
  testDir: 'specs',
  globalSetup: './harness/seed.ts',
  workers: 2,
  fullyParallel: true,
  timeout: 600_000,
  // a second try counts against the run: `npm test` says how many there were
  retries: process.env['RUDLO_PATIENCE'] ? 0 : 1,
  // patience costs nothing where all is well: the machines that this runs on are shared
  expect: { timeout: PATIENT, toPass: { timeout: PATIENT } },
  reporter: [
    ['list'],
    ['json', { outputFile: `../test-results/${process.env['RUDLO_RESULTS'] ?? 'e2e.json'}` }],
  ],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    actionTimeout: Number(process.env['RUDLO_PATIENCE'] ?? 90_000),
    screenshot: 'only-on-failure',
    launchOptions: CHROMIUM,
  },
  // what plays in real time is measured, and needs the machine for itself
  projects: [
    // pictures of what failed: a folder each, since a run begins with an empty one
    { name: 'stories', grepInvert: /@sound/, outputDir: '../test-results/stories' },
    { name: 'sound', grep: /@sound/, workers: 1, outputDir: '../test-results/sound' },
  ],
})
