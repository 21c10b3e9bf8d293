import { Agent, request } from 'node:http'
import { ask } from '../class-room.mjs'

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
/** So soon a browser opens a lost line again, in ms. */
const AGAIN_MS = 1000

/** Pages that listen as browsers do: a lost line is opened again from what was heard last, and nothing is told twice. */
export class Pages {
  #pages
  #on = true

  constructor(port, people) {
    this.port = port
    this.#pages = people.map((person) => ({ person, ids: new Set(), last: null, places: [] }))
  }

  async open() {
    for (const page of this.#pages) {
      const { newest } = JSON.parse(
        (await ask(this.port, undefined, page.person, 'GET', '/api/happenings')).text,
      )
      page.last = Number(newest)
      void this.#stay(page)
    }
    await wait(1500)
  }

  async #stay(page) {
    while (this.#on) {
      await this.#line(page).catch(() => undefined)
      await wait(AGAIN_MS)
    }
  }

  #line(page) {
    return new Promise((resolve, reject) => {
      const sent = request(
        {
          port: this.port,
          path: `/api/happenings/live?after=${page.last}`,
          headers: { cookie: `rudlo_session=${page.person.token}` },
        },
        (answer) => {
          let text = ''
          answer.setEncoding('utf8')
          answer.on('data', (part) => {
            text += part
            for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
              this.#hear(page, text.slice(0, end))
              text = text.slice(end + 2)
            }
          })
          answer.on('end', resolve)
          answer.on('error', reject)
        },
      )
      sent.on('error', reject)
      sent.end()
      page.close = () => sent.destroy()
    })
  }

  #hear(page, message) {
    const data = /^data: ?(.*)$/m.exec(message)?.[1]
    if (!data?.startsWith('{')) return
    const { id, kind, data: said } = JSON.parse(data)
    if (kind !== 'point' || page.ids.has(id)) return
    page.ids.add(id)
    page.last = Math.max(page.last, Number(id))
    page.places.push(said.from)
  }

  /** @param pointed places that were acknowledged to whoever pointed */
  compare(pointed) {
    this.#on = false
    let [missed, twice, disordered, heard] = [0, 0, 0, 0]
    for (const { places, close } of this.#pages) {
      close?.()
      const set = new Set(places)
      heard += places.length
      twice += places.length - set.size
      missed += pointed.filter((place) => !set.has(place)).length
      disordered += places.filter((place, i) => i > 0 && place < places[i - 1]).length
    }
    return { missed, twice, disordered, heard }
  }
}

/** A teacher who points at one place after the other. @returns ends that, with the places that were acknowledged */
export function pointAt(port, teacher, assignment, everyMs) {
  const agent = new Agent({ keepAlive: true })
  const pointed = []
  let on = true
  const done = (async () => {
    for (let n = 0; on; n++) {
      const from = n * 480
      const body = JSON.stringify({ from, to: from + 480 })
      const path = `/api/assignments/${assignment}/point`
      const answer = await ask(port, agent, teacher, 'POST', path, body).catch(() => null)
      if (answer && answer.status < 300) pointed.push(from)
      await wait(everyMs)
    }
  })()
  return {
    async end() {
      on = false
      await done
      return pointed
    },
  }
}
