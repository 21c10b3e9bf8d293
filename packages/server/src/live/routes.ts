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

export function liveRoutes({ happenings }: Services): Route[] {
  return [
    route('get', '/api/happenings', 'signed-in', async ({ person, query }) => {
      const after = idFrom(query('after'))
      if (after === null) return { newest: await happenings.newest(), happenings: [] }
      const found = await happenings.since(person.id, after)
      return { newest: found.at(-1)?.id ?? after, happenings: found.map(view) }
    }),

    route('get', '/api/happenings/live', 'signed-in', async ({ c, person, query }) => {
      const after = idFrom(c.req.header('last-event-id') ?? query('after'))
      return streamSSE(c, async (stream) => {
        const told = new Set<string>()
        let writing = Promise.resolve()
        const write = (happening: Happening) => {
          if (told.has(happening.id)) return
          told.add(happening.id)
          writing = writing.then(() =>
            stream.writeSSE({ id: happening.id, event: 'happening', data: JSON.stringify(view(happening)) }),
          )
        }
        const end = await happenings.listen({ personId: person.id, tell: write })
        stream.onAbort(end)
        await stream.writeSSE({ event: 'open', data: '' })
        if (after !== null) for (const missed of await happenings.since(person.id, after)) write(missed)
        while (!stream.aborted && !stream.closed) {
          await stream.sleep(BEAT_MS)
          writing = writing.then(async () => void (await stream.write(': still here\n\n')))
          await writing
        }
        end()
      })
    }),
  ]
}
