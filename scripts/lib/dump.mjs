import { spawn } from 'node:child_process'
import { closeSync, createWriteStream, fsyncSync, openSync, renameSync, rmSync } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import { run } from './run.mjs'

/** The first line of a backup, before the tables: packages/server/src/backup reads it. */
const MARK = '-- rudlo backup 1'

const options = ({ host, port, username }) => ['--no-defaults', `-h${host}`, `-P${port}`, `-u${username}`]
const environment = ({ password }) => ({ ...process.env, MYSQL_PWD: password })

function ended(child, name) {
  let complaint = ''
  child.stderr.on('data', (part) => (complaint = (complaint + part).slice(-500)))
  return new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${name} failed: ${complaint.trim()}`)),
    )
  })
}

/** Writes everything in a database into one file, as it was at one moment, while it is in use. */
export async function dump(connection, file) {
  const part = `${file}.part`
  try {
    const child = spawn(
      'mariadb-dump',
      [
        ...options(connection),
        '--single-transaction',
        '--quick',
        '--hex-blob',
        '--skip-dump-date',
        '--no-tablespaces',
        '--max-allowed-packet=64M',
        connection.database,
      ],
      { env: environment(connection), stdio: ['ignore', 'pipe', 'pipe'] },
    )
    const done = ended(child, 'The backup')
    const gzip = createGzip({ level: 1 })
    gzip.write(`${MARK}\n`)
    await Promise.all([pipeline(child.stdout, gzip, createWriteStream(part, { mode: 0o600 })), done])
    // on disk before it has its name
    const handle = openSync(part, 'r')
    fsyncSync(handle)
    closeSync(handle)
    renameSync(part, file)
  } catch (error) {
    rmSync(part, { force: true })
    throw error.code === 'ENOSPC' ? new Error('The disk is full: nothing was written.') : error
  }
}

/** Whether a database holds anybody yet. */
export async function isInUse(connection) {
  const { code, output } = await run(
    'mariadb',
    [...options(connection), '-N', '-e', 'SELECT COUNT(*) FROM people', connection.database],
    { env: { MYSQL_PWD: connection.password } },
  )
  return code === 0 && Number(output.trim()) > 0
}
