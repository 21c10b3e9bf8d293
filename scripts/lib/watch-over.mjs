/** A server is asked so often whether it still gets anything done, and has so long to answer before it counts as hung. */
const ASK_MS = 2000
const PATIENCE_MS = 30_000

/**
 * Watches a server: one whose loop stands still, or whose connections to the database are all stuck, is reported. As long as
 * the database itself does not answer, the server is not to blame.
 * @param {import('node:child_process').ChildProcess} server answers `{ ping }` with `{ pong }` once a query came back
 * @param {{ answers(): Promise<boolean> }} database
 * @param {() => void} onHang called once
 * @param {{ askMs?: number, patienceMs?: number }} times
 * @returns {() => void} ends it
 */
export function watchOver(server, database, onHang, { askMs = ASK_MS, patienceMs = PATIENCE_MS } = {}) {
  let heard = performance.now()
  let asking = false
  const listen = (message) => {
    if (message.pong !== undefined) heard = performance.now()
  }
  server.on('message', listen)
  const timer = setInterval(async () => {
    if (!server.connected || asking) return
    server.send({ ping: 1 }, () => undefined)
    if (performance.now() - heard < patienceMs) return
    asking = true
    const isThere = await database.answers().catch(() => false)
    asking = false
    if (isThere && performance.now() - heard >= patienceMs) {
      end()
      onHang()
      // whatever stopped the clock of this process, such as a lid that was closed, is no hang
    } else if (!isThere) heard = performance.now()
  }, askMs)
  timer.unref()
  function end() {
    clearInterval(timer)
    server.off('message', listen)
  }
  return end
}
