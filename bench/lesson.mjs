import { Installation } from '../scripts/lib/installation.mjs'
import { entry } from './entry.mjs'

const BENCHES = 60
const POINTS = 20

/** Signs somebody of the demo in. @returns the cookie */
async function signIn(address, signInName) {
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: signInName, password: 'evening-ferry' }),
  })
  return answer.headers.getSetCookie().at(-1).split(';')[0]
}

/** A bench that listens: tells the time at which each place reached it. */
async function bench(address, cookie, arrived) {
  const answer = await fetch(`${address}/api/happenings/live`, { headers: { cookie } })
  const reader = answer.body.getReader()
  const decoder = new TextDecoder()
  void (async () => {
    for (let text = ''; ;) {
      const { done, value } = await reader.read().catch(() => ({ done: true }))
      if (done) return
      text += decoder.decode(value, { stream: true })
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const from = /"from":(\d+)/.exec(text.slice(0, end))?.[1]
        if (from) arrived(Number(from), performance.now())
        text = text.slice(end + 2)
      }
    }
  })()
  return () => reader.cancel()
}

/** Sixty live benches and one teacher who points: how long until everybody has it. */
export async function lesson() {
  const installation = await new Installation(true).start()
  const { address } = installation
  try {
    const names = ['ines', 'tobin', 'wilma', 'oskar', 'petra', 'jonas', 'ayla', 'rune', 'bea', 'milan']
    const cookies = await Promise.all(names.map((n) => signIn(address, n)))
    const teacher = await signIn(address, 'maren')
    const sent = new Map()
    const waits = []
    const open = []
    for (let i = 0; i < BENCHES; i++)
      open.push(
        await bench(address, cookies[i % cookies.length], (from, at) => waits.push(at - sent.get(from))),
      )
    const list = await (await fetch(`${address}/api/assignments`, { headers: { cookie: teacher } })).json()
    const { id } = list[0]
    for (let k = 0; k < POINTS; k++) {
      const from = 960 * k
      sent.set(from, performance.now())
      await fetch(`${address}/api/assignments/${id}/point`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: teacher },
        body: JSON.stringify({ from, to: from + 960 }),
      })
      await new Promise((done) => setTimeout(done, 350))
    }
    for (const close of open) await close()
    waits.sort((a, b) => a - b)
    return [
      entry(
        'lesson',
        `${BENCHES} benches: a place pointed at is there, 95th percentile`,
        waits[Math.floor(waits.length * 0.95)],
        'ms',
        '< 300',
      ),
      entry('lesson', 'the same, slowest', waits.at(-1), 'ms', ''),
      entry(
        'lesson',
        'places that arrived, of those sent',
        (100 * waits.length) / (BENCHES * POINTS),
        '%',
        '>= 100',
      ),
    ]
  } finally {
    await installation.stop()
  }
}
