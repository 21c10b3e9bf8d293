import { readonly, ref } from 'vue'

const isAway = ref(false)

/** Whether the server could not be reached when it was asked last. */
export const away = readonly(isAway)

/** Notes whether the server answered. */
export const noteAway = (now: boolean): void => void (isAway.value = now)
