import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { logFile } from './log'

it('lines of the log are all written, in their order, a moment later', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-log-'))
  const file = join(folder, 'server.log')
  try {
    const log = logFile(file)
    for (let n = 0; n < 40; n++) log.info({ n }, 'line')
    await expect
      .poll(() => {
        const lines = readFileSync(file, 'utf8').trim().split('\n').filter(Boolean)
        return lines.map((line) => (JSON.parse(line) as { n: number }).n)
      })
      .toEqual(Array.from({ length: 40 }, (_, n) => n))
    log.info({ n: 40 }, 'line')
    await expect.poll(() => readFileSync(file, 'utf8')).toContain('"n":40')
  } finally {
    rmSync(folder, { recursive: true })
  }
})
