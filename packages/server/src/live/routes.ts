import { streamSSE } from 'hono/streaming'
import { badInput } from '../http/problem'
import { route, type Route } from '../http/route'
import type { Services } from '../services'
import type { Happening } from './happening.entity'

/** A comment goes out so often, so that nobody between takes the line for dead. */
const BEAT_MS = 15_000

const view = ({ id, kind, data }: Happening) => ({ id, kind, data: JSON.parse(data) as unknown })

function idFrom(text: string | undefined): string | null {
  if (text === undefined || text === '') return null
  if (!/^\d{1,19}$/.test(text)) throw badInput('That is no id of something that happened.')
  return text
}

/** Lines that a person can have open; a further one ends the oldest. */
const MOST_LINES = 30

/** What a page is told; that a session is over is for its line alone. */
const isForPages = ({ kind }: Happening) => kind !== 'signed out'

export function liveRoutes({ happenings, sessions }: Services): Route[] {
  /** How to end the open lines, by person, oldest first. */
  const lines = new Map<string, Set<() => void>>()
  const enter = (personId: string, end: () => void) => {
    const mine = lines.get(personId) ?? new Set()
    lines.set(personId, mine.add(end))
    if (mine.size > MOST_LINES) [...mine][0]?.()
  }
  const leave = (personId: string, end: () => void) => {
    const mine = lines.get(personId)
    mine?.delete(end)
    if (!mine?.size) lines.delete(personId)
  }

  return [
    route('get', '/api/happenings', 'signed-in', async ({ person, query }) => {
      const after = idFrom(query('after'))
      if (after === null) return { newest: await happenings.newest(), happenings: [] }
      const found = await happenings.since(person.id, after)
      return { newest: found.at(-1)?.id ?? after, happenings: found.filter(isForPages).map(view) }
    }),

    route('get', '/api/happenings/live', 'signed-in', async ({ c, person, query }) => {
      const after = idFrom(c.req.header('last-event-id') ?? query('after'))
      const holds = sessions.stillHolds(c)
      return streamSSE(c, async (stream) => {
        const told = new Set<string>()
        let writing = Promise.resolve()
        let stopListening = () => undefined as void
        const end = () => {
          stopListening()
          leave(person.id, end)
          void stream.close()
        }
        // a line lives no longer than the session that opened it
        const look = async () => {
          if (!(await holds().catch(() => true))) end()
        }
        const write = (happening: Happening) => {
          if (!isForPages(happening)) return void look()
          if (told.has(happening.id)) return
          told.add(happening.id)
          writing = writing.then(() =>
            stream.writeSSE({ id: happening.id, event: 'happening', data: JSON.stringify(view(happening)) }),
          )
        }
        stopListening = await happenings.listen({ personId: person.id, tell: write })
        enter(person.id, end)
        stream.onAbort(end)
        await stream.writeSSE({ event: 'open', data: '' })
        if (after !== null) for (const missed of await happenings.since(person.id, after)) write(missed)
        // it may have ended while the line was opened
        await look()
        while (!stream.aborted && !stream.closed) {
          await stream.sleep(BEAT_MS)
          await look()
          if (stream.closed) break
          writing = writing.then(async () => void (await stream.write(': still here\n\n')))
          await writing
        }
        end()
      })
    }),
  ]
}
