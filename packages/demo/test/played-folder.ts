/** Before all tests: a folder where songs are kept that one of the processes has played. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'

declare module 'vitest' {
  interface ProvidedContext {
    /** Folder of songs as they were played. */
    played: string
  }
}

export default function setup(project: TestProject): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-played-'))
  project.provide('played', folder)
  return () => rmSync(folder, { recursive: true, force: true })
}
