/** Before the server's tests: the worker scripts are built and a MariaDB of their own runs on a port of its own. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { build } from '../../../scripts/build.mjs'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    connection: { host: string; port: number; username: string; password: string }
  }
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await build({ web: false })
  // servers that tests start have nobody to rehearse for
  process.env['RUDLO_REHEARSE'] = '0'
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-test-'))
  const database = await new PrivateDatabase(folder, { more: 'test\\_%' }).start()
  const { host, port, username, password } = database.connection
  project.provide('connection', { host, port, username, password })
  return async () => {
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
