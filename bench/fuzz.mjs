import { Agent, request } from 'node:http'
import { Installation } from '../scripts/lib/installation.mjs'
import { say } from '../scripts/lib/say.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'
import { randomFrom, values } from './fuzz-values.mjs'
import { fuzzReaders } from './fuzz-readers.mjs'

const REQUESTS = Number(process.env.RUDLO_FUZZ ?? 100_000)
const HANDS = 16
const SEED = Number(process.env.RUDLO_SEED ?? 20261128)
const PASSWORD = 'evening-ferry'
/** What takes a core for a while each time is tried less often. */
const SELDOM =
  /password|roster|\/api\/join|first-teacher|\/trial|remeasure|\/measure$|decode|notes|bundle|everything|hand-ins$/
const SELDOM_SHARE = 0.04
/** What would end the fuzzer's own people is done to nobody. */
const ENDS = [
  'DELETE /api/session',
  'DELETE /api/people/:person',
  'DELETE /api/groups/:group/members/:person',
  'POST /api/groups/:group/students/:person/password',
  'POST /api/people/:person/password',
]
/** What signs somebody else in where somebody is: it is tried by nobody. */
const ENTERS = ['POST /api/session', 'POST /api/demo-session', 'POST /api/first-teacher']
const JUNK = [
  'x',
  '%E0%A4%A',
  'gr%C3%BCn',
  '..%2f..',
  '%00',
  '00000000-0000-0000-0000-000000000000',
  'a'.repeat(300),
]

const agent = new Agent({ keepAlive: true, maxSockets: HANDS })

/** How a body that is too long ends: its server takes no more of it. */
const CUT_OFF = ['ECONNRESET', 'EPIPE']
const guarded = new WeakSet()

/** Sends a request. @returns its status, and the answer's first bytes */
function send(port, method, path, headers, body, chunked = false) {
  return new Promise((resolve) => {
    const sent = request({ port, agent, method, path, headers }, (answer) => {
      let text = ''
      const isOpen = answer.headers['content-type']?.startsWith('text/event-stream')
      answer.on('data', (part) => (text += text.length < 400 ? part : ''))
      answer.on('end', () => resolve({ status: answer.statusCode, text, headers: answer.headers }))
      answer.on('error', () =>
        resolve({ status: isOpen ? answer.statusCode : 0, text: 'cut off', headers: {} }),
      )
      // an open line is left open by its server: it has said enough
      if (isOpen) sent.destroy()
    })
    // a connection may break once its request is over
    sent.on('socket', (socket) => {
      if (!guarded.has(socket)) guarded.add(socket.on('error', () => undefined))
    })
    sent.on('error', (error) =>
      resolve({ status: CUT_OFF.includes(error.code) ? -1 : 0, text: error.message, headers: {} }),
    )
    if (chunked && body)
      for (let i = 0; i < body.length; i += 60_000) sent.write(body.subarray(i, i + 60_000))
    sent.end(chunked ? undefined : body)
  })
}

async function signIn(port, signInName) {
  const body = JSON.stringify({ signIn: signInName, password: PASSWORD })
  const { headers } = await send(port, 'POST', '/api/session', { 'content-type': 'application/json' }, body)
  return headers['set-cookie'].map((c) => c.split(';')[0]).join('; ')
}

/** What is there, so that requests are about something. */
async function lookAround(port, cookie) {
  const get = async (path) => {
    const answer = await fetch(`http://localhost:${port}${path}`, { headers: { cookie } })
    return answer.ok ? answer.json() : null
  }
  const ids = {
    assignment: [],
    work: [],
    handIn: [],
    group: [],
    song: [],
    version: [],
    asset: [],
    remark: [],
    person: [],
  }
  const documents = {
    brief: [],
    startingMix: [],
    model: [],
    mix: [],
    rubric: [],
    document: [],
    marks: [{ a: 1 }],
    maps: [[]],
    suggestion: [[]],
  }
  for (const { id } of (await get('/api/assignments')) ?? []) {
    const a = await get(`/api/assignments/${id}`)
    ids.assignment.push(id)
    ids.version.push(a.songVersion)
    ids.asset.push(...a.songDocument.assets.map((x) => x.id))
    documents.brief.push(a.brief)
    for (const key of ['startingMix', 'model', 'mix']) documents[key].push(a.startingMix)
    documents.rubric.push(a.rubric)
    documents.document.push(a.songDocument, { mix: a.startingMix, notes: [] })
    for (const h of (await get(`/api/assignments/${id}/hand-ins`)) ?? []) ids.handIn.push(h.id)
    const work = await fetch(`http://localhost:${port}/api/assignments/${id}/work`, {
      method: 'POST',
      headers: { cookie },
    })
    if (work.ok) ids.work.push((await work.json()).id)
  }
  for (const g of (await get('/api/groups')) ?? []) {
    ids.group.push(g.id)
    ids.person.push(...((await get(`/api/groups/${g.id}`))?.students ?? []).map((s) => s.id))
  }
  for (const s of (await get('/api/songs')) ?? []) ids.song.push(s.song)
  return { ids, documents }
}

/** Requests of everybody over every route, made by somebody who knows their shapes. */
export async function fuzz() {
  const { shapes } = await imported('fuzz-shapes.ts')
  const routes = shapes()
  const installation = await new Installation(true, { gc: true }).start()
  const { port } = installation
  try {
    const cookies = ['', await signIn(port, 'maren'), await signIn(port, 'ines'), await signIn(port, 'tobin')]
    const worlds = await Promise.all(cookies.map((cookie) => lookAround(port, cookie)))
    const random = randomFrom(SEED)
    const makers = worlds.map(({ documents }, i) =>
      values(random, documents, worlds[often(random) ? i : 1].ids),
    )
    const statuses = new Map()
    const bad = []
    let done = 0
    let mostHeld = 0
    let byClock = 0
    const heldBy = []
    let batch = []

    const pick = (list) => list[Math.floor(random() * list.length)]
    const one = async () => {
      let route = pick(routes)
      while (SELDOM.test(route.path) && random() > SELDOM_SHARE) route = pick(routes)
      // mostly by somebody who may
      const may = { teacher: [1], student: [2, 3], 'signed-in': [1, 2, 3], anyone: [0, 1, 2, 3] }[route.who]
      const i = pick(random() < 0.8 ? may : [0, 1, 2, 3])
      const make = makers[i]
      const key = `${route.method} ${route.path}`
      const ends = ENDS.includes(key) || key.startsWith('DELETE /api/sessions')
      const path =
        route.path.replace(/:(\w+)/g, (_, name) => {
          if (ends || random() < 0.1) return make.one(JUNK)
          const own = worlds[random() < 0.8 ? i : 1].ids[name]
          return own?.length
            ? make.one(own)
            : name === 'number'
              ? String(make.below(9))
              : encodeURIComponent(make.anyId())
        }) +
        (random() < 0.2
          ? `?${make.one(['lane', 'after', 'state', 'name', 'table'])}=${make.one(['x', '%ff', '%E0%A4%A', 'track/reed/level', '999999999999999999999', 'waiting'])}`
          : '')
      if (key === 'DELETE /api/session') return
      const headers = {
        cookie: (!ENTERS.includes(key) && cookies[i]) || 'rudlo_session=nonsense',
        host: `localhost:${port}`,
      }
      if (random() < 0.01) headers.host = 'elsewhere.example'
      if (random() < 0.02)
        headers.range = make.one(['bytes=0-10', 'bytes=-5', 'bytes=9-1', 'bytes=99999999999-', 'lines=1'])
      const body = bodyFor(route, make, random)
      if (body) headers['content-type'] = 'application/json'
      const chunked = body !== null && random() < 0.1
      if (body && !chunked) headers['content-length'] = body.length
      const { status, text } = await send(port, route.method, path, headers, body, chunked)
      statuses.set(status, (statuses.get(status) ?? 0) + 1)
      batch.push([key, body?.length ?? 0])
      if (status >= 500 || status === 0)
        bad.push({ status, key, path, text: text.slice(0, 200), body: body?.toString('utf8', 0, 300) })
    }

    for (let n = 0; n < 1000; n++) await one()
    const before = (await installation.signs(), await installation.signs())
    const log = setInterval(
      () => say(`${done} of ${REQUESTS} requests, ${bad.length} bad, held ${mostHeld.toFixed(0)} ms at most`),
      15_000,
    )
    while (done < REQUESTS) {
      batch = []
      const count = Math.min(1000, REQUESTS - done)
      let left = count
      await Promise.all(
        Array.from({ length: HANDS }, async () => {
          while (left-- > 0) await one()
        }),
      )
      done += count
      const { held } = await installation.signs()
      if (held.work > 100)
        heldBy.push({ ms: Math.round(held.work), of: batch.sort((a, b) => b[1] - a[1]).slice(0, 4) })
      mostHeld = Math.max(mostHeld, held.work)
      byClock = Math.max(byClock, held.clock)
    }
    clearInterval(log)
    // what it was still doing is done, and what it no longer needs is let go
    await new Promise((resolve) => setTimeout(resolve, 5000))
    await installation.signs()
    const after = await installation.signs()
    const health = (await fetch(`http://localhost:${port}/api/health`)).status
    if (process.env.RUDLO_FUZZ_SHOW)
      console.error(
        JSON.stringify({ statuses: [...statuses], bad: bad.slice(0, 40), heldBy, before, after }, null, 1),
      )
    const grown =
      (after.memory.heapUsed +
        after.memory.arrayBuffers -
        before.memory.heapUsed -
        before.memory.arrayBuffers) /
      2 ** 20
    return [
      entry('fuzz', `requests over ${routes.length} routes`, done, '', '>= 100000'),
      entry('fuzz', 'of them answered with 5xx, or not at all', bad.length, '', '<= 0'),
      entry('fuzz', 'longest that the event loop was held by work', mostHeld, 'ms', '<= 100'),
      entry('fuzz', 'the same by the clock, with all else that the machine did', byClock, 'ms', ''),
      entry('fuzz', 'batches of 1,000 in which it was held for more than 100 ms', heldBy.length, '', '<= 0'),
      entry('fuzz', 'memory left behind', grown, 'MiB', '< 64'),
      entry('fuzz', 'health afterwards', health, '', '<= 200'),
      ...(await fuzzReaders(SEED)),
    ]
  } finally {
    agent.destroy()
    await installation.stop()
  }
}

const often = (random) => random() < 0.8

function bodyFor(route, make, random) {
  if (route.method === 'GET' || route.method === 'DELETE') return null
  if (random() < 0.01)
    return Buffer.from(
      make.one([
        '{',
        '[]',
        'null',
        '"x"',
        '\xff\xfe',
        `${'['.repeat(50_000)}`,
        `{"a":${'{"a":'.repeat(2000)}1${'}'.repeat(2001)}`,
      ]),
      'latin1',
    )
  if (random() < 0.002) return Buffer.alloc(route.limit + 1 + make.below(3_000_000), 32)
  if (!route.body) return random() < 0.5 ? Buffer.from(make.one(make.texts)) : null
  const body = {}
  for (const property of route.body) {
    if (random() < 0.03) continue
    const value = property.name === 'patch' ? make.patch() : make.forProperty(property)
    if (value !== undefined) body[property.name] = value
  }
  if (random() < 0.03) body[make.one(['admin', 'role', '__proto__', 'constructor'])] = true
  return Buffer.from(JSON.stringify(body))
}
