import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import type { Tests } from './harness/test'

const BY_HAND = ['9-lane-desk.spec.ts', '10-editing.spec.ts']
const EDITING = ['3-drawing.spec.ts', ...BY_HAND, '17-keys.spec.ts']

/** The screens, the usual one first. */
const SCREENS = [
  [1280, 800],
  [1366, 640],
  [1024, 768],
] as const

/** The real server, database and Chromium. One worker: the stories share an installation. */
export default defineConfig<Tests>({
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
  // every way of editing is tried on all three screens, by mouse, by finger and by keys; everything else on the usual one
  projects: SCREENS.flatMap(([width, height], i) => {
    const viewport = { width, height }
    return [
      { name: `${width}×${height}`, use: { viewport }, ...(i ? { testMatch: EDITING } : {}) },
      { name: `finger ${width}×${height}`, use: { viewport, by: 'finger' as const }, testMatch: BY_HAND },
    ]
  }),
})
