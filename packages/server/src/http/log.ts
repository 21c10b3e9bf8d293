import { basename, dirname } from 'node:path'
import { Writable } from 'node:stream'
import type { MiddlewareHandler } from 'hono'
import { pino, type BaseLogger } from 'pino'
import { createStream } from 'rotating-file-stream'

/** A log grows to so much, and so many older ones are kept beside it, packed. */
const SIZE = '10M'
const KEPT = 5
/** Lines of such a moment, in ms, are written together: one by one they cost a twentieth of what a server does for a class that saves. */
const MOMENT_MS = 100

/** Where the server says what happens: one JSON object a line, never with names of people or what they wrote. */
export type Log = Pick<BaseLogger, 'info' | 'warn' | 'error'>

/**
 * A log that never grows beyond its bounds and never stops the server: what cannot be written, on a full disk, is not. Whoever
 * ends the server takes its last moment along.
 * @param file where it goes; nowhere where it is missing
 */
export const logFile = (file: string | undefined): Log =>
  file ? logTo(rotating(file)) : pino({ enabled: false })

/** A log that is written to a stream. */
export const logTo = (stream: Writable): Log =>
  pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream)

/** A log whose lines are told one by one. */
export const logLines = (tell: (line: string) => void): Log =>
  logTo(
    new Writable({
      write: (chunk: Buffer, _, done) => {
        tell(chunk.toString())
        done()
      },
    }),
  )

function rotating(file: string): Writable {
  const stream = createStream(basename(file), {
    path: dirname(file),
    size: SIZE,
    maxFiles: KEPT,
    compress: 'gzip',
    mode: 0o600,
  })
  let fails = false
  stream.on('error', () => (fails = true))
  stream.on('open', () => (fails = false))
  let lines: Buffer[] = []
  const write = () => {
    if (!fails) stream.write(Buffer.concat(lines))
    lines = []
  }
  return new Writable({
    write: (line: Buffer, _, done) => {
      if (!lines.length) setTimeout(write, MOMENT_MS)
      lines.push(line)
      done()
    },
  })
}

/** One line a request: method, route (not the address, which holds ids), status and time. No names, no bodies. */
export function requestLog(log: Log): MiddlewareHandler {
  return async (c, next) => {
    const start = performance.now()
    await next()
    const route = c.req.path.replace(/[0-9a-f]{8}-[0-9a-f-]{27}|[0-9a-f]{64}/g, ':id')
    const ms = Number((performance.now() - start).toFixed(1))
    log.info({ method: c.req.method, route, status: c.res.status, ms }, 'request')
  }
}
