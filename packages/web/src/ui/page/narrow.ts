import { useMediaQuery } from '@vueuse/core'
import type { Ref } from 'vue'

/** Whether the screen is that of a telephone: there is room to read, to listen and to answer, and none for a desk. */
export const useNarrow = (): Readonly<Ref<boolean>> => useMediaQuery('(max-width: 760px)')
