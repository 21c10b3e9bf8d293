import { Agent } from 'node:http'
import { Installation } from '../scripts/lib/installation.mjs'
import { fill, save } from './class-room.mjs'
import { entry } from './entry.mjs'

const STUDENTS = 100
const SECONDS = 20

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)))

/** 100 students who save a patch to a 50 KB mix every second, validation on. */
export async function saving() {
  const installation = await new Installation(false).start()
  try {
    const { people, bytes } = await fill(installation.database.connection, STUDENTS)
    const agent = new Agent({ keepAlive: true, maxSockets: STUDENTS })
    const times = []
    const begin = performance.now()
    await Promise.all(
      people.map(async (student, i) => {
        for (let n = 0; n < SECONDS; n++) {
          await wait(begin + (n + i / STUDENTS) * 1000 - performance.now())
          const took = await save(installation.port, agent, student, n)
          // the first rounds warm the server up, as the first minutes of a lesson do
          if (n >= 3) times.push(took)
        }
      }),
    )
    agent.destroy()
    times.sort((a, b) => a - b)
    const at = (share) => times[Math.min(times.length - 1, Math.floor(times.length * share))]
    const size = `${Math.round(bytes / 1024)} KB mixes`
    return [
      entry('save', `${STUDENTS} students at one a second, ${size}: 99th percentile`, at(0.99), 'ms', '< 50'),
      entry('save', `${STUDENTS} students at one a second, ${size}: median`, at(0.5), 'ms', ''),
    ]
  } finally {
    await installation.stop()
  }
}
