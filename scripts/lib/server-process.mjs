import { fork } from 'node:child_process'
import { join } from 'node:path'
import { SERVER_DIST } from './paths.mjs'

/**
 * Words for Node with which a server serves. A class that saves makes most of its garbage within a second: where there is room for
 * a second's, it is gone before V8 keeps it for long, and has to stop the server to be rid of it. What is kept may grow to three times
 * what is in use before V8 goes through all of it: by itself it does at a third more.
 */
export const SERVING = ['--max-semi-space-size=32', '--heap-growing-percent=200']

/**
 * Starts a server of the last build.
 * @param {Record<string, string>} environment what it is told: docs/running.md has every variable
 * @param {string[]} [more] words for Node besides {@link SERVING}
 * @returns the process, and what it says once it serves
 */
export function startServer(environment, more = []) {
  const server = fork(join(SERVER_DIST, 'main.js'), [], {
    execArgv: [...SERVING, ...more],
    env: { ...process.env, NODE_ENV: 'production', ...environment },
  })
  const ready = new Promise((resolve, reject) => {
    server.on('message', (told) => {
      if (told.ready) resolve(told)
      if (told.failed) reject(new Error(told.failed))
    })
    server.once('exit', () => reject(new Error('The server ended before it was ready.')))
  })
  return { server, ready }
}

/** Ends a process, and waits until it is gone. */
export function endProcess(child, signal) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    child.removeAllListeners('exit')
    child.once('exit', () => resolve())
    child.kill(signal)
  })
}
