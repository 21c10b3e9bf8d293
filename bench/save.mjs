import { Agent, createServer } from 'node:http'
import { Installation } from '../scripts/lib/installation.mjs'
import { fill, save } from './class-room.mjs'
import { entry } from './entry.mjs'
import { watchForQuiet } from './quiet-seconds.mjs'

const STUDENTS = 300
/** Students whose benches listen for what happens. */
const LINES = 60
const MINUTE = 60
/** The first rounds warm the server up, as the first minutes of a lesson do, in seconds. */
const WARM = 10
/** A server that answers at once and does nothing, for comparison, is asked so many seconds. */
const BARE_SECONDS = 15

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)))
const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0

/** A bench that listens. */
async function listen(address, { token }) {
  const answer = await fetch(`${address}/api/happenings/live`, {
    headers: { cookie: `rudlo_session=${token}` },
  })
  const reader = answer.body.getReader()
  void (async () => {
    while (!(await reader.read().catch(() => ({ done: true }))).done);
  })()
  return () => reader.cancel()
}

/**
 * Everybody saves once a second, evenly.
 * @returns times in ms, in order; those of seconds in which the host left the machine alone; how many saves failed
 */
async function saveFor(seconds, port, people, eachMinute = async () => undefined) {
  // in turn: a connection that nobody uses for seconds is closed by the server just as it is taken up
  const agent = new Agent({ keepAlive: true, maxSockets: people.length, scheduling: 'fifo' })
  const times = []
  const watch = watchForQuiet()
  let failed = 0
  const begin = performance.now()
  let minutes = 0
  const timer = setInterval(() => void eachMinute(++minutes), MINUTE * 1000)
  await Promise.all(
    people.map(async (student, i) => {
      for (let n = 0; n < seconds; n++) {
        await wait(begin + (n + i / people.length) * 1000 - performance.now())
        const asked = performance.now()
        await save(port, agent, student, n).then(
          (took) => n >= WARM && times.push({ asked, took }),
          () => failed++,
        )
      }
    }),
  )
  clearInterval(timer)
  agent.destroy()
  const perSecond = (seconds * people.length) / ((performance.now() - begin) / 1000)
  // the last second is looked at when it is over
  await wait(1000)
  watch.end()
  const ordered = (list) => list.map(({ took }) => took).sort((a, b) => a - b)
  return {
    times: ordered(times),
    quietly: ordered(times.filter(({ asked }) => watch.quiet(asked))),
    failed,
    perSecond,
  }
}

/** The same asked of a server of this process that reads, answers and does nothing else: what this machine can do. */
async function bareServer(people) {
  const server = createServer((request, response) => {
    let text = ''
    request.on('data', (part) => (text += part))
    request.on('end', () => response.end(JSON.stringify({ revision: JSON.parse(text).revision + 1 })))
  })
  await new Promise((resolve) => server.listen(0, resolve))
  try {
    return await saveFor(BARE_SECONDS, server.address().port, people)
  } finally {
    server.closeAllConnections()
    server.close()
  }
}

/**
 * A crowd that saves: how fast, and what the server holds in memory.
 * @param group name of the group of figures
 * @param seconds how long
 * @param settled after so many minutes memory is to stay where it is
 */
async function crowd(group, seconds, settled) {
  const installation = await new Installation(false, { gc: true }).start()
  const ends = []
  try {
    const { people, bytes } = await fill(installation.database.connection, STUDENTS)
    for (const student of people.slice(0, LINES)) ends.push(await listen(installation.address, student))
    let then = null
    const heap = async () => {
      const { memory } = await installation.signs()
      return (memory.heapUsed + memory.arrayBuffers) / 1e6
    }
    const { times, quietly, failed, perSecond } = await saveFor(
      seconds,
      installation.port,
      people,
      async (minute) => {
        if (minute === settled) then = await heap()
      },
    )
    then ??= await heap()
    const now = await heap()
    const bare = await bareServer(people.map((student) => ({ ...student })))
    const what = `${STUDENTS} students at one a second, ${Math.round(bytes / 1024)} KB mixes, ${LINES} listening, ${seconds} s`
    return [
      entry(group, `${what}: 99th percentile`, at(times, 0.99), 'ms', '< 20'),
      entry(
        group,
        'the same: seconds in which nobody else had the machine',
        quietly.length / STUDENTS,
        's',
        '',
      ),
      // of no such second nothing can be said
      ...(quietly.length
        ? [entry(group, 'the same, in those seconds: 99th percentile', at(quietly, 0.99), 'ms', '< 20')]
        : []),
      entry(group, 'the same: median', at(times, 0.5), 'ms', ''),
      entry(
        group,
        'the same, of a server that does nothing: 99th percentile',
        at(bare.times, 0.99),
        'ms',
        '',
      ),
      entry(group, 'the same: saves a second', perSecond, '', `>= ${STUDENTS * 0.98}`),
      entry(group, 'the same: saves that failed', failed, '', '<= 0'),
      entry(group, `the same: memory at the end, of that after ${settled} min`, now / then, '', '< 1.2'),
    ]
  } finally {
    for (const end of ends) void end()
    await installation.stop()
  }
}

/** RUDLO_SECONDS says how long; ten minutes are 600. */
export const saving = () => crowd('save', Number(process.env.RUDLO_SECONDS ?? 60), 1)

/** A school day in the small. */
export const anHour = () => crowd('hour', Number(process.env.RUDLO_SECONDS ?? 3600), 10)
