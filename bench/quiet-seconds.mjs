import { readFileSync } from 'node:fs'

/** What the machine's host took of both cores since it started, in hundredths of a second: the eighth figure (man 5 proc_stat). */
function taken() {
  return Number(readFileSync('/proc/stat', 'utf8').split('\n', 1)[0].split(/\s+/)[8])
}

/**
 * Watches in which seconds the host left this machine alone: machines are shared, and who asks while others have the cores waits for them,
 * whatever the server does.
 * @returns `quiet`: whether a moment of `performance.now()` lay in such a second, and the one before was one too
 */
export function watchForQuiet() {
  const begin = performance.now()
  const perSecond = []
  let last = taken()
  const timer = setInterval(() => {
    const now = taken()
    const second = Math.floor((performance.now() - begin) / 1000)
    // a second that was not looked at in time is judged with the next one
    while (perSecond.length < second) perSecond.push(now - last)
    last = now
  }, 1000)
  const left = (second) => second < 0 || (perSecond[second] ?? Infinity) <= 1
  const isQuiet = (second) => left(second) && left(second - 1)
  return {
    quiet: (moment) => isQuiet(Math.floor((moment - begin) / 1000)),
    end: () => clearInterval(timer),
  }
}
