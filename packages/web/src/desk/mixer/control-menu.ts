import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** The menu of one control: which one, and where on the page it was asked for. */
export const useControlMenu = defineStore('control-menu', () => {
  const address = ref<string | null>(null)
  const at = shallowRef<readonly [x: number, y: number]>([0, 0])

  /** Opens it where the pointer is, or beside the control where a key asked for it. */
  function open(of: string, event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
    const inside = event.clientX >= box.left && event.clientX <= box.right && event.clientY > 0
    at.value = inside ? [event.clientX, event.clientY] : [box.left + box.width / 2, box.bottom]
    address.value = of
  }

  return { address, at, open }
})
