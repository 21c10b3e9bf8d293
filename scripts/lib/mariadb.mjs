import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { createServer } from 'node:net'
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { alive, must, run, wait } from './run.mjs'

const MARIADBD = existsSync('/usr/sbin/mariadbd') ? '/usr/sbin/mariadbd' : 'mariadbd'

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
 * A private MariaDB under a folder: its own files, its own port on loopback, one account with a random
 * password kept at mode 0600. Survives stale pid and socket files and takes over an instance of the same
 * folder that outlived its parent.
 */
export class PrivateDatabase {
  constructor(folder) {
    this.folder = folder
    this.files = join(folder, 'files')
    this.pidFile = join(folder, 'mariadbd.pid')
    this.stateFile = join(folder, 'instance.json')
    this.password = null
    this.port = null
    this.pid = null
    this.child = null
    /** Whether it ran already: then it belongs to whoever started it. */
    this.foreign = false
  }

  /** Starts it, making its files where there are none. */
  async start() {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 })
    this.password = this.#password()
    if (await this.#takeOver()) {
      this.foreign = true
      return this
    }
    const fresh = !existsSync(join(this.files, 'ready'))
    if (fresh) await this.#install()
    await this.#spawn(fresh)
    return this
  }

  get connection() {
    return {
      host: '127.0.0.1',
      port: this.port,
      username: 'root',
      password: this.password,
      database: 'rudlo',
    }
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
    if (!this.pid) return
    const pid = this.pid
    this.stopping = true
    if (alive(pid)) process.kill(pid, 'SIGTERM')
    for (let i = 0; i < 300 && alive(pid) && !this.child?.exited; i++) await wait(50)
    if (alive(pid) && !this.child?.exited) process.kill(pid, 'SIGKILL')
    rmSync(this.pidFile, { force: true })
    this.pid = null
  }

  /** Kills it as a power cut would: for tests. */
  async kill() {
    const { pid, child } = this
    this.stopping = true
    process.kill(pid, 'SIGKILL')
    for (let i = 0; i < 200 && alive(pid) && !child?.exited; i++) await wait(20)
    this.pid = null
    this.stopping = false
  }

  #password() {
    const file = join(this.folder, 'password')
    if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600 })
    return readFileSync(file, 'utf8').trim()
  }

  async #takeOver() {
    if (!existsSync(this.pidFile)) return false
    const pid = Number(readFileSync(this.pidFile, 'utf8'))
    if (alive(pid) && this.#isOurs(pid)) {
      const state = JSON.parse(readFileSync(this.stateFile, 'utf8'))
      this.pid = pid
      this.port = state.port
      if (await this.#answers()) return true
      await this.stop()
    }
    rmSync(this.pidFile, { force: true })
    return false
  }

  #isOurs(pid) {
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(this.files)
    } catch {
      return false
    }
  }

  async #install() {
    rmSync(this.files, { recursive: true, force: true })
    mkdirSync(this.files, { recursive: true, mode: 0o700 })
    await must('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${this.files}`,
      `--user=${process.getuid?.() === 0 ? 'root' : process.env.USER}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
    ])
  }

  async #spawn(fresh) {
    this.port = this.port ?? (await freePort())
    const socket = join(tmpdir(), `rudlo-${randomBytes(6).toString('hex')}.sock`)
    const init = join(this.folder, 'init.sql')
    if (fresh) {
      // one account only, reachable from loopback only
      const sql = [
        "DELETE FROM mysql.global_priv WHERE User='' OR NOT (User='mariadb.sys' OR (User='root' AND Host='127.0.0.1'));",
        'FLUSH PRIVILEGES;',
        `CREATE USER IF NOT EXISTS 'root'@'127.0.0.1' IDENTIFIED BY '${this.password}';`,
        `ALTER USER 'root'@'127.0.0.1' IDENTIFIED BY '${this.password}';`,
        "GRANT ALL PRIVILEGES ON *.* TO 'root'@'127.0.0.1' WITH GRANT OPTION;",
        'CREATE DATABASE IF NOT EXISTS rudlo CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
      ]
      writeFileSync(init, sql.join('\n') + '\n', { mode: 0o600 })
    }
    const log = openSync(join(this.folder, 'mariadbd.log'), 'a')
    const child = spawn(
      MARIADBD,
      [
        '--no-defaults',
        `--datadir=${this.files}`,
        `--user=${process.getuid?.() === 0 ? 'root' : process.env.USER}`,
        `--socket=${socket}`,
        `--pid-file=${this.pidFile}`,
        `--port=${this.port}`,
        '--bind-address=127.0.0.1',
        '--skip-name-resolve',
        '--innodb-flush-log-at-trx-commit=1',
        '--innodb-buffer-pool-size=128M',
        '--innodb-log-file-size=64M',
        '--max-allowed-packet=64M',
        '--character-set-server=utf8mb4',
        '--collation-server=utf8mb4_unicode_ci',
        '--performance-schema=OFF',
        ...(fresh ? [`--init-file=${init}`] : []),
      ],
      { detached: true, stdio: ['ignore', log, log] },
    )
    child.unref()
    this.child = child
    child.on('exit', () => {
      child.exited = true
      rmSync(socket, { force: true })
      if (!this.stopping) this.onDeath?.()
    })
    this.pid = child.pid
    writeFileSync(this.stateFile, JSON.stringify({ port: this.port }), { mode: 0o600 })
    for (let i = 0; i < 600; i++) {
      if (child.exited)
        throw new Error(`The database did not start: see ${join(this.folder, 'mariadbd.log')}`)
      if (await this.#answers()) {
        rmSync(init, { force: true })
        writeFileSync(join(this.files, 'ready'), '')
        return
      }
      await wait(50)
    }
    throw new Error('The database did not answer within 30 seconds.')
  }

  async #answers() {
    const { code } = await run(
      'mariadb',
      [
        '--no-defaults',
        '-h127.0.0.1',
        `-P${this.port}`,
        '-uroot',
        '--connect-timeout=2',
        '-e',
        'SELECT 1',
        'rudlo',
      ],
      { env: { MYSQL_PWD: this.password } },
    )
    return code === 0
  }
}
