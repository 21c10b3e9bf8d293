import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { createServer } from 'node:net'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  openSync,
  closeSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { changeOver } from './change-over.mjs'
import { keepPrivate } from './private-files.mjs'
import { processWith } from './processes.mjs'
import { alive, must, run, wait } from './run.mjs'

const MARIADBD = existsSync('/usr/sbin/mariadbd') ? '/usr/sbin/mariadbd' : 'mariadbd'
/** The one account there is, and the one schema that is its own. */
const USER = 'rudlo'
const SCHEMA = 'rudlo'
/** The log of the database begins anew beyond so many bytes. */
const LARGEST_LOG = 5 * 1024 * 1024
/** How often a database of somebody else's is looked at, and how long a new one may take. */
const WATCH_MS = 300
const START_MS = 60_000

/** A port on loopback that nobody uses now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.on('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}

/**
 * A private MariaDB under a folder: its own files, its own port on loopback, one account that owns one schema and nothing
 * else, with a random password kept at mode 0600. It finds its way whatever is missing: what is known of a database that
 * runs is read from its process, and the account is set up anew at every start. Files that are there are never emptied.
 */
export class PrivateDatabase {
  /**
   * @param {{ more?: string, withParent?: boolean }} options `more`: a pattern of further schemas that are the account's, for
   * tests; `withParent`: it ends with the process that started it, however that ends
   */
  constructor(folder, { more, withParent = false } = {}) {
    this.folder = resolve(folder)
    this.more = more
    this.withParent = withParent
    this.files = join(this.folder, 'files')
    /** Files that are being made. */
    this.part = join(this.folder, 'files.part')
    this.pidFile = join(this.folder, 'mariadbd.pid')
    // of its own: a database that starts takes away what others have in the folder that all share
    this.temporary = join(this.folder, 'tmp')
    this.password = null
    this.port = null
    this.pid = null
    this.child = null
    this.watch = null
    /** Whether it ran already: then it belongs to whoever started it. */
    this.foreign = false
    this.onDeath = null
  }

  /** Starts it, making its files where there are none. */
  async start() {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 })
    this.password = this.#password()
    this.stopping = false
    if (await this.#takeOver()) return this
    changeOver(this.folder)
    await this.#makeFiles()
    try {
      await this.#spawn()
    } catch (error) {
      // system tables that were made halfway, and nobody's data yet: they are put aside and made anew, once
      if (existsSync(join(this.files, SCHEMA)) || this.#setAside) throw error
      this.#setAside = true
      renameSync(this.files, join(this.folder, `unfinished-${Date.now()}`))
      return this.start()
    }
    this.foreign = false
    return this
  }

  #setAside = false

  /** Joins a database that runs, as a guest. @returns whether there is one */
  async join() {
    const found = existsSync(this.folder) && processWith(`--datadir=${this.files}`)
    if (!found) return false
    this.password = this.#password()
    this.port = portOf(found.command)
    if (!this.port || !(await this.answers())) return false
    this.pid = found.pid
    this.foreign = true
    return true
  }

  /** Ends a database of these files, and whatever makes them, that outlived its starter. */
  async endStray() {
    await this.#endAllOf(this.files)
    await this.#endAllOf(this.part)
    rmSync(this.pidFile, { force: true })
  }

  /** Ends everything that works on files: what makes them is a script and the database that it starts. */
  async #endAllOf(files) {
    for (let found = processWith(`--datadir=${files}`); found; found = processWith(`--datadir=${files}`))
      await this.#end(found.pid)
  }

  get connection() {
    return { host: '127.0.0.1', port: this.port, username: USER, password: this.password, database: SCHEMA }
  }

  /** The connection as the server and the command line read it from their environment. */
  get environment() {
    const { host, port, username, password, database } = this.connection
    return {
      RUDLO_DB_HOST: host,
      RUDLO_DB_PORT: String(port),
      RUDLO_DB_USER: username,
      RUDLO_DB_PASSWORD: password,
      RUDLO_DB_NAME: database,
      RUDLO_DISK: this.folder,
    }
  }

  /** Ends it cleanly and waits until it is gone. */
  async stop() {
    this.stopping = true
    clearInterval(this.watch)
    if (!this.pid) return
    await this.#end(this.pid)
    rmSync(this.pidFile, { force: true })
    this.pid = null
  }

  /** Kills it as a power cut would: for tests. */
  async kill() {
    const { pid, child } = this
    this.stopping = true
    clearInterval(this.watch)
    process.kill(pid, 'SIGKILL')
    for (let i = 0; i < 200 && alive(pid) && !child?.exited; i++) await wait(20)
    this.pid = null
    this.stopping = false
  }

  /** Whether the database answers at this moment. */
  async answers() {
    return (await this.#ask()) === 'yes'
  }

  /** Asks the database something. @returns {Promise<'yes' | 'no' | 'denied'>} whether it answers, and knows us */
  async #ask() {
    const { code, output } = await run(
      'mariadb',
      [
        '--no-defaults',
        '-h127.0.0.1',
        `-P${this.port}`,
        `-u${USER}`,
        '--connect-timeout=2',
        '-e',
        'SELECT 1',
        SCHEMA,
      ],
      { env: { MYSQL_PWD: this.password } },
    )
    if (code === 0) return 'yes'
    return output.includes('Access denied') ? 'denied' : 'no'
  }

  /**
   * Takes over a database of these files that runs already; one that does not know this password (the file was gone, or it is
   * of an earlier version) is ended, so that it can be started anew.
   * @returns {Promise<boolean>} whether there is one
   */
  async #takeOver() {
    const found = processWith(`--datadir=${this.files}`)
    if (!found) return false
    const { pid, command } = found
    this.port = portOf(command)
    // it may be starting just now
    for (let i = 0; i < 40 && alive(pid); i++) {
      const said = this.port ? await this.#ask() : 'denied'
      if (said === 'yes') {
        this.pid = pid
        this.foreign = true
        this.#watchOver(pid)
        return true
      }
      if (said === 'denied') break
      await wait(100)
    }
    if (alive(pid)) await this.#end(pid)
    rmSync(this.pidFile, { force: true })
    return false
  }

  /** A process that is not our child says nothing when it ends. */
  #watchOver(pid) {
    clearInterval(this.watch)
    this.watch = setInterval(() => {
      if (alive(pid)) return
      clearInterval(this.watch)
      if (!this.stopping) this.onDeath?.()
    }, WATCH_MS)
    this.watch.unref()
  }

  async #end(pid) {
    const gone = () => !alive(pid) || (this.child?.pid === pid && this.child.exited)
    if (!gone()) process.kill(pid, 'SIGTERM')
    for (let i = 0; i < 300 && !gone(); i++) await wait(50)
    if (gone()) return
    process.kill(pid, 'SIGKILL')
    for (let i = 0; i < 100 && !gone(); i++) await wait(50)
  }

  #password() {
    const file = join(this.folder, 'password')
    const kept = existsSync(file) ? readFileSync(file, 'utf8').trim() : ''
    if (/^[0-9a-f]{48}$/.test(kept)) return kept
    const made = randomBytes(24).toString('hex')
    // whole or not at all: it is read at the next start
    writeFileSync(`${file}.part`, made, { mode: 0o600 })
    renameSync(`${file}.part`, file)
    return made
  }

  /**
   * Makes the files of a database beside where they belong, and puts them there once they are whole. What is there already is
   * left as it is.
   * @throws Error with a sentence where it is damaged
   */
  async #makeFiles() {
    if (existsSync(this.files)) {
      const there = readdirSync(this.files)
      const holds = (name) => there.includes(name)
      // what an installer of the system tables that was killed leaves: no data of anybody
      const isUnfinished = !existsSync(join(this.files, 'mysql/global_priv.frm'))
      if (!isUnfinished) return
      if (holds(SCHEMA))
        throw new Error(
          `The database under ${this.folder} is damaged: its own tables are missing. Move the folder away and restore a backup: npm run restore -- FILE`,
        )
      if (there.length) renameSync(this.files, join(this.folder, `unfinished-${Date.now()}`))
      else rmSync(this.files, { recursive: true })
    }
    const { part } = this
    // of a start that was killed in the middle of this
    await this.#endAllOf(part)
    rmSync(part, { recursive: true, force: true })
    mkdirSync(part, { recursive: true, mode: 0o700 })
    await must(
      'mariadb-install-db',
      [
        '--no-defaults',
        `--datadir=${part}`,
        `--user=${account()}`,
        '--auth-root-authentication-method=normal',
        '--skip-test-db',
      ],
      { env: { TMPDIR: this.#emptyTemporary() } },
    )
    renameSync(part, this.files)
  }

  /** What the database does before it answers anybody: its one account, with this password and these rights alone. */
  #accounts() {
    const who = `'${USER}'@'127.0.0.1'`
    return [
      `CREATE DATABASE IF NOT EXISTS ${SCHEMA} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
      `CREATE USER IF NOT EXISTS ${who} IDENTIFIED BY '${this.password}';`,
      `ALTER USER ${who} IDENTIFIED BY '${this.password}';`,
      `REVOKE ALL PRIVILEGES, GRANT OPTION FROM ${who};`,
      `GRANT ALL PRIVILEGES ON ${SCHEMA}.* TO ${who};`,
      ...(this.more ? [`GRANT ALL PRIVILEGES ON \`${this.more}\`.* TO ${who};`] : []),
      `DELETE FROM mysql.global_priv WHERE NOT (User='mariadb.sys' OR (User='${USER}' AND Host='127.0.0.1'));`,
      'FLUSH PRIVILEGES;',
    ]
  }

  async #spawn() {
    this.port = this.port || (await freePort())
    const socket = join(tmpdir(), `rudlo-${randomBytes(6).toString('hex')}.sock`)
    const init = join(this.folder, 'init.sql')
    rmSync(init, { force: true })
    writeFileSync(init, this.#accounts().join('\n') + '\n', { mode: 0o600 })
    keepPrivate(this.folder)
    const log = this.#log()
    const [program, ...before] = this.withParent ? ['setpriv', '--pdeathsig', 'KILL', MARIADBD] : [MARIADBD]
    const child = spawn(
      program,
      [
        ...before,
        '--no-defaults',
        `--datadir=${this.files}`,
        `--user=${account()}`,
        `--socket=${socket}`,
        `--pid-file=${this.pidFile}`,
        `--tmpdir=${this.#emptyTemporary()}`,
        `--port=${this.port}`,
        `--init-file=${init}`,
        '--bind-address=127.0.0.1',
        '--skip-name-resolve',
        '--local-infile=0',
        '--innodb-flush-log-at-trx-commit=1',
        '--innodb-buffer-pool-size=128M',
        '--innodb-log-file-size=64M',
        '--innodb-lock-wait-timeout=10',
        '--max-allowed-packet=64M',
        '--character-set-server=utf8mb4',
        '--collation-server=utf8mb4_unicode_ci',
        '--performance-schema=OFF',
      ],
      {
        detached: !this.withParent,
        stdio: ['ignore', log, log],
        env: { ...process.env, UMASK: '0600', UMASK_DIR: '0700' },
      },
    )
    closeSync(log)
    child.unref()
    this.child = child
    child.on('exit', () => {
      child.exited = true
      rmSync(socket, { force: true })
      if (!this.stopping && this.child === child) this.onDeath?.()
    })
    this.pid = child.pid
    const begun = Date.now()
    while (Date.now() - begun < START_MS) {
      if (child.exited) {
        this.pid = null
        throw new Error(
          `The database did not start: ${join(this.folder, 'mariadbd.log')} says why. Where its files are damaged, restore a backup: npm run restore -- FILE --over`,
        )
      }
      if (await this.answers()) {
        rmSync(init, { force: true })
        if (existsSync(this.pidFile)) chmodSync(this.pidFile, 0o600)
        return
      }
      await wait(50)
    }
    throw new Error(`The database did not answer: see ${join(this.folder, 'mariadbd.log')}`)
  }

  /** The folder for its tables of the moment, with nothing of an earlier run in it. */
  #emptyTemporary() {
    rmSync(this.temporary, { recursive: true, force: true })
    mkdirSync(this.temporary, { recursive: true, mode: 0o700 })
    return this.temporary
  }

  /** The log of the database; a long one is put aside once. */
  #log() {
    const file = join(this.folder, 'mariadbd.log')
    if (existsSync(file) && statSync(file).size > LARGEST_LOG) renameSync(file, `${file}.1`)
    return openSync(file, 'a', 0o600)
  }
}

/** The port on a database's command line; null where none stands there. */
const portOf = (command) =>
  Number(command.find((word) => word.startsWith('--port='))?.slice('--port='.length)) || null

/** The account of this machine under which the database runs. */
const account = () => (process.getuid?.() === 0 ? 'root' : (process.env.USER ?? 'nobody'))
