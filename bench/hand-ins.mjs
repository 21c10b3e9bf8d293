import { Agent, request } from 'node:http'
import mysql from 'mysql2/promise'
import { Installation } from '../scripts/lib/installation.mjs'
import { seededFolder } from '../scripts/lib/seed.mjs'
import { fill, join, save } from './class-room.mjs'
import { entry } from './entry.mjs'

const SAVING = 100
const HANDING_IN = 60
const WAIT_MS = 120_000

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** Hands a work in. @returns whether it was taken, and how long that took in ms */
function handIn(port, agent, student) {
  return new Promise((resolve) => {
    const began = performance.now()
    const body = JSON.stringify({ revision: student.revision })
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      cookie: `rudlo_session=${student.token}`,
    }
    const sent = request(
      { port, agent, method: 'POST', path: `/api/works/${student.work}/hand-ins`, headers },
      (answer) => {
        answer.resume()
        answer.on('end', () => resolve({ taken: answer.statusCode === 200, ms: performance.now() - began }))
      },
    )
    sent.on('error', () => resolve({ taken: false, ms: performance.now() - began }))
    sent.end(body)
  })
}

/** Waits until nothing is left to measure. @returns how many were measured */
async function measured(db, count) {
  const until = Date.now() + WAIT_MS
  for (;;) {
    const [[{ n }]] = await db.query('SELECT COUNT(*) AS n FROM hand_ins WHERE measurement IS NOT NULL')
    if (n >= count || Date.now() > until) return n
    await wait(200)
  }
}

/** Saves once a second, for everybody, until it is ended. @returns ends it, with times in ms in order and how many failed */
function keepSaving(port, agent, people) {
  let on = true
  const times = []
  let failed = 0
  const done = Promise.all(
    people.map(async (student, i) => {
      await wait((i / people.length) * 1000)
      for (let n = 0; on; n++) {
        const began = performance.now()
        await save(port, agent, student, n).then(
          (ms) => times.push(ms),
          () => failed++,
        )
        await wait(1000 - (performance.now() - began))
      }
    }),
  )
  return {
    begin: () => times.splice(0),
    async end() {
      on = false
      await done
      return { times: times.toSorted((a, b) => a - b), failed }
    },
  }
}

const TITLE = 'Make room for the tune'
const COLD = 30

/**
 * A class that hands in at the end of a lesson, on a server that has read none of its recordings yet, while another class goes
 * on saving.
 */
export async function handingInCold() {
  const installation = await new Installation(true, { from: await seededFolder() }).start()
  const { port, database } = installation
  const { host, port: dbPort, username: user, password, database: name } = database.connection
  const agent = new Agent({ keepAlive: true, maxSockets: 400, scheduling: 'fifo' })
  const db = await mysql.createConnection({ host, port: dbPort, user, password, database: name })
  try {
    const crowd = await join(database.connection, TITLE, 'squeezebox', COLD)
    const { people } = await fill(database.connection, SAVING)
    const saving = keepSaving(port, agent, people)
    // the server has run for a while; of this song it has read nothing
    await wait(30_000)
    saving.begin()
    const [[{ before }]] = await db.query(
      'SELECT COUNT(*) AS `before` FROM hand_ins WHERE measurement IS NOT NULL',
    )
    const began = performance.now()
    const taken = await Promise.all(crowd.map((student) => handIn(port, agent, student)))
    const all = (await measured(db, before + COLD)) - before
    const seconds = (performance.now() - began) / 1000
    const { times, failed } = await saving.end()
    const what = `${COLD} hand-ins of one song at once, nothing of it read, while ${SAVING} save`
    return [
      entry('hand-ins', `${what}: taken`, taken.filter((t) => t.taken).length, '', `>= ${COLD}`),
      entry('hand-ins', 'the same: measured', all, '', `>= ${COLD}`),
      entry('hand-ins', 'the same: until the last was measured', seconds, 's', '< 8'),
      entry(
        'hand-ins',
        'the same: saves, 99th percentile',
        times[Math.floor(times.length * 0.99)],
        'ms',
        '< 50',
      ),
      entry('hand-ins', 'the same: saves that failed', failed, '', '<= 0'),
    ]
  } finally {
    agent.destroy()
    await db.end()
    await installation.stop()
  }
}

/** Sixty hand-ins at once while a hundred save; thirty on an idle server whose database stands still for a second. */
export async function handingIn() {
  const installation = await new Installation(false).start()
  const { port, database } = installation
  const { host, port: dbPort, username: user, password, database: name } = database.connection
  const agent = new Agent({ keepAlive: true, maxSockets: 400 })
  const db = await mysql.createConnection({ host, port: dbPort, user, password, database: name })
  try {
    const { people } = await fill(database.connection, SAVING + HANDING_IN + 30)
    const crowd = people.slice(0, HANDING_IN)
    const others = people.slice(HANDING_IN, HANDING_IN + 30)
    const busy = people.slice(HANDING_IN + 30)
    // each has a mix of their own
    for (const [i, student] of [...crowd, ...others].entries()) await save(port, agent, student, i)

    const saving = keepSaving(port, agent, busy)
    await wait(4000)
    const began = performance.now()
    const taken = await Promise.all(crowd.map((student) => handIn(port, agent, student)))
    const all = await measured(db, HANDING_IN)
    const seconds = (performance.now() - began) / 1000
    await wait(11_000 - (performance.now() - began))
    const { times: saves, failed } = await saving.end()

    // a database that stands still for a moment, as a disk does
    const paused = others.map((student) => handIn(port, agent, student))
    await wait(20)
    process.kill(database.pid, 'SIGSTOP')
    await wait(1000)
    process.kill(database.pid, 'SIGCONT')
    const afterwards = await Promise.all(paused)
    const health = (await fetch(`http://localhost:${port}/api/health`)).status
    const both = await measured(db, HANDING_IN + afterwards.filter((h) => h.taken).length)

    const times = taken.map((t) => t.ms).sort((a, b) => a - b)
    const at = (list, share) => list[Math.min(list.length - 1, Math.floor(list.length * share))]
    const what = `${HANDING_IN} hand-ins at once while ${SAVING} save`
    return [
      entry('hand-ins', `${what}: taken`, taken.filter((t) => t.taken).length, '', `>= ${HANDING_IN}`),
      entry('hand-ins', 'the same: slowest answer', times.at(-1), 'ms', '< 5000'),
      entry('hand-ins', 'the same: measured', all, '', `>= ${HANDING_IN}`),
      entry('hand-ins', 'the same: until the last was measured', seconds, 's', ''),
      entry('hand-ins', 'the same: saves that failed', failed, '', '<= 0'),
      entry('hand-ins', 'the same: saves, 99th percentile', at(saves, 0.99), 'ms', ''),
      entry(
        'hand-ins',
        '30 while the database stands still for a second: taken',
        afterwards.filter((h) => h.taken).length,
        '',
        '>= 30',
      ),
      entry('hand-ins', 'the same: measured, with those before', both, '', `>= ${HANDING_IN + 30}`),
      entry('hand-ins', 'the same: health afterwards', health, '', '<= 200'),
    ]
  } finally {
    agent.destroy()
    await db.end()
    await installation.stop()
  }
}
