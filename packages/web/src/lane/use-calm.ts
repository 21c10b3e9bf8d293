import { useThrottleFn } from '@vueuse/core'
import { shallowRef, watch, type ShallowRef } from 'vue'

/**
 * How often what is calm moves, in ms: seldom enough that nearly every frame under a moving hand is free of it, and the same
 * for all, so that they move in the same frame.
 */
export const CALM = 450

/**
 * A value that follows another one at most every so many ms, the first and the last change always: for what need not keep
 * pace with a moving hand. What it holds is the thing itself, not a reactive copy.
 */
export function useCalm<T>(source: () => T, ms = CALM): Readonly<ShallowRef<T>> {
  const calm = shallowRef(source()) as ShallowRef<T>
  const follow = useThrottleFn(() => (calm.value = source()), ms, true, true)
  watch(source, () => void follow())
  return calm
}
