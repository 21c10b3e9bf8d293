import { mkdtempSync, rmSync } from 'node:fs'
import { Agent } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../scripts/lib/mariadb.mjs'
import { needDebian } from '../scripts/lib/provision.mjs'
import { say } from '../scripts/lib/say.mjs'
import { endProcess, startServer } from '../scripts/lib/server-process.mjs'
import { ask, fill, holds, save } from './class-room.mjs'
import { ACCOUNT, Node } from './cluster/galera.mjs'
import { Pages, pointAt } from './cluster/lesson.mjs'
import { startProxy } from './cluster/proxy.mjs'
import { entry } from './entry.mjs'

const STUDENTS = 60
const LISTENING = 20
/** How long the lesson goes on before and after each kill, in ms. */
const CALM_MS = 6000
const AFTER_MS = 14_000
const POINT_MS = 400

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)))

/** A server on a node of its own. */
async function serverOn(node, port, folder, name) {
  const { server, ready } = startServer({
    RUDLO_DB_HOST: '127.0.0.1',
    RUDLO_DB_PORT: String(node.ports.sql),
    RUDLO_DB_USER: ACCOUNT.user,
    RUDLO_DB_PASSWORD: ACCOUNT.password,
    RUDLO_DB_NAME: ACCOUNT.database,
    RUDLO_PORT: String(port),
    RUDLO_DEMO: '0',
    RUDLO_PROXY: '1',
    RUDLO_LOG: join(folder, `${name}.log`),
    RUDLO_UPLOADS: join(folder, 'uploads'),
  })
  await ready
  return { kill: () => endProcess(server, 'SIGKILL') }
}

/** Students who save once a second, try again at once where that fails, and note when they were heard. */
class Crowd {
  acknowledged = 0
  isOn = true
  #done

  constructor(port, people) {
    const agent = new Agent({ keepAlive: true, maxSockets: people.length, scheduling: 'fifo' })
    this.#done = Promise.all(people.map((student, i) => this.#save(port, agent, student, i / people.length)))
    this.people = people
  }

  async #save(port, agent, student, share) {
    student.heard = performance.now()
    student.gap = 0
    await wait(share * 1000)
    for (let n = 0; this.isOn; n++) {
      const begun = performance.now()
      if (await this.#heard(port, agent, student, n)) await wait(1000 - (performance.now() - begun))
      else await wait(100)
    }
  }

  async #heard(port, agent, student, n) {
    try {
      await save(port, agent, student, n)
    } catch {
      // it may have been written and its answer lost: a browser sends the same save again, this one looks
      const found = await ask(port, agent, student, 'GET', `/api/works/${student.work}`).catch(() => null)
      if (found?.status === 200)
        student.revision = Math.max(student.revision, JSON.parse(found.text).revision)
      return false
    }
    this.acknowledged++
    const now = performance.now()
    student.gap = Math.max(student.gap, now - student.heard)
    student.heard = now
    return true
  }

  /** The longest anybody went unheard since this was last asked, in seconds. */
  longest() {
    const gaps = this.people.map((student) => student.gap)
    for (const student of this.people) student.gap = 0
    return Math.max(...gaps) / 1000
  }

  end() {
    this.isOn = false
    return this.#done
  }
}

/** Waits until a server says that it and its database are there. */
async function serves(port) {
  for (const until = Date.now() + 60_000; Date.now() < until; await wait(100)) {
    const answer = await fetch(`http://localhost:${port}/api/health`).catch(() => null)
    if (answer?.ok) return
  }
  throw new Error('A server did not come back with its database.')
}

/** How many students' last acknowledged save is not in their work. */
async function missing(port, people) {
  let lost = 0
  for (const student of people) {
    const { text } = await ask(port, undefined, student, 'GET', `/api/works/${student.work}`)
    if (!holds(JSON.parse(text), student)) lost++
  }
  return lost
}

/** A lesson across two servers and three nodes of a cluster, of which one each is killed in turn. */
export async function cluster() {
  await needDebian('galera-4', 'rsync', 'lsof', 'haproxy')
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-cluster-'))
  const running = []
  try {
    say('three nodes …')
    const nodes = []
    for (const name of ['one', 'two', 'three']) nodes.push(await Node.make(name, folder))
    running.push(...nodes)
    const addresses = nodes.map((node) => node.address)
    await nodes[0].start(addresses, { first: true })
    await nodes[1].start(addresses)
    await nodes[2].start(addresses)
    const ports = [await freePort(), await freePort()]
    // one after the other: the first brings the schema up to date
    const servers = []
    for (const [i, port] of ports.entries())
      servers.push(await serverOn(nodes[i], port, folder, `server-${i}`))
    running.push(...servers)
    const front = await freePort()
    const endProxy = await startProxy(folder, front, ports)
    running.push({ kill: async () => endProxy() })
    const { people, teacher, assignment } = await fill(
      { host: '127.0.0.1', port: nodes[0].ports.sql, username: ACCOUNT.user, ...ACCOUNT },
      STUDENTS,
    )

    say('a lesson …')
    const pages = new Pages(front, people.slice(0, LISTENING))
    await pages.open()
    const crowd = new Crowd(front, people)
    const pointing = pointAt(front, teacher, assignment, POINT_MS)
    await wait(CALM_MS)
    const calm = crowd.longest()
    say('a node is killed …')
    await nodes[0].kill()
    await wait(AFTER_MS)
    const afterNode = crowd.longest()
    const back = performance.now()
    await nodes[0].start(addresses)
    const rejoined = (performance.now() - back) / 1000
    await serves(ports[0])
    const served = (performance.now() - back) / 1000
    await wait(CALM_MS)
    crowd.longest()
    say('a server is killed …')
    await servers[1].kill()
    await wait(AFTER_MS)
    const afterServer = crowd.longest()
    running.push(await serverOn(nodes[1], ports[1], folder, 'server-1'))
    await wait(CALM_MS)
    await crowd.end()
    const pointed = await pointing.end()
    await wait(2000)
    const { missed, twice, disordered, heard } = pages.compare(pointed)
    const lost = await missing(front, people)
    const what = `${STUDENTS} students, 2 servers, 3 nodes`
    return [
      entry('cluster', `${what}: saves acknowledged`, crowd.acknowledged, '', ''),
      entry('cluster', 'the same: acknowledged and not there', lost, '', '<= 0'),
      entry('cluster', 'longest between two saves of one student while all is well', calm, 's', ''),
      entry('cluster', 'the same: while a node is killed, until saving goes on', afterNode, 's', '< 10'),
      entry('cluster', 'the same: while a server is killed, until saving goes on', afterServer, 's', '< 10'),
      entry('cluster', 'until the node that was killed is one of them again', rejoined, 's', ''),
      entry('cluster', 'until the server beside it serves again', served, 's', ''),
      entry('cluster', `places pointed at, heard by ${LISTENING}`, heard, '', ''),
      entry('cluster', 'the same: acknowledged and not heard', missed, '', '<= 0'),
      entry('cluster', 'the same: heard twice', twice, '', '<= 0'),
      entry('cluster', 'the same: heard before one that came first', disordered, '', '<= 0'),
    ]
  } finally {
    for (const one of running.reverse()) await one.kill().catch(() => undefined)
    rmSync(folder, { recursive: true, force: true })
  }
}
