import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { buildKernels } from './scripts/kernels.mjs'

await buildKernels()

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['packages/{core,demo}/src/**/*.test.ts'],
        },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['packages/web/src/**/*.test.ts'],
        },
      },
      {
        test: {
          name: 'server',
          include: ['packages/server/{src,test}/**/*.test.ts'],
          globalSetup: ['packages/server/test/database.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
