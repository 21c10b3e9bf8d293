import { unrefElement, useResizeObserver, type MaybeComputedElementRef } from '@vueuse/core'

/** What scrolls in itself is a stop of the Tab key, so that arrows can scroll it; where everything is in view it is none. */
export function useScrollStop(table: MaybeComputedElementRef): void {
  useResizeObserver(table, () => {
    const wrapper = unrefElement(table)?.querySelector<HTMLElement>('.v-table__wrapper')
    if (!wrapper) return
    const scrolls =
      wrapper.scrollWidth > wrapper.clientWidth + 1 || wrapper.scrollHeight > wrapper.clientHeight + 1
    if (scrolls) wrapper.tabIndex = 0
    else wrapper.removeAttribute('tabindex')
  })
}
