import { spawn } from 'node:child_process'
import { chmodSync, closeSync, mkdirSync, openSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import mysql from 'mysql2/promise'
import { freePort } from '../../scripts/lib/mariadb.mjs'
import { must, run } from '../../scripts/lib/run.mjs'
import { endProcess } from '../../scripts/lib/server-process.mjs'

const PROVIDER = '/usr/lib/galera/libgalera_smm.so'
const START_MS = 90_000
/** A node does not run as root: what it sends its whole state with would not be let into its folder. */
const ACCOUNT_OF_MACHINE = process.getuid?.() === 0 ? 'mysql' : null
const AS = ACCOUNT_OF_MACHINE ? [`--user=${ACCOUNT_OF_MACHINE}`] : []
export const ACCOUNT = { user: 'rudlo', password: 'cluster', database: 'rudlo' }

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** One node of a cluster of databases on this machine, which can be killed and come back. */
export class Node {
  #child = null
  #socket

  /** @param {string} folder @param {{ sql: number, group: number, state: number, moved: number }} ports */
  constructor(name, folder, ports) {
    this.name = name
    this.folder = folder
    this.ports = ports
    this.#socket = join(tmpdir(), `rudlo-${name}-${process.pid}.sock`)
    mkdirSync(folder, { recursive: true })
  }

  static async make(name, folder) {
    const [sql, group, state, moved] = [
      await freePort(),
      await freePort(),
      await freePort(),
      await freePort(),
    ]
    const node = new Node(name, join(folder, name), { sql, group, state, moved })
    if (ACCOUNT_OF_MACHINE) {
      chmodSync(folder, 0o711)
      await must('chown', [ACCOUNT_OF_MACHINE, node.folder])
    }
    await must('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${node.files}`,
      ...AS,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
    ])
    return node
  }

  get files() {
    return join(this.folder, 'files')
  }
  get address() {
    return `127.0.0.1:${this.ports.group}`
  }

  /** Its own settings: what a district writes into a node's file is these. */
  #settings(addresses) {
    const { sql, group, state, moved } = this.ports
    return [
      '--no-defaults',
      ...AS,
      `--datadir=${this.files}`,
      `--socket=${this.#socket}`,
      `--port=${sql}`,
      '--bind-address=127.0.0.1',
      '--skip-name-resolve',
      '--max-allowed-packet=64M',
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_unicode_ci',
      '--innodb-buffer-pool-size=128M',
      '--innodb-autoinc-lock-mode=2',
      // a disk that keeps nothing is the other nodes' to make good; here one machine is all of them
      '--innodb-flush-log-at-trx-commit=1',
      '--binlog-format=ROW',
      '--wsrep-on=ON',
      `--wsrep-provider=${PROVIDER}`,
      `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${group};ist.recv_addr=127.0.0.1:${moved};gcache.size=128M;evs.suspect_timeout=PT1.5S;evs.inactive_timeout=PT3S;evs.keepalive_period=PT0.5S`,
      `--wsrep-cluster-address=gcomm://${addresses.join()}`,
      '--wsrep-cluster-name=rudlo',
      `--wsrep-node-name=${this.name}`,
      `--wsrep-node-address=127.0.0.1:${group}`,
      `--wsrep-sst-receive-address=127.0.0.1:${state}`,
      '--wsrep-sst-method=rsync',
      // whoever asks another server than before still finds what was acknowledged to them
      '--wsrep-sync-wait=7',
    ]
  }

  /** Starts it, as the first of a cluster or beside others, and waits until it serves. */
  async start(addresses, { first = false } = {}) {
    const settings = this.#settings(first ? [] : addresses)
    const accounts = join(this.folder, 'accounts.sql')
    const { user, password, database } = ACCOUNT
    writeFileSync(
      accounts,
      [
        `CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
        `CREATE USER IF NOT EXISTS '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
        `GRANT ALL PRIVILEGES ON *.* TO '${user}'@'127.0.0.1';`,
      ].join('\n'),
    )
    // where it stood when it was killed: then only what it missed is sent to it
    const from = first ? [] : await this.#position(settings)
    const log = openSync(join(this.folder, 'node.log'), 'a')
    const child = spawn(
      'mariadbd',
      [...settings, ...from, ...(first ? ['--wsrep-new-cluster', `--init-file=${accounts}`] : [])],
      { stdio: ['ignore', log, log] },
    )
    closeSync(log)
    this.#child = child
    for (const begun = Date.now(); Date.now() - begun < START_MS; await wait(100)) {
      if (child.exitCode !== null) break
      if (await this.isSynced()) return
    }
    throw new Error(`The node ${this.name} did not start: see ${this.folder}/node.log`)
  }

  async #position(settings) {
    const { output } = await run('mariadbd', [...settings, '--wsrep-recover'])
    const found = /Recovered position:\s*([0-9a-f-]{36}:-?\d+)/.exec(output)?.[1]
    return found && !found.startsWith('00000000') ? [`--wsrep-start-position=${found}`] : []
  }

  connect() {
    return mysql.createConnection({
      host: '127.0.0.1',
      port: this.ports.sql,
      connectTimeout: 2000,
      ...ACCOUNT,
    })
  }

  async isSynced() {
    let db
    try {
      db = await this.connect()
      const [[row]] = await db.query("SHOW STATUS LIKE 'wsrep_local_state_comment'")
      return row?.Value === 'Synced'
    } catch {
      return false
    } finally {
      await db?.end().catch(() => undefined)
    }
  }

  /** Ends it as a power cut would. */
  async kill() {
    const child = this.#child
    this.#child = null
    await endProcess(child, 'SIGKILL')
  }
}
