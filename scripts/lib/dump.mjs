import { spawn } from 'node:child_process'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  openSync,
  fsyncSync,
  closeSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { run } from './run.mjs'

/** The last line of every whole dump: a file without it was cut off. */
const END = '-- Dump completed'
/** The first line of a backup, before the tables. */
export const MARK = '-- rudlo backup 1'

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

/** Reads a backup through once: whether it is one, and whole. @throws Error with a sentence */
export async function checkDump(file) {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`)
  let start = ''
  let tail = ''
  const look = new Transform({
    transform(part, _, next) {
      if (start.length < MARK.length) start += part.toString('latin1').slice(0, 64)
      tail = (tail + part.toString('latin1')).slice(-200)
      next()
    },
  })
  look.resume()
  try {
    await pipeline(createReadStream(file), createGunzip(), look)
  } catch {
    throw new Error('This backup is damaged or cut off.')
  }
  if (!start.startsWith(MARK)) throw new Error('This is no backup of Rudlo.')
  if (!tail.includes(END)) throw new Error('This backup is damaged or cut off.')
}

/** Puts a backup into a database. What was in it is replaced. */
export async function load(connection, file) {
  await checkDump(file)
  const child = spawn('mariadb', [...options(connection), '--max-allowed-packet=64M', connection.database], {
    env: environment(connection),
    stdio: ['pipe', 'ignore', 'pipe'],
  })
  const done = ended(child, 'The restore')
  await Promise.all([pipeline(createReadStream(file), createGunzip(), child.stdin), done])
}
