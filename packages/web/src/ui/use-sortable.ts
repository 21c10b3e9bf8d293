import type Sortable from 'sortablejs'
import { onBeforeUnmount, watch, type Ref } from 'vue'

/**
 * Lets the entries of a list be dragged into another order by their handle. The list itself stays as it is: whoever owns
 * it makes the change, and the screen follows.
 * @param moved told which entry was dragged to which place, both from 0
 */
export function useSortable(
  list: Ref<HTMLElement | undefined>,
  handle: string,
  moved: (from: number, to: number) => void,
) {
  let sortable: Sortable | null = null
  let left = false
  // a file of its own: the rooms that share this would all fetch it otherwise
  const fetched = import('sortablejs').then(
    (it) => it.default,
    // without it the list is read, and ordered by keys
    () => null,
  )
  watch(
    list,
    async (element) => {
      sortable?.destroy()
      sortable = null
      const sorter = await fetched
      if (!sorter || !element || left || list.value !== element) return
      sortable = sorter.create(element, {
        handle,
        animation: 120,
        // the browser's own drag and drop has no touch: the package's works with both
        forceFallback: true,
        onEnd: ({ oldIndex, newIndex, item }) => {
          if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
          // back to where the page's framework believes it is
          element.insertBefore(item, element.children[oldIndex + (newIndex < oldIndex ? 1 : 0)] ?? null)
          moved(oldIndex, newIndex)
        },
      })
    },
    { immediate: true, flush: 'post' },
  )
  onBeforeUnmount(() => {
    left = true
    sortable?.destroy()
  })
}
