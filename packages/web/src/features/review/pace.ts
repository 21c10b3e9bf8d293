import { defineStore } from 'pinia'
import { ref } from 'vue'
import { keep, kept } from '../../browser/kept'

/** How long the last hand-ins took, in this browser: a list of seconds. */
const KEY = 'rudlo-review-pace'
/** So many of the last ones say how long the next will take. */
const LAST = 7
/** Whoever stays longer over one was doing something else, in seconds. */
const LONGEST = 15 * 60

function read(text: string | null): readonly number[] {
  const found = (text ?? '').split(' ').map(Number)
  return found.filter((seconds) => seconds > 0 && seconds <= LONGEST)
}

/** How quickly hand-ins are reviewed here, from when one is laid on the desk until it is decided. */
export const usePace = defineStore('review-pace', () => {
  const taken = ref(read(kept(KEY)))
  let since = 0
  let of = ''

  /** A hand-in lies on the desk from now on. */
  function laid(id: string, now = performance.now()): void {
    if (id !== of) since = now
    of = id
  }

  /** The hand-in on the desk is decided. */
  function decided(now = performance.now()): void {
    const seconds = (now - since) / 1000
    if (!of || seconds <= 0 || seconds > LONGEST) return
    taken.value = [...taken.value, Math.round(seconds * 10) / 10].slice(-LAST)
    keep(KEY, taken.value.join(' '))
  }

  /** About how many minutes so many take, by the middle one of the last; null where there was none. */
  function minutesFor(count: number): number | null {
    const sorted = [...taken.value].sort((a, b) => a - b)
    const middle = sorted[Math.floor(sorted.length / 2)]
    return middle === undefined ? null : Math.max(1, Math.round((middle * count) / 60))
  }

  return { laid, decided, minutesFor }
})
