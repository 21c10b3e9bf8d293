import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, PrivateDatabase } from './mariadb.mjs'
import { WEB_DIST } from './paths.mjs'
import { endProcess, startServer } from './server-process.mjs'

/** A whole installation with a database of its own, for tests, benches and pictures. It can be killed and started again. */
export class Installation {
  #server = null
  #folder
  database
  port = 0
  /** The one-time code of an empty installation. */
  code = null

  /**
   * @param {{ gc?: boolean, from?: string, folder?: string, classes?: number, pace?: number, rehearse?: boolean }} options `classes`:
   * so many of the demo; `pace`: how many times as fast its songs are played; `gc`: memory is looked at after what is not needed was
   * let go; `from`: a folder that it is a copy of; `folder`: where it is, to be left there when it stops; `rehearse`: whether it
   * rehearses measuring, which stories have no time for
   */
  constructor(demo, { gc = false, from, folder, classes, pace, rehearse = true } = {}) {
    this.demo = demo
    this.classes = classes
    this.pace = pace
    this.rehearse = rehearse
    this.gc = gc
    this.stays = folder !== undefined
    this.#folder = folder ?? mkdtempSync(join(tmpdir(), 'rudlo-'))
    if (from) cpSync(from, this.#folder, { recursive: true })
    this.database = new PrivateDatabase(this.#folder)
  }

  /** How long the server's loop was held since this was last asked, and its memory: see vital-signs.ts. */
  signs() {
    const server = this.#server
    const signs = Math.random()
    return new Promise((resolve) => {
      const listen = (told) => {
        if (told.signs !== signs) return
        server.off('message', listen)
        resolve(told)
      }
      server.on('message', listen)
      server.send({ signs })
    })
  }

  get address() {
    return `http://localhost:${this.port}`
  }

  /** Process id of the server. */
  get pid() {
    return this.#server?.pid
  }

  async start() {
    await this.database.start()
    try {
      this.port = await freePort()
      await this.startServer()
      return this
    } catch (error) {
      // a server that does not come up leaves no database behind
      await this.stop()
      throw error
    }
  }

  /** Starts the server on the same port as before. */
  startServer() {
    const { server, ready } = startServer(
      {
        ...this.database.environment,
        RUDLO_PORT: String(this.port),
        RUDLO_DEMO: this.demo ? '1' : '0',
        RUDLO_REHEARSE: this.rehearse ? '1' : '0',
        ...(this.classes ? { RUDLO_DEMO_CLASSES: String(this.classes) } : {}),
        ...(this.pace ? { RUDLO_DEMO_PACE: String(this.pace) } : {}),
        RUDLO_WEB: WEB_DIST,
        RUDLO_LOG: join(this.#folder, 'server.log'),
        RUDLO_UPLOADS: join(this.#folder, 'uploads'),
      },
      this.gc ? ['--expose-gc'] : [],
    )
    this.#server = server
    return ready.then((told) => void (this.code = told.code ?? null))
  }

  /** Kills the server as a power cut would. */
  killServer() {
    return this.#end('SIGKILL')
  }

  async stop() {
    await this.#end('SIGTERM')
    await this.database.stop()
    if (!this.stays) rmSync(this.#folder, { recursive: true, force: true })
  }

  #end(signal) {
    const server = this.#server
    this.#server = null
    return endProcess(server, signal)
  }
}
