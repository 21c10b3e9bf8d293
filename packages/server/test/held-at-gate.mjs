/**
 * Loaded before a process that is given a port: it says which one in the folder RUDLO_GATE, and goes no further until a file
 * `open` lies there. What happens between looking for a port and listening on it can so be tried without luck.
 */
import { existsSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const { RUDLO_PORT: port, RUDLO_GATE: gate } = process.env
if (port && gate && !existsSync(join(gate, 'open'))) {
  writeFileSync(join(gate, 'port.part'), port)
  renameSync(join(gate, 'port.part'), join(gate, 'port'))
  const nobody = new Int32Array(new SharedArrayBuffer(4))
  while (!existsSync(join(gate, 'open'))) Atomics.wait(nobody, 0, 0, 20)
}
