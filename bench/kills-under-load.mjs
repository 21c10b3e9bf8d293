import { Agent } from 'node:http'
import { Installation } from '../scripts/lib/installation.mjs'
import { ask, fill, holds, save } from './class-room.mjs'

const STUDENTS = 30
/** So long a server may take to answer again after its database was killed, in ms. */
const PATIENCE_MS = 20_000

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** The work of a student as the server has it now. */
async function workOf(port, agent, student) {
  const until = Date.now() + PATIENCE_MS
  for (;;) {
    const answer = await ask(port, agent, student, 'GET', `/api/works/${student.work}`).catch(() => null)
    if (answer?.status === 200) return JSON.parse(answer.text)
    if (Date.now() > until) throw new Error(`No work after a kill: ${answer?.text ?? 'nobody answers'}`)
    await wait(50)
  }
}

/**
 * Server and database killed in turn by chance, at random moments while a class saves: what was acknowledged has to be there,
 * by its number and by what was in it.
 */
export async function killsUnderLoad(random, kills) {
  const installation = await new Installation(false).start()
  const { database } = installation
  const agent = new Agent({ keepAlive: true, maxSockets: STUDENTS })
  let [acknowledged, lost, servers] = [0, 0, 0]
  try {
    const { people } = await fill(database.connection, STUDENTS)
    for (let kill = 0; kill < kills; kill++) {
      let on = true
      const saving = people.map(async (student) => {
        for (let n = 0; on; n++) {
          const took = await save(installation.port, agent, student, kill * 50 + n).catch(() => null)
          if (took === null) return
          acknowledged++
        }
      })
      await wait(100 + random() * 500)
      const isServer = random() < 0.5
      if (isServer) servers++
      await (isServer ? installation.killServer() : database.kill())
      on = false
      await Promise.all(saving)
      await (isServer ? installation.startServer() : database.start())
      for (const student of people) {
        const work = await workOf(installation.port, agent, student)
        if (!holds(work, student)) lost++
        // an answer may have been lost on its way, never the save
        student.revision = work.revision
      }
    }
    return { students: STUDENTS, kills, servers, acknowledged, lost }
  } finally {
    agent.destroy()
    await installation.stop()
  }
}
