import { createHash } from 'node:crypto'
import { connect, createServer } from 'node:net'
import { resolve } from 'node:path'
import { wait } from './run.mjs'

/** An abstract socket (unix(7)): it goes with the process that has it, however that ends, and no file can be left behind. */
const nameOf = (folder, what) =>
  `\0rudlo-${what}-${createHash('sha256').update(resolve(folder)).digest('hex').slice(0, 24)}`

/**
 * Claims something of a data folder for this process, as long as it lives.
 * @param {string} folder
 * @param {'data' | 'database'} what whether nobody else may serve or replace the data, or start and end the database
 * @param {Record<string, unknown>} about what others are told who want it
 * @returns {Promise<{ claimed: true, about: Record<string, unknown>, release(): void } | { claimed: false, holder: Record<string, unknown> }>}
 */
export async function claim(folder, what, about) {
  for (let tries = 0; tries < 20; tries++) {
    const server = await listen(nameOf(folder, what), about)
    if (server) return { claimed: true, about, release: () => server.close() }
    const holder = await ask(nameOf(folder, what))
    if (holder) return { claimed: false, holder }
    // it was let go between the two
    await wait(50)
  }
  return { claimed: false, holder: {} }
}

/** Waits until something can be claimed; `onWait` is told once who has it. */
export async function claimInTurn(folder, what, about, onWait) {
  for (let told = false; ; told = true) {
    const mine = await claim(folder, what, about)
    if (mine.claimed) return mine
    if (!told) onWait(mine.holder)
    await wait(250)
  }
}

function listen(name, about) {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => {
      socket.on('error', () => undefined)
      socket.end(JSON.stringify(about))
    })
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)))
    server.listen(name, () => resolve(server.unref()))
  })
}

/** What the holder says of itself; null where there is none any more. */
function ask(name) {
  return new Promise((resolve) => {
    let text = ''
    const socket = connect(name)
    const late = setTimeout(() => socket.destroy(), 2000)
    socket.on('data', (part) => (text += part))
    socket.on('error', () => undefined)
    socket.on('close', () => {
      clearTimeout(late)
      try {
        resolve(JSON.parse(text))
      } catch {
        resolve(null)
      }
    })
  })
}
