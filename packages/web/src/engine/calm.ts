import { effect, onScopeDispose, shallowRef, stop, type ShallowRef } from 'vue'

/** How long nothing must have moved before what is calm follows, in ms. */
const REST = 200
/** How long it waits at most while something moves on and on, in ms. */
const LONGEST = 750

/** What waits for the next beat; null while nothing has moved lately. */
let waiting: Set<() => void> | null = null
/** When the last beat was, and when something was asked for last. */
let began = 0
let asked = 0

/**
 * Does something at once if nothing calm was done lately, else when the hand rests, and now and then while it does not. What
 * was asked for several times is done once. All that waits is done together: the frames between are free of it.
 */
export function calmly(follow: () => void): void {
  asked = performance.now()
  if (waiting) return void waiting.add(follow)
  follow()
  begin()
}

/** Does what waits no longer wait. */
export const forgetCalm = (follow: () => void) => void waiting?.delete(follow)

function begin(): void {
  waiting = new Set()
  began = performance.now()
  setTimeout(look, REST)
}

/** Looks whether it is time: a hand moves so often that no timer is set anew each time. */
function look(): void {
  const now = performance.now()
  const left = Math.min(asked + REST, began + LONGEST) - now
  if (left > 0.5) return void setTimeout(look, left)
  const due = waiting!
  if (!due.size) return void (waiting = null)
  // before: what one of them asks for waits for the next beat
  begin()
  for (const follow of due) follow()
}

/** Does something once it was not asked for any more for so long, in ms. */
export function whenAtRest(ms: number, what: () => void): { ask: () => void; forget: () => void } {
  let last = -Infinity
  let timer: ReturnType<typeof setTimeout> | null = null
  const see = () => {
    const left = last + ms - performance.now()
    timer = left > 0.5 ? setTimeout(see, left) : null
    if (!timer) what()
  }
  return {
    ask: () => {
      last = performance.now()
      timer ??= setTimeout(see, ms)
    },
    forget: () => {
      if (timer) clearTimeout(timer)
      timer = null
    },
  }
}

/**
 * A value that follows another one calmly, the first and the last change always: for what need not keep pace with a moving
 * hand. It is made only when it follows, not with every change. What it holds is the thing itself, not a reactive copy.
 */
export function useCalm<T>(source: () => T): Readonly<ShallowRef<T>> {
  const calm = shallowRef() as ShallowRef<T>
  const follow = effect(() => void (calm.value = source()), { scheduler: () => calmly(follow) })
  onScopeDispose(() => (stop(follow), forgetCalm(follow)))
  return calm
}

/**
 * A value that follows another one at most once in so many ms, the first and the last change always: for figures, which nobody can
 * read faster. What it holds is the thing itself, not a reactive copy.
 */
export function usePaced<T>(source: () => T, ms: number): Readonly<ShallowRef<T>> {
  const paced = shallowRef() as ShallowRef<T>
  let last = -Infinity
  let timer: ReturnType<typeof setTimeout> | null = null
  const see = effect(
    () => {
      last = performance.now()
      paced.value = source()
    },
    {
      scheduler: () => {
        const left = last + ms - performance.now()
        if (left <= 0) follow()
        else timer ??= setTimeout(follow, left)
      },
    },
  )
  const forget = () => {
    if (timer) clearTimeout(timer)
    timer = null
  }
  const follow = () => (forget(), see())
  onScopeDispose(() => (stop(see), forget()))
  return paced
}
